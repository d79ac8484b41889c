import type { Brief, EvaluationEntry, CompanyRules, Library } from '@anvilstone/schema';
import { evaluateGrade, prepareJob } from '../evaluating/evaluate.ts';
import { InputError } from '@anvilstone/core/foundations';
import {
  foamAt,
  foamCurveOf,
  foamOf,
  resolve,
  findFamily,
  completeRules,
  defaultCompanyRules,
} from '@anvilstone/core/materials';

/** A foaming grade at one nozzle temperature, and what comes of the part in it. */
export interface Foaming {
  nozzleC: number;
  densityGPerCm3: number;
  shoreA: number;
  /** What to feed of what the same lines would take unfoamed, 0 … 1. */
  flowShare: number;
  /** Its stated values were taken at about this nozzle temperature. */
  stated: boolean;
  entry: EvaluationEntry;
}

const STEP_C = 10;

/**
 * A foaming grade from the coolest to the hottest nozzle temperature of its curve, with the one that the brief sets and the one
 * that its stated values belong to. Undefined: it does not foam.
 * @throws InputError when the library has no such grade, or as evaluate does
 */
export function compareFoams(
  brief: Brief,
  library: Library,
  gradeId: string,
  rules: CompanyRules = defaultCompanyRules,
): Foaming[] | undefined {
  const grade = library.grades.find(({ id }) => id === gradeId);
  if (!grade) throw new InputError('gradeId', gradeId, 'a grade of the library');
  const curve = foamCurveOf(grade, findFamily(grade.familyId));
  if (!curve) return undefined;
  const density = resolve(
    grade,
    'density',
    { direction: 'in-plane', conditioning: brief.moisture },
    completeRules(rules),
  );
  const statedDensity = density.known ? density.value : undefined;
  const [low, high] = [Math.min(...curve.map((one) => one.nozzleC)), Math.max(...curve.map((one) => one.nozzleC))];
  const statedC = Math.round(foamOf(curve, statedDensity, low)!.statedNozzleC);
  const even = Array.from({ length: Math.floor((high - low) / STEP_C) + 1 }, (_, i) => low + i * STEP_C);
  const set = brief.foamNozzleC;
  const asked = set !== undefined && set >= low && set <= high ? [set] : [];
  return [...new Set([...even, high, statedC, ...asked])]
    .sort((a, b) => a - b)
    .map((nozzleC) => {
      const job = prepareJob({ ...brief, foamNozzleC: nozzleC }, { ...library, grades: [] }, { rules });
      return {
        nozzleC,
        ...foamAt(curve, nozzleC)!,
        flowShare: foamOf(curve, statedDensity, nozzleC)!.flowShare,
        stated: nozzleC === statedC,
        entry: evaluateGrade(job, grade).best,
      };
    });
}
