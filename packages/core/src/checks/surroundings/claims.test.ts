import { inWords, joined, spellOut } from '@anvilstone/core/foundations';
import type { Brief, Claim, Grade, Observation } from '@anvilstone/schema';
import { outcome, testBrief, testGrade } from '../testContext.ts';

const asking = (asks: Brief['asks']): Brief => ({ ...testBrief, asks });
const claiming = (...claims: Partial<Claim>[]): Grade => ({
  ...testGrade,
  claims: claims.map((claim) => ({
    kind: 'food',
    statement: 'Suited to all food',
    scope: 'printed-part',
    reference: 'sheet 1',
    ...claim,
  })),
});
const observing = (observation: Partial<Observation>, rest: Partial<Grade> = {}): Grade => ({
  ...testGrade,
  ...rest,
  observations: [
    ...testGrade.observations,
    { id: 'o', property: 'flameClass', unit: '-', source: 'datasheet', reference: 'sheet 1', ...observation },
  ],
});

describe('statements with a scope', () => {
  test.each([
    ['food', { food: 'dry' }, {}],
    ['skin', { skin: 'brief' }, { kind: 'biocompatible', statement: 'Skin contact, short' }],
    ['outgassing', { outgassing: true }, { kind: 'outgassing', statement: 'TML 0.4 %' }],
    ['smoke', { smokeStandard: 'ISO 5659-2' }, { kind: 'smoke', standard: 'ISO 5659-2', statement: 'Ds 120' }],
  ] as const)('%s: passes on a printed part, is “claimed for other conditions” on the raw grade', (id, asks, claim) => {
    expect(outcome(id, asking(asks), 'XZ', claiming(claim))).toMatchObject({ status: 'pass', evidence: 'B' });
    const raw = outcome(id, asking(asks), 'XZ', claiming({ ...claim, scope: 'raw-grade' }));
    expect(raw.status).toBe('unknown');
    expect(raw.gaps[0]).toMatch(/^Claimed for other conditions: .*the raw grade/);
    const nothing = outcome(id, asking(asks));
    expect(nothing).toMatchObject({ status: 'unknown', reserve: null });
    expect(nothing.gaps).toHaveLength(2);
  });
  test('dry food is not fatty food, brief contact not lasting contact', () => {
    const dry = claiming({ statement: 'Suited to dry food' });
    expect(outcome('food', asking({ food: 'wet-or-fatty' }), 'XZ', dry)).toMatchObject({
      status: 'fail',
      evidence: 'C',
    });
    const brief = claiming({ kind: 'skin', statement: 'Skin contact, short' });
    expect(outcome('skin', asking({ skin: 'lasting' }), 'XZ', brief).status).toBe('fail');
    // A better statement beside it decides, and one for other conditions leaves it open.
    const both = claiming({ statement: 'Suited to dry food' }, { statement: 'Suited to all food' });
    expect(outcome('food', asking({ food: 'wet-or-fatty' }), 'XZ', both).status).toBe('pass');
    const raw = claiming({ statement: 'Suited to dry food' }, { statement: 'All food', scope: 'raw-grade' });
    expect(outcome('food', asking({ food: 'wet-or-fatty' }), 'XZ', raw).status).toBe('unknown');
  });
  test('smoke has a number: below what is allowed it passes, above it fails, without one it is unknown', () => {
    const asks = { smokeStandard: 'ISO 5659-2', smokeAtMost: 200 };
    const of = (value?: number) =>
      outcome(
        'smoke',
        asking(asks),
        'XZ',
        claiming({
          kind: 'smoke',
          standard: 'ISO 5659-2',
          statement: 'Ds(4)',
          ...(value === undefined ? {} : { value }),
        }),
      ).status;
    expect([of(120), of(200), of(201), of()]).toEqual(['pass', 'pass', 'fail', 'unknown']);
  });
  test('a claim in grey says nothing of green', () => {
    const grey = claiming({ colour: 'grey' });
    expect(outcome('food', asking({ food: 'dry', colour: { wanted: 'Grey' } }), 'XZ', grey).status).toBe('pass');
    expect(outcome('food', asking({ food: 'dry', colour: { wanted: 'green' } }), 'XZ', grey).status).toBe('unknown');
  });
  test('recycled is a matter of the material, so the raw grade’s statement serves', () => {
    const grade = claiming({ kind: 'recycled', statement: '95 % post-industrial', scope: 'raw-grade' });
    expect(outcome('recycled', asking({ origin: ['recycled'] }), 'XZ', grade).status).toBe('pass');
    expect(outcome('biodegradable', asking({ origin: ['biodegradable'] }), 'XZ', grade).status).toBe('unknown');
  });
});

