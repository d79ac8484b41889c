/** Any brief, over all part models: answers that nobody would sign are hunted by drawing briefs and grades with a seed. */
import fc from 'fast-check';
import type { Brief, Grade, LoadCase } from '@anvilstone/schema';
import { evaluate } from '../evaluation/evaluate.ts';
import { prepareMaterial } from '../materials/material.ts';
import { partBody, partModels } from '../parts/models.ts';
import { withKind } from '../parts/fitLoads.ts';
import { families } from '../reference/family.ts';
import { defaultHouseRules } from '../rules/houseRules.ts';
import { sampleLibrary } from '../sample/index.ts';
import { testBrief, testGrade, testLoad } from './testContext.ts';

const plastics = families.filter(({ morphology }) => morphology !== 'support');
const FILLERS = [null, 'glass-30', 'carbon-15', 'mineral-20'] as const;

const drawn = fc.record({
  model: fc.constantFrom(...partModels),
  familyId: fc.constantFrom(...plastics.map(({ id }) => id)),
  filler: fc.constantFrom(...FILLERS),
  temperatureC: fc.integer({ min: -40, max: 160 }),
  durationH: fc.constantFrom<number>(0.1, 3, 100, 5000, 50_000),
  size: fc.double({ min: 0.05, max: 20, noNaN: true }),
  moisture: fc.constantFrom('dry' as const, 'conditioned' as const, 'wet' as const),
  annealed: fc.boolean(),
});
type Drawn = typeof drawn extends fc.Arbitrary<infer T> ? T : never;

const gradeOf = ({ familyId, filler }: Drawn): Grade => ({
  ...testGrade,
  id: 'drawn',
  familyId,
  reinforcementId: filler,
  observations: [],
});

function briefOf({ model, temperatureC, durationH, size, moisture, annealed }: Drawn): Brief {
  const [kind, how] = Object.entries(model.takes(model.start as never))[0] as [NonNullable<LoadCase['kind']>, string];
  const { forceN: _none, ...bare } = testLoad;
  const load = withKind({ ...bare, temperatureC, durationH } as LoadCase, kind, how as never);
  const amount = load[how as 'forceN'];
  return {
    ...testBrief,
    moisture,
    ...(annealed ? { annealed } : {}),
    part: model.start,
    loadCases: [{ ...load, durationH, ...(amount === undefined ? {} : { [how]: amount * size }) }],
    asks: { heat: { steadyC: Math.max(-40, temperatureC), steadyH: Math.max(1, durationH) } },
  };
}
const bestOf = (brief: Brief, grade: Grade) => evaluate(brief, { ...sampleLibrary, grades: [grade] }).grades[0]!.best;
const assertFor = (law: (one: Drawn) => void, numRuns = 250) =>
  fc.assert(fc.property(drawn, law), { numRuns, seed: 20_261_201 });

test('nothing passes above its form limit, whatever it carries and whatever is done to it', () => {
  let passed = 0;
  assertFor((one) => {
    const brief = briefOf(one);
    const best = bestOf(brief, gradeOf(one));
    const { form } = prepareMaterial(gradeOf(one), one.moisture, defaultHouseRules, false, {
      annealed: one.annealed,
    }).behaviour!;
    if (best.status === 'pass') passed += 1;
    if (brief.asks.heat!.steadyC! > form.peakC) expect(best.status).not.toBe('pass');
  });
  // Enough of them do pass somewhere, or the law would say nothing.
  expect(passed).toBeGreaterThan(10);
});

test('no movement is told beyond what the formulas hold to, and every number is one', () =>
  assertFor((one) => {
    const rangeMm = partBody(one.model.start).movementRangeMm ?? Infinity;
    for (const check of bestOf(briefOf(one), gradeOf(one)).checks) {
      for (const number of [check.demand, check.capacity, check.reserve])
        if (number !== null) expect(Number.isFinite(number)).toBe(true);
      if (check.reserve !== null) expect(check.reserve).toBeGreaterThanOrEqual(0);
      if (check.unit === 'mm' && /deflection|sag|movement/.test(check.checkId) && check.demand !== null)
        expect(check.demand).toBeLessThanOrEqual(rangeMm * (1 + 1e-9));
      if (check.status === 'unknown') expect(check.gaps.length).toBeGreaterThan(0);
    }
  }));

test('hotter and longer never help: the own heat limit falls with time', () =>
  assertFor((one) => {
    const limitAt = (durationH: number) => bestOf(briefOf({ ...one, durationH }), gradeOf(one)).ownHeatLimitC;
    const [short, long] = [limitAt(1), limitAt(10_000)];
    if (short !== null && long !== null) expect(long).toBeLessThanOrEqual(short + 0.1);
  }, 120));

test('asked twice, it answers the same', () =>
  assertFor((one) => expect(bestOf(briefOf(one), gradeOf(one))).toEqual(bestOf(briefOf(one), gradeOf(one))), 60));
