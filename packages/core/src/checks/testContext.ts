import type {
  Brief,
  BuildOrientation,
  GeometryOf,
  Grade,
  CompanyRules,
  LoadCase,
  Observation,
  PartGeometry,
} from '@anvilstone/schema';
import { contextFor, materialFor, prepareBrief } from '../evaluation/evaluating/context.ts';
import { defaultCompanyRules } from '../materials/companyRules/companyRules.ts';
import { findFamily } from '../materials/reference/family.ts';
import { sampleLibrary } from '../education/sample/index.ts';
import type { CheckContext } from './engine/check.ts';
import { findCheck } from './index.ts';

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
  rules: CompanyRules = defaultCompanyRules,
): CheckContext {
  const prepared = prepareBrief(brief, sampleLibrary, rules);
  return contextFor(prepared, materialFor(prepared, grade, true), orientation);
}

/** ABS: yields at 2.3 %, breaks at 7 %; fatigue shares 0.2 and 0.17; brittle below −25 °C; rate sensitivity medium. */
export const abs = findFamily('abs')!;

/** The test brief with another load, which says its own size, on the arm or on another part. */
export function briefWith(
  load: Partial<LoadCase>,
  part: PartGeometry = testBrief.part,
  asks: Brief['asks'] = {},
): Brief {
  const { forceN: _force, ...rest } = testLoad;
  return { ...testBrief, part, loadCases: [{ ...rest, ...load }], asks };
}

export const outcome = (id: string, brief: Brief, orientation: BuildOrientation = 'XZ', grade: Grade = testGrade) =>
  findCheck(id)!.evaluate(testContext(brief, orientation, grade));

export const applies = (id: string, brief: Brief) => findCheck(id)!.applies(testContext(brief).part);

/** Movement per unit of the action of its only load, mm/N or what its model says. */
export function giveOf(brief: Brief, orientation: BuildOrientation = 'XZ'): number {
  const compliance = testContext(brief, orientation).compliances[0]!;
  return compliance.known ? compliance.perUnit : Number.NaN;
}
