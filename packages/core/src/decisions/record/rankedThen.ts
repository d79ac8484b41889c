import type { Decision, GradeEvaluation } from '@anvilstone/schema';
import { rank, typicalReserveOf } from '@anvilstone/core/evaluation';
import { defaultCompanyRules } from '@anvilstone/core/materials';

/** The candidates of a decision in the order of that day, as sure as was asked then. Of those that were not drawn none was sure. */
export function rankedThen(
  { result, grounds, rules }: Pick<Decision, 'result' | 'grounds' | 'rules'>,
  schoolId: string,
): GradeEvaluation[] {
  const least = grounds?.leastChance;
  if (least === undefined) return rank(result.grades, schoolId);
  const known = result.grades.map((one) => {
    const typicalReserve = typicalReserveOf(one.best);
    return typicalReserve === undefined ? one : { ...one, typicalReserve };
  });
  const chances = new Map(
    result.grades.flatMap(({ gradeId, entries }) =>
      entries.flatMap(({ orientation, chance }) => (chance ? [[`${gradeId} ${orientation}`, chance] as const] : [])),
    ),
  );
  const { typicalReserve = defaultCompanyRules.typicalReserve } = rules;
  return rank(known, schoolId, { confidence: { least, typicalReserve, chances } });
}
