import fc from 'fast-check';
import type { Brief, BuildOrientation, LoadCase, LoadKind, PartGeometry } from '@anvilstone/schema';
import { evaluate } from '../evaluation/evaluating/evaluate.ts';
import { partModels } from '../shapes/parts/index.ts';
import { sampleLibrary } from '../education/sample/index.ts';
import { caseChecks } from './engine/caseChecks.ts';
import { testBrief, testLoad } from './testContext.ts';

/** Laws that hold for every part model, kind of load, grade and build orientation, whatever the numbers. */
const grades = sampleLibrary.grades.filter((grade) => grade.id !== 'vp-unlisted');
const SIZES = { forceN: 40, torqueNmm: 300, pressureMPa: 0.02, displacementMm: 0.4, angleDeg: 30 } as const;
const { forceN: _none, ...bareLoad } = testLoad;

interface Case {
  part: PartGeometry;
  kind: LoadKind;
  gradeId: string;
  orientation: BuildOrientation;
  size: number;
  durationH: number;
  temperatureC: number;
}
const cases: fc.Arbitrary<Case> = fc.constantFrom(...partModels).chain((model) =>
  fc.record({
    part: fc.constant(model.start),
    kind: fc.constantFrom(...(Object.keys(model.takes(model.start)) as LoadKind[])),
    gradeId: fc.constantFrom(...grades.map((grade) => grade.id)),
    orientation: fc.constantFrom<BuildOrientation>('XY', 'XZ', 'ZX'),
    size: fc.double({ min: 0.05, max: 5, noNaN: true }),
    durationH: fc.double({ min: 0.01, max: 20000, noNaN: true }),
    temperatureC: fc.double({ min: -30, max: 90, noNaN: true }),
  }),
);

function briefOf({ part, kind, size, durationH, temperatureC }: Case): Brief {
  const model = partModels.find((one) => one.id === part.model)!;
  const field = model.takes(part)[kind]!;
  const load: LoadCase = {
    ...bareLoad,
    kind,
    durationH,
    temperatureC,
    ...(field === 'knock' ? { energyJ: 0.2 * size } : { [field]: SIZES[field] * size }),
    ...(kind === 'repeated' ? { cycles: 1e5, stressRatio: 0 } : {}),
    ...(kind === 'held' ? { minHoldN: 1 } : { maxDeflectionMm: 3, maxSagMm: 4, maxLeftMm: 1 }),
  };
  return { ...testBrief, part, loadCases: [load] };
}
function reservesOf(input: Case): Map<string, number | null> {
  const library = { ...sampleLibrary, grades: grades.filter((grade) => grade.id === input.gradeId) };
  const { checks } = evaluate(briefOf(input), library, { orientations: [input.orientation] }).grades[0]!.best;
  return new Map(checks.map((check) => [check.checkId, check.reserve]));
}

const IDS = caseChecks.map((check) => check.id);
const SOFTENING = caseChecks.filter((check) => check.limitsHeat).map((check) => check.id);
const factor = fc.double({ min: 1.01, max: 2, noNaN: true });

/** No reserve of these checks is larger after the change than before it, bits of rounding aside. */
function neverRaises(
  change: (input: Case, by: number) => Case,
  ids: readonly string[] = IDS,
  only: (input: Case) => boolean = () => true,
): void {
  fc.assert(
    fc.property(cases.filter(only), factor, (input, by) => {
      const before = reservesOf(input);
      const after = reservesOf(change(input, by));
      for (const id of ids) {
        const [b, a] = [before.get(id) ?? null, after.get(id) ?? null];
        if (b === null || a === null) expect([input.part.model, id, a]).toEqual([input.part.model, id, b]);
        else expect([input.part.model, id, a <= b * (1 + 1e-9)]).toEqual([input.part.model, id, true]);
      }
    }),
    { numRuns: 150, seed: 23 },
  );
}

// A spring bent further pushes harder, and a tighter bolt holds longer: the held force is the one exception.
const NOT_HELD = IDS.filter((id) => id !== 'holding-force');
test('more load, movement or energy never raises a reserve', () =>
  neverRaises((input, by) => ({ ...input, size: input.size * by }), NOT_HELD));
