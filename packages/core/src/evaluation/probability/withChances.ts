import type { Brief, EvaluationResult, GradeEvaluation, CompanyRules, Library } from '@anvilstone/schema';
import { defaultCompanyRules } from '@anvilstone/core/materials';
import { chanceOfMeetingAll } from './chance.ts';

export interface ChancesAsked {
  /** @default 1 */
  seed?: number;
  /** @default 10000 */
  draws?: number;
}

/**
 * A result with the chance of each grade's best entry in it; null where a check is not known. All grades have the same luck.
 * @throws InputError when the brief cannot be evaluated
 */
export function withChances(
  brief: Brief,
  library: Library,
  result: EvaluationResult,
  { seed = 1, draws = 10000 }: ChancesAsked,
  rules: CompanyRules = defaultCompanyRules,
): EvaluationResult {
  const byId = new Map(library.grades.map((grade) => [grade.id, grade]));
  const grades = result.grades.map((evaluation): GradeEvaluation => {
    const { gradeId, best } = evaluation;
    const grade = byId.get(gradeId);
    const found = grade && chanceOfMeetingAll(brief, library, grade, best.orientation, { rules, seed, draws });
    const chance = found
      ? { seed, draws, all: found.all, low: found.low, high: found.high, byCheck: [...found.byCheck] }
      : null;
    return { ...evaluation, best: { ...best, chance } };
  });
  return { ...result, grades };
}
