import { testBrief, testContext, testGrade } from '../../checks/testContext.ts';
import { layerStressesOf } from '../../checks/engine/layerStress.ts';
import { boxOf } from '../../machines/fit/boxOnBed.ts';
import { BUILT_UP, type Direction } from '../../shapes/parts/direction.ts';
import { sampleLibrary } from '../../education/sample/index.ts';
import { evaluateGrade, prepareJob } from '../evaluating/evaluate.ts';
import { evaluateTilted, tiltOf } from './tilt.ts';

const library = { ...sampleLibrary, grades: [testGrade] };
const brief = { ...testBrief, loadCases: [{ ...testBrief.loadCases[0]!, maxDeflectionMm: 3 }] };
const job = prepareJob(brief, library);
const reserves = (entry: { checks: readonly { checkId: string; reserve: number | null }[] }) =>
  Object.fromEntries(entry.checks.map(({ checkId, reserve }) => [checkId, reserve]));

test.each(['XY', 'XZ', 'ZX'] as const)('a tilt onto %s is that orientation, number for number', (orientation) => {
  const straight = evaluateGrade(job, testGrade).entries.find((one) => one.orientation === orientation)!;
  expect(evaluateTilted(job, testGrade, BUILT_UP[orientation])).toEqual(straight);
});

test('by hand at 45° between flat and upright: Tsai–Hill across the layers', () => {
  const tilted = evaluateTilted(job, testGrade, tiltOf({ towards: 'ZX', degrees: 45 }));
  // σ = 1.3552 · 10·100·5/1666.67 = 4.0656 MPa, SF 2; σxy 40, σz 24, τ = 0.5·40·√0.6 = 15.492 MPa.
  const [sxy, sz] = [40, 24];
  const tau = 0.5 * sxy * Math.sqrt(sz / sxy);
  const strength = 1 / Math.sqrt(0.25 / sxy ** 2 + (1 / tau ** 2 - 1 / sxy ** 2) * 0.25 + 0.25 / sz ** 2);
  const across = tilted.checks.find(({ checkId }) => checkId === 'strength-across-layers')!;
  const straight = testContext(brief, 'ZX').layerStresses[0]!.across.find(({ mode }) => mode === 'pull-apart')!;
  expect(across.demand).toBeCloseTo(straight.stressPerUnit * 10, 6);
  const upright = evaluateTilted(job, testGrade, BUILT_UP.ZX).checks.find(
    ({ checkId }) => checkId === 'strength-across-layers',
  )!;
  expect(across.capacity! / upright.capacity!).toBeCloseTo(strength / sz, 6);
});

test('reserves change without a jump as it tilts', () => {
  let before: number | undefined;
  for (let degrees = 2; degrees <= 88; degrees += 1) {
    const reserve = reserves(evaluateTilted(job, testGrade, tiltOf({ towards: 'ZX', degrees })))[
      'strength-across-layers'
    ]!;
    if (before !== undefined) expect(Math.abs(Math.log(reserve / before))).toBeLessThan(0.25);
    before = reserve;
  }
});

test('shear slides tilted layers by its share, and pulls them apart at 45°', () => {
  const shear = {
    id: 's',
    title: 's',
    direction: [1, 0, 0] as Direction,
    tensionPerUnit: 0,
    compressionPerUnit: 0,
    shearPerUnit: 1,
    shearPlanes: ['length', 'depth'] as const,
    concentration: 1,
    lines: [],
  };
  const response = {
    places: [shear],
    complianceTerms: [],
    shear: undefined,
    buckling: [],
    seriesPerUnit: 0,
    shearForcePerUnit: 1,
    tearAreaMm2: 1,
  };
  const at = (degrees: number) => layerStressesOf(response, tiltOf({ towards: 'ZX', degrees }));
  expect(at(0).across).toEqual([expect.objectContaining({ mode: 'slide', stressPerUnit: 1 })]);
  const askew = at(45).across;
  const pulled = askew.find(({ mode }) => mode === 'pull-apart')!;
  expect(pulled.stressPerUnit).toBe(1);
  expect(pulled.angleDeg).toBeCloseTo(90, 4);
  // Square to both planes the shear lies within the layers.
  expect(layerStressesOf(response, BUILT_UP.XZ).across).toEqual([]);
});

test('the box on the bed: 100 × 20 × 10 tilted by 45° stands (100 + 10)/√2 high', () => {
  const extent = { length: 100, depth: 10, width: 20 };
  const box = boxOf(extent, tiltOf({ towards: 'ZX', degrees: 45 }));
  expect(box.heightMm).toBeCloseTo(110 / Math.SQRT2, 9);
  expect(box.longMm).toBeCloseTo(110 / Math.SQRT2, 9);
  expect(box.shortMm).toBeCloseTo(20, 9);
  expect(boxOf(extent, BUILT_UP.XY)).toEqual({ heightMm: 10, longMm: 100, shortMm: 20 });
});

test.each([
  [-1, 'ZX'],
  [91, 'XZ'],
  [Number.NaN, 'ZX'],
] as const)('a tilt of %d° towards %s is refused', (degrees, towards) =>
  expect(() => tiltOf({ towards, degrees })).toThrow(/degrees/),
);
