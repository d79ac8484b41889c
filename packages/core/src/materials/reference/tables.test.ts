import { families } from './family.ts';
import { reinforcements } from './reinforcement.ts';
import { agents, agentStatement, findAgent, supports, supportStatement, tows, towStatement } from './tables.ts';

const familyIds = new Set(families.map((family) => family.id));

test('six strands, each weaker in compression than in tension along the fibre', () => {
  expect(tows).toHaveLength(6);
  for (const tow of tows) {
    expect(tow.xcMpa).toBeLessThan(tow.xtMpa);
    // The strain at break stated with each strand is its strength over its modulus.
    expect(tow.ultimateStrainPct / ((100 * tow.xtMpa) / tow.e1Mpa)).toBeCloseTo(1, 1);
  }
});

test('strand modulus is near the rule of mixtures: carbon in polyamide 0.35·230 000 + 0.65·2000 = 81 800, less voids and waviness', () => {
  const tow = tows.find(({ id }) => id === 'carbon-polyamide')!;
  const mixed = tow.fibreVolumeFraction * tow.fibre.modulusMpa + (1 - tow.fibreVolumeFraction) * tow.matrix.modulusMpa;
  expect(mixed).toBeCloseTo(81_800, 6);
  expect(tow.e1Mpa / mixed).toBeGreaterThan(0.7);
  expect(tow.e1Mpa / mixed).toBeLessThan(1);
});

test('every agent rates every family, and every rating is a known word', () => {
  expect(agents).toHaveLength(27);
  for (const agent of agents) {
    expect(new Set(Object.keys(agent.ratings))).toEqual(familyIds);
    for (const { rating } of Object.values(agent.ratings)) {
      expect(['resistant', 'limited', 'unsuitable', 'unknown']).toContain(rating);
    }
  }
});

test('ketones dissolve ABS; an agent that is not in the table is undefined, not resistant', () => {
  const ketones = findAgent('ketones')!;
  expect(ketones.ratings.abs!.rating).toBe('unsuitable');
  expect(findAgent('no-such-fluid')).toBeUndefined();
});

test('supports pair with families of the reference data only, and with no support family as a model', () => {
  for (const support of supports) {
    for (const familyId of Object.keys(support.models)) expect(familyIds).toContain(familyId);
    expect(support.models.pva).toBeUndefined();
  }
});

test('every table says that its values are typical and indicative', () => {
  for (const statement of [agentStatement, supportStatement, towStatement])
    expect(statement).toMatch(/typical indicative/i);
});

test('reinforcements: carbon stiffens more than glass at equal share, glass keeps more toughness', () => {
  const of = (id: string) => reinforcements.find((one) => one.id === id)!.effects.polyamideLike;
  expect(of('carbon-15').modulusXy).toBeGreaterThan(of('glass-15').modulusXy);
  expect(of('carbon-15').charpyNotched).toBeLessThan(of('glass-15').charpyNotched);
});