describe('flame class at the thinnest wall, here 10 mm thick', () => {
  const v0 = asking({ flameClass: 'V-0' });
  const thin = (thicknessMm: number): Brief => ({
    ...v0,
    part: { ...testBrief.part, section: { kind: 'rectangle', widthMm: 20, depthMm: thicknessMm } },
  });
  test('a rating at 3 mm does not cover a 1.2 mm wall', () => {
    const grade = claiming({ kind: 'flame', statement: 'V-0', scope: 'printed-specimen', thicknessMm: 3 });
    const result = outcome('flame', thin(1.2), 'XZ', grade);
    expect(result.status).toBe('unknown');
    expect(spellOut(result.gaps[0])).toMatch(/3 mm does not cover 1.2 mm/);
    expect(outcome('flame', thin(3), 'XZ', grade).status).toBe('pass');
    // The thickness that has to be rated may be another than the wall's.
    const rated = (flameThicknessMm: number): Brief => asking({ flameClass: 'V-0', flameThicknessMm });
    expect(outcome('flame', { ...rated(3), part: thin(1.2).part }, 'XZ', grade).status).toBe('pass');
    expect(outcome('flame', { ...rated(1.6), part: thin(10).part }, 'XZ', grade).status).toBe('unknown');
  });
  test('moulded bars and an unstated thickness are other conditions; a worse class alone fails', () => {
    const moulded = observing({ classValue: 'V-0', thicknessMm: 1.5, specimen: 'moulded' });
    expect(outcome('flame', v0, 'XZ', moulded).status).toBe('unknown');
    const unstated = observing({ classValue: 'V-0', specimen: 'printed' });
    expect(outcome('flame', v0, 'XZ', unstated).gaps[0]).toMatch(/thickness is not stated/);
    const worse = observing({ classValue: 'V-2', thicknessMm: 1.5, specimen: 'printed' });
    expect(outcome('flame', v0, 'XZ', worse)).toMatchObject({ status: 'fail', evidence: 'C', reserve: null });
    // Also of a grade whose family is usually as good as asked.
    const pei: Grade = { ...claiming({ kind: 'flame', statement: 'V-2', thicknessMm: 1 }), familyId: 'pei' };
    expect(outcome('flame', v0, 'XZ', pei).status).toBe('fail');
    const thicker = claiming(
      { kind: 'flame', statement: 'V-2', thicknessMm: 1 },
      { kind: 'flame', statement: 'V-0', thicknessMm: 12 },
    );
    expect(outcome('flame', v0, 'XZ', thicker).status).toBe('unknown');
    const better = observing({ classValue: '5VA', thicknessMm: 1.5, specimen: 'printed' });
    expect(outcome('flame', v0, 'XZ', better).status).toBe('pass');
  });
  test('what is usual for a family never passes; usually worse fails', () => {
    expect(outcome('flame', v0)).toMatchObject({ status: 'fail', evidence: 'D' });
    const pei = outcome('flame', v0, 'XZ', { ...testGrade, familyId: 'pei' });
    expect(pei.status).toBe('unknown');
    expect(pei.gaps[0]).toMatch(/indication, never a rating/);
  });
  test('oxygen index: ABS 19 % against 28 %', () => {
    expect(outcome('oxygen-index', asking({ oxygenIndexPct: 28 }))).toMatchObject({ status: 'fail', evidence: 'D' });
  });
  test('an oxygen index of moulded bars counts a class weaker than one of prints, and a family’s is no pass', () => {
    const wanted = asking({ oxygenIndexPct: 28 });
    const of = (specimen: 'moulded' | 'printed') =>
      outcome('oxygen-index', wanted, 'XZ', observing({ property: 'oxygenIndex', value: 32, unit: '%', specimen }));
    expect(of('printed')).toMatchObject({ status: 'pass', reason: null });
    expect(of('moulded').evidence! > of('printed').evidence!).toBe(true);
    expect(of('moulded').reason).toMatch(/moulded bars, which certifies no print/);
    const pei = outcome('oxygen-index', wanted, 'XZ', { ...testGrade, familyId: 'pei', observations: [] });
    expect(pei.status).toBe('unknown');
    expect(pei.gaps[0]).toMatch(/indication, not a result/);
  });
});

