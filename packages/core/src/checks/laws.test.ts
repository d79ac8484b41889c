import fc from 'fast-check';
import type { Brief, BuildOrientation } from '@anvilstone/schema';
import { evaluate } from '../evaluation/evaluating/evaluate.ts';
import { sampleLibrary } from '../education/sample/index.ts';
import { testBrief, testLoad } from './testContext.ts';

/** Laws that hold for every grade, orientation and brief of the arm, whatever the numbers. */
const arm = fc.record({
  spanMm: fc.double({ min: 20, max: 400, noNaN: true }),
  widthMm: fc.double({ min: 4, max: 60, noNaN: true }),
  depthMm: fc.double({ min: 4, max: 60, noNaN: true }),
  forceN: fc.double({ min: 0.5, max: 200, noNaN: true }),
  durationH: fc.double({ min: 0.01, max: 20000, noNaN: true }),
  temperatureC: fc.double({ min: -40, max: 120, noNaN: true }),
});
type Arm = typeof arm extends fc.Arbitrary<infer T> ? T : never;

const briefOf = ({ spanMm, widthMm, depthMm, forceN, durationH, temperatureC }: Arm): Brief => ({
  ...testBrief,
  part: { model: 'cantilever-arm', spanMm, section: { kind: 'rectangle', widthMm, depthMm }, filletRadiusMm: 1 },
  loadCases: [{ ...testLoad, forceN, durationH, temperatureC, maxDeflectionMm: 3, maxSagMm: 4 }],
});
const grades = sampleLibrary.grades.filter((grade) => grade.id !== 'vp-unlisted');
const reserves = (input: Arm, gradeId: string, orientation: BuildOrientation) => {
  const library = { ...sampleLibrary, grades: grades.filter((grade) => grade.id === gradeId) };
  const { checks } = evaluate(briefOf(input), library, { orientations: [orientation] }).grades[0]!.best;
  return new Map(checks.map((check) => [check.checkId, check.reserve]));
};
const anyGrade = fc.constantFrom(...grades.map((grade) => grade.id));
const anyWay = fc.constantFrom<BuildOrientation>('XY', 'XZ', 'ZX');
const LOADED = ['strength-in-plane', 'strength-across-layers', 'deflection-at-load', 'sag-after-duration'];

/** Asserts that no loaded reserve is larger after the change than before it, bits of rounding aside. */
function neverRaises(change: (input: Arm, factor: number) => Arm): void {
  fc.assert(
    fc.property(
      arm,
      anyGrade,
      anyWay,
      fc.double({ min: 1.01, max: 2, noNaN: true }),
      (input, gradeId, orientation, factor) => {
        const before = reserves(input, gradeId, orientation);
        const after = reserves(change(input, factor), gradeId, orientation);
        for (const id of LOADED) {
          const [b, a] = [before.get(id) ?? null, after.get(id) ?? null];
          if (b === null || a === null) expect(a).toBe(b);
          else expect(a).toBeLessThanOrEqual(b * (1 + 1e-9));
        }
      },
    ),
    { numRuns: 60, seed: 7 },
  );
}

test('more force never raises a reserve', () =>
  neverRaises((input, factor) => ({ ...input, forceN: input.forceN * factor })));
test('a longer arm never raises a reserve', () =>
  neverRaises((input, factor) => ({ ...input, spanMm: input.spanMm * factor })));
test('a longer time never raises a reserve', () =>
  neverRaises((input, factor) => ({ ...input, durationH: input.durationH * factor })));
test('more heat never raises one of these reserves', () =>
  neverRaises((input, factor) => ({ ...input, temperatureC: input.temperatureC + 20 * (factor - 1) })));
test('a thinner arm never raises a reserve', () =>
  neverRaises((input, factor) => ({ ...input, widthMm: input.widthMm / factor })));

test('reserves of strength are inversely proportional to the force', () =>
  fc.assert(
    fc.property(arm, anyGrade, anyWay, (input, gradeId, orientation) => {
      const once = reserves(input, gradeId, orientation);
      const twice = reserves({ ...input, forceN: 2 * input.forceN }, gradeId, orientation);
      for (const id of LOADED) {
        const [one, two] = [once.get(id), twice.get(id)];
        if (one) expect(two! / one).toBeCloseTo(0.5, 9);
      }
    }),
    { numRuns: 40, seed: 11 },
  ));