test('and more of it never lowers the force that is still held', () =>
  fc.assert(
    fc.property(
      cases.filter((one) => one.kind === 'held'),
      factor,
      (input, by) => {
        const before = reservesOf(input).get('holding-force');
        const after = reservesOf({ ...input, size: input.size * by }).get('holding-force');
        if (before && after) expect(after).toBeGreaterThanOrEqual(before * (1 - 1e-9));
      },
    ),
    { numRuns: 60, seed: 5 },
  ));
test('longer never raises a reserve', () =>
  // What stays after a load has gone grows with its time too: all laws of creep and static fatigue are monotone.
  neverRaises((input, by) => ({ ...input, durationH: input.durationH * by })));
test('hotter never raises one that heat takes away from', () =>
  // Forced movements are left out: a softer spring is stressed less. So are knocks, where softness and toughness help.
  neverRaises(
    (input, by) => ({ ...input, temperatureC: input.temperatureC + 20 * (by - 1) }),
    SOFTENING,
    ({ kind }) => kind !== 'knock',
  ));

/** The dimension along which each model is made thicker. */
const THICKER: {
  [M in PartGeometry['model']]?: (part: Extract<PartGeometry, { model: M }>, by: number) => PartGeometry;
} = {
  'cantilever-arm': (part, by) => ({ ...part, section: { kind: 'rectangle', widthMm: 16 * by, depthMm: 20 } }),
  beam: (part, by) => ({ ...part, section: { kind: 'rectangle', widthMm: 20 * by, depthMm: 8 } }),
  strut: (part, by) => ({ ...part, section: { kind: 'rectangle', widthMm: 14 * by, depthMm: 10 * by } }),
  'pinned-lug': (part, by) => ({ ...part, thicknessMm: part.thicknessMm * by }),
  // Both: in a stiff frame the member that is made stiffer draws moment onto itself.
  'wall-bracket': ({ tie, strut, ...part }, by) => ({
    ...part,
    tie: { ...tie, widthMm: tie.widthMm * by },
    strut: { ...strut, widthMm: strut.widthMm * by },
  }),
  ring: (part, by) => ({ ...part, wallMm: part.wallMm * by }),
  plate: (part, by) => ({ ...part, thicknessMm: part.thicknessMm * by }),
  'torsion-shaft': (part, by) => ({ ...part, section: { kind: 'round', diameterMm: 12 * by } }),
  'gear-tooth': (part, by) => ({ ...part, faceWidthMm: part.faceWidthMm * by }),
};
test('thicker never lowers a strength, stability, fatigue or movement reserve under a given load', () =>
  fc.assert(
    fc.property(
      cases.filter(({ part, kind }) => part.model in THICKER && (kind === 'lasting' || kind === 'repeated')),
      factor,
      (input, by) => {
        const thicken = THICKER[input.part.model] as (part: PartGeometry, by: number) => PartGeometry;
        const before = reservesOf({ ...input, part: thicken(input.part, 1) });
        const after = reservesOf({ ...input, part: thicken(input.part, by) });
        for (const id of SOFTENING) {
          const [b, a] = [before.get(id) ?? null, after.get(id) ?? null];
          if (b === null || a === null) expect(a).toBe(b);
          else expect([input.part.model, id, a >= b * (1 - 1e-9)]).toEqual([input.part.model, id, true]);
        }
      },
    ),
    { numRuns: 120, seed: 31 },
  ));

test('every reserve of every model is a finite number, or is said to be unknown or not loaded', () =>
  fc.assert(
    fc.property(cases, (input) => {
      const library = { ...sampleLibrary, grades: grades.filter((grade) => grade.id === input.gradeId) };
      const { checks } = evaluate(briefOf(input), library, { orientations: [input.orientation] }).grades[0]!.best;
      for (const check of checks) {
        if (check.reserve !== null)
          expect([check.checkId, Number.isFinite(check.reserve)]).toEqual([check.checkId, true]);
        else expect([check.checkId, check.status]).not.toEqual([check.checkId, undefined]);
        if (check.status === 'pass' && check.reserve !== null) expect(check.reserve).toBeGreaterThanOrEqual(1);
        if (check.status === 'unknown') expect(check.gaps.length).toBeGreaterThan(0);
      }
    }),
    { numRuns: 200, seed: 3 },
  ));