describe('electrostatic range', () => {
  const dissipative = asking({ electrostatic: { range: 'dissipative', driestRhPct: 12 } });
  const measured = (value: number, rest: Partial<Observation> = {}, grade: Partial<Grade> = {}) =>
    observing(
      { property: 'surfaceResistivity', value, unit: 'Ω', specimen: 'printed', relativeHumidityPct: 12, ...rest },
      grade,
    );
  test.each([
    [9.9e3, 'conductive'],
    [1e4, 'dissipative'],
    [9.9e10, 'dissipative'],
    [1e11, 'insulating'],
  ] as const)('%p Ω is %s', (ohm, range) => {
    for (const asked of ['conductive', 'dissipative', 'insulating'] as const) {
      const result = outcome('electrostatic', asking({ electrostatic: { range: asked } }), 'XZ', measured(ohm));
      expect(result.status).toBe(asked === range ? 'pass' : 'fail');
    }
  });
  test('“contains carbon” stays unknown, with the test to run', () => {
    const carbon: Grade = { ...testGrade, reinforcementId: 'carbon-15' };
    const result = outcome('electrostatic', dissipative, 'XZ', carbon);
    expect(result).toMatchObject({ status: 'unknown', reserve: null });
    expect(result.gaps[0]).toMatch(/Contains carbon.*Measure the printed part itself at 12 % RH/);
  });
  test('of a carbon-filled grade only the workshop’s own series counts', () => {
    const carbon = { reinforcementId: 'carbon-15' };
    expect(outcome('electrostatic', dissipative, 'XZ', measured(1e7, { count: 1 }, carbon)).status).toBe('unknown');
    const series = measured(1e7, { source: 'bench', count: 5 }, carbon);
    expect(outcome('electrostatic', dissipative, 'XZ', series).status).toBe('pass');
  });
  test('measured in damper air, or on a surface that wears: unknown', () => {
    expect(outcome('electrostatic', dissipative, 'XZ', measured(1e7, { relativeHumidityPct: 50 })).status).toBe(
      'unknown',
    );
    const worn = asking({ electrostatic: { range: 'dissipative', worn: true } });
    expect(outcome('electrostatic', worn, 'XZ', measured(1e7)).gaps[0]).toMatch(/worn in service/);
  });
  test('a claim without conditions is “claimed for other conditions”; numbers on printed bars count', () => {
    const vague = claiming({ kind: 'electrostatic', statement: 'Static dissipative', scope: 'not-stated' });
    expect(inWords(joined(outcome('electrostatic', dissipative, 'XZ', vague).gaps, '; '))).toMatch(
      /Claimed for other conditions/,
    );
    const any = asking({ electrostatic: { range: 'dissipative' } });
    const stated = claiming({ kind: 'electrostatic', statement: '1e6 to 1e9 Ω', scope: 'printed-specimen' });
    expect(outcome('electrostatic', any, 'XZ', stated).status).toBe('pass');
  });
  test('the neat polymer keeps its charge: typical, evidence D', () => {
    expect(outcome('electrostatic', dissipative)).toMatchObject({ status: 'fail', evidence: 'D' });
    const keep = asking({ electrostatic: { range: 'insulating' } });
    expect(outcome('electrostatic', keep)).toMatchObject({ status: 'pass', evidence: 'D' });
  });
  // 2000 V over 10 mm: 0.2 kV/mm against 16/4
  test('insulation: field across the thinnest wall, and unknown without a measured strength', () => {
    const ask = asking({ insulation: { voltageV: 2000 } });
    expect(outcome('insulation', ask).status).toBe('unknown');
    const known = observing({ property: 'dielectricStrength', value: 16, unit: 'kV/mm', thicknessMm: 1 });
    expect(outcome('insulation', ask, 'XZ', known)).toMatchObject({ status: 'pass', demand: 0.2, capacity: 4 });
    expect(outcome('insulation', ask, 'XZ', { ...known, reinforcementId: 'carbon-10' }).status).toBe('fail');
  });
});
