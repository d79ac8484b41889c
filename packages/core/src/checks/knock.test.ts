import { spellOut } from '@anvilstone/core/foundations';
import type { Grade } from '@anvilstone/schema';
import { actingAt } from './engine/action.ts';
import { applies, briefWith, giveOf, outcome, testContext, testGrade } from './testContext.ts';
import { BRITTLE_RISE_K } from './impact/toughness.ts';

describe('knock', () => {
  const energy = briefWith({ kind: 'knock', energyJ: 0.5 });
  // c = F·L³/3EI + shear; F = √(2·500/c)
  test('an energy becomes the static load that stores it', () => {
    const acting = actingAt(testContext(energy, 'XZ'), testContext(energy, 'XZ').part.loads[0]!, 23);
    expect(acting).toMatchObject({ known: true });
    expect(acting.known && acting.action).toBeCloseTo(Math.sqrt(1000 / giveOf(energy)), 9);
    expect(giveOf(energy)).toBeGreaterThan(100 ** 3 / (3 * 2000 * 1666.667));
  });
  test('a mass laid on without a drop counts twice, a high drop by its energy', () => {
    const dropped = (dropHeightMm: number) => {
      const context = testContext(briefWith({ kind: 'knock', fallingMassG: 1000, dropHeightMm }), 'XZ');
      const acting = actingAt(context, context.part.loads[0]!, 23);
      return acting.known ? acting.action : Number.NaN;
    };
    expect(dropped(1e-9)).toBeCloseTo(2 * 9.80665, 5);
    const perN = giveOf(energy);
    expect(dropped(2000) / Math.sqrt((2 * 9.80665 * 2000) / perN)).toBeCloseTo(1, 1);
  });
  // F_allow = 40·0.9/2 / (1.3552·100·5/1666.67) at Kt 1.3552; U = F²c/2000 × εy·E/σy = 0.023·2000/40
  test('without damage: energy up to yield', () => {
    const { capacity, demand, unit } = outcome('impact-undamaged', energy);
    const forceN = (40 * 0.9) / 2 / (1.35519 * 0.3);
    expect(capacity! / ((forceN ** 2 * giveOf(energy)) / 2000)).toBeCloseTo(1.15, 4);
    expect(demand).toBeCloseTo(0.5, 9);
    expect(unit).toBe('J');
  });
  // ABS 15 kJ/m² · 200 mm² = 3 J
  test('without breaking: notched energy × root area, evidence D', () => {
    const result = outcome('impact-unbroken', energy);
    expect(result.capacity).toBeCloseTo(3, 9);
    expect(result).toMatchObject({ status: 'pass', evidence: 'D' });
  });
  test('“must not break” alone leaves the damage unasked, and the other way round', () => {
    expect(applies('impact-undamaged', briefWith({ kind: 'knock', energyJ: 1, mustStayWhole: 'unbroken' }))).toBe(
      false,
    );
    expect(applies('impact-unbroken', briefWith({ kind: 'knock', energyJ: 1, mustStayWhole: 'undamaged' }))).toBe(
      false,
    );
    expect(applies('strength-in-plane', energy)).toBe(false);
  });
  test('struck, it turns brittle 10 K sooner: −15 °C', () => {
    expect(outcome('struck-fast', briefWith({ kind: 'knock', energyJ: 1, temperatureC: -14 })).status).toBe('pass');
    const result = outcome('struck-fast', briefWith({ kind: 'knock', energyJ: 1, temperatureC: -16 }));
    expect(result).toMatchObject({ status: 'fail', capacity: -25 + BRITTLE_RISE_K.medium });
  });
  // 10 K at 3 m/s; a decade of five more at 30 m/s: 12 K; √(2·9.80665·1.8355) = 6 m/s: 10·(1 + log₁₀ 2/5) = 10.6 K
  test.each([
    ['a tool in the hand', {}, 10],
    ['a machine at 30 m/s', { strikeSpeedMPerS: 30 }, 12],
    ['a fall from 1.8355 m', { energyJ: undefined, fallingMassG: 100, dropHeightMm: 1835.5 }, 10.602],
  ])('the faster it is struck, the sooner it is brittle: %s', (_, how, riseK) => {
    const struck = briefWith({ kind: 'knock', energyJ: 1, ...how });
    expect(outcome('struck-fast', struck).capacity).toBeCloseTo(-25 + riseK, 3);
  });
  test('a filled polyester minds a blow more than the polymer alone', () => {
    const of = (reinforcementId: string | null) =>
      outcome('struck-fast', energy, 'XZ', { ...testGrade, familyId: 'petg', reinforcementId, observations: [] });
    const [neat, filled] = [of(null), of('glass-10')];
    // 20 − 10 K by rate, and what the fibre takes of its notched energy
    expect(filled.capacity! - neat.capacity!).toBeGreaterThan(10);
  });
  test('struck in the cold it shatters, whatever its family does when it is loaded slowly', () => {
    const warns = (load: Parameters<typeof briefWith>[0]) =>
      outcome('failure-manner', { ...briefWith(load), asks: { mustWarn: true } });
    expect(warns({ kind: 'short', forceN: 1, temperatureC: -20 }).status).toBe('pass');
    expect(spellOut(warns({ kind: 'knock', energyJ: 0.1, temperatureC: -20 }))).toMatchObject({
      status: 'fail',
      reason: expect.stringMatching(/^Under “Load” at .20 °C it is brittle: struck, it shatters$/) as unknown,
    });
    expect(spellOut(warns({ kind: 'short', forceN: 1, temperatureC: -30 }).reason)).toMatch(/it snaps/);
  });
  test('struck below where it turns brittle, nothing yields: the elastic energy at most', () => {
    const cold = briefWith({ kind: 'knock', energyJ: 0.5, temperatureC: -40 });
    const context = testContext(cold, 'XZ');
    const forceN = (40 * 0.9) / 2 / (1.35519 * 0.3);
    const { capacity, reason } = outcome('impact-undamaged', cold);
    const mmPerN = giveOf(energy) / context.material.modulusRatio(-40);
    expect(capacity! / ((forceN ** 2 * mmPerN) / 2000)).toBeCloseTo(1, 3);
    expect(reason).toMatch(/brittle/);
  });
  // 80 kJ/m² · 200 mm² = 16 J against 0.5 J
  test('a bar that folds in the notched test still has to be torn, with a large and finite energy', () => {
    const rubber: Grade = { ...testGrade, familyId: 'tpu-95a' };
    expect(outcome('impact-unbroken', energy, 'XZ', rubber)).toMatchObject({
      status: 'pass',
      reserve: 32,
    });
  });
});
