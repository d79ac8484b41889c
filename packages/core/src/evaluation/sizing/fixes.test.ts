import { spellOut } from '@anvilstone/core/foundations';
import type { Brief, Grade, PartGeometry } from '@anvilstone/schema';
import { briefWith, testGrade } from '../../checks/testContext.ts';
import { sampleLibrary } from '../../education/sample/index.ts';
import { evaluate } from '../evaluating/evaluate.ts';
import { nearestFixes } from './fixes.ts';

const arm: PartGeometry = {
  model: 'cantilever-arm',
  spanMm: 100,
  section: { kind: 'rectangle', widthMm: 20, depthMm: 10 },
  filletRadiusMm: 0.6,
};
const fixesOf = (brief: Brief) => nearestFixes(brief, sampleLibrary, testGrade);
const kinds = (brief: Brief) => fixesOf(brief).map(({ kind }) => kind);
// Kt at r/d 0.06: 0.9072·0.06^−0.33333 = 2.3173; reserve = 40/2 / (2.3173·0.3·F)
const loaded = (forceN: number, asks: Brief['asks'] = {}) =>
  briefWith({ kind: 'short', forceN, durationH: 1 / 60, maxDeflectionMm: 9 }, arm, { orientations: ['XZ'], ...asks });

test('nothing to mend where everything passes', () => expect(fixesOf(loaded(20))).toEqual([]));

test('every fix passes when it is evaluated by itself, and its price is the difference', () => {
  const brief = loaded(32);
  const one = { ...sampleLibrary, grades: [testGrade] };
  const before = evaluate(brief, one).grades[0]!.best;
  const fixes = fixesOf(brief);
  expect(fixes.length).toBeGreaterThan(1);
  for (const fix of fixes) {
    const after = evaluate(fix.brief, one).grades[0]!.best;
    expect(after.status).toBe('pass');
    expect(fix.massDeltaG).toBeCloseTo(after.massG! - before.massG!, 9);
    expect(fix.costDeltaUsd).toBeCloseTo(after.costUsd! - before.costUsd!, 9);
  }
});

// 32 N: R = 0.899; thicker by 1/√R, a fillet of 0.9 mm brings Kt down to 0.2.0243/2.3173 of it
test('a thicker arm, a larger fillet; a lower safety factor last and called a decision', () => {
  const fixes = fixesOf(loaded(32));
  expect(fixes.at(-1)).toMatchObject({ kind: 'safety-factor', isDecision: true });
  expect(fixes.at(-1)!.brief.loadCases[0]!.safetyFactor).toBeCloseTo(1.79, 9);
  const fillet = fixes.find(({ kind }) => kind === 'fillet')!;
  expect(spellOut(fillet.title)).toBe('Fillet 0.6 → 0.9 mm');
  const thicker = fixes.find(({ kind }) => kind === 'size')!;
  expect(spellOut(thicker.title)).toMatch(/^Depth along the load 10 → 10\.\d mm$/);
  expect(thicker.costDeltaUsd!).toBeGreaterThan(0);
});

test('a safety factor is not lowered to nothing, and a limit on mass takes the thicker arm away', () => {
  expect(kinds(loaded(60))).not.toContain('safety-factor');
  expect(kinds(loaded(60))).toContain('size');
  expect(kinds(loaded(60, { maxMassG: 20.9 }))).not.toContain('size');
});

test('another orientation, where the brief forbids it', () => {
  const upright = loaded(20, { orientations: ['ZX'] });
  const fix = fixesOf(upright).find(({ kind }) => kind === 'way-up')!;
  expect(fix.title).toMatch(/^Build it X[YZ]: the brief allows only ZX$/);
  expect(fix.brief.asks.orientations).toBeUndefined();
});

test('what no change of the part mends has no fix', () => expect(fixesOf(loaded(20, { food: 'dry' }))).toEqual([]));

describe('treatments and upgrades', () => {
  const [open] = sampleLibrary.machines.filter(({ enclosure }) => enclosure === 'open');
  const machines = [
    {
      ...open!,
      id: 'bare',
      name: 'Bare frame',
      nozzleMaterial: 'brass' as const,
      hotEndLining: 'all-metal' as const,
      maximumNozzleC: 300,
    },
  ];
  const fixes = (brief: Brief, grade: Grade, on = sampleLibrary.machines) =>
    nearestFixes(brief, { ...sampleLibrary, machines: on }, grade);

  test('PLA before an hour at 70 °C is annealed; the brief then says so', () => {
    const pla = { ...testGrade, familyId: 'pla' };
    const hot = loaded(2, { heat: { peak: { temperatureC: 70, durationH: 0.5 } } });
    const fix = fixes(hot, pla).find(({ kind }) => kind === 'anneal')!;
    expect(spellOut(fix.title)).toBe('Anneal it: 2 h at 90 °C');
    expect(fix.brief.annealed).toBe(true);
    expect(fix.takes).toMatch(/draw it 3 % larger/);
    // Where it has to sit hotter for long, air ages crystallised polylactide too: none is offered.
    const long = (steadyC: number) =>
      fixes(loaded(2, { heat: { steadyC, steadyH: 20_000 } }), pla).map(({ kind }) => kind);
    expect(long(55)).toContain('anneal');
    expect(long(95)).not.toContain('anneal');
  });

  test('a fibre grade on a brass nozzle: a hardened one, with its price, and nothing to write into the brief', () => {
    const filled = {
      ...testGrade,
      familyId: 'petg',
      reinforcementId: 'carbon-10',
      process: { abrasive: true, minimumNozzleMm: 0.4 },
    };
    const found = fixes(loaded(5), filled, machines).filter(({ kind }) => kind === 'upgrade');
    expect(found.map(({ title }) => title)).toContain('Bare frame: fit a hardened nozzle');
    for (const one of found) {
      expect(one.outsideBrief).toBe(true);
      expect(one.takes).toMatch(/USD for the machine/);
      expect(one.brief).toEqual(loaded(5));
    }
  });

  test('no upgrade is offered where the machine is not in the way', () =>
    expect(fixes(loaded(32), testGrade).map(({ kind }) => kind)).not.toContain('upgrade'));
});
