import type { Brief, BuildOrientation, GeometryOf, Grade, LoadCase, Observation } from '@anvilstone/schema';
import { contextFor, materialFor, prepareBrief } from '../evaluation/context.ts';
import { defaultHouseRules } from '../evaluation/houseRules.ts';
import { sampleLibrary } from '../sample/index.ts';
import type { CheckContext } from './check.ts';

/** 20 × 10 mm (10 along the load), 100 mm, fillet 3 mm: I = 1666.67 mm⁴, Kt = 0.9072·0.3^−0.33333 = 1.3552. Used by tests only. */
export const testLoad: LoadCase = {
  id: 'load',
  name: 'Load',
  forceN: 10,
  durationH: 1 / 60,
  temperatureC: 23,
  safetyFactor: 2,
  actsWhenHot: true,
};

export const testBrief: Brief & { part: GeometryOf<'cantilever-arm'> } = {
  title: 'Test arm',
  purpose: '',
  failureCouldHurt: 'no',
  moisture: 'dry',
  part: {
    model: 'cantilever-arm',
    spanMm: 100,
    section: { kind: 'rectangle', widthMm: 20, depthMm: 10 },
    filletRadiusMm: 3,
  },
  loadCases: [testLoad],
  asks: {},
};

const bench = (
  id: string,
  property: Observation['property'],
  value: number,
  orientation: 'XY' | 'ZX',
): Observation => ({
  id,
  property,
  value,
  unit: 'MPa',
  count: 5,
  source: 'bench',
  specimen: 'printed',
  orientation,
  conditioning: 'dry',
  reference: 'test bench',
});

/** An ABS of round numbers: 2000 / 1800 MPa, 40 / 24 MPa, own bench, so that nothing is knocked down. */
export const testGrade: Grade = {
  id: 'round-abs',
  name: 'Round ABS',
  maker: 'Test',
  familyId: 'abs',
  reinforcementId: null,
  colours: [],
  pricePerKgUsd: 30,
  process: {},
  observations: [
    bench('e-xy', 'tensileModulus', 2000, 'XY'),
    bench('e-zx', 'tensileModulus', 1800, 'ZX'),
    bench('s-xy', 'tensileStrength', 40, 'XY'),
    bench('s-zx', 'tensileStrength', 24, 'ZX'),
    { id: 'rho', property: 'density', value: 1.04, unit: 'g/cm³', source: 'datasheet', reference: 'sheet' },
  ],
  sampleData: true,
};

export function testContext(
  brief: Brief = testBrief,
  orientation: BuildOrientation = 'XY',
  grade: Grade = testGrade,
): CheckContext {
  const prepared = prepareBrief(brief, sampleLibrary.machines, defaultHouseRules);
  return contextFor(prepared, materialFor(prepared, grade, true), orientation);
}
