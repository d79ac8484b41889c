import type { Brief, GradeEvaluation } from '@anvilstone/schema';
import { useMemo } from 'react';
import { useAnswers } from '../../../workers/useAnswers.ts';
import type { Workshop } from '../../../workers/workshop.ts';

/** Every check of the grades in sight. Those seen a moment ago are there at once when one scrolls back. */
export function useEvaluated(
  brief: Brief,
  library: Workshop,
  ids: readonly string[],
): ReadonlyMap<string, GradeEvaluation> {
  const key = ids.join(' ');
  const all = useMemo(
    () =>
      key
        .split(' ')
        .filter(Boolean)
        .map((id): [Brief, string[]] => [brief, [id]]),
    [brief, key],
  );
  const rows = useAnswers(library, 'evaluateGrades', all);
  return useMemo(
    () => new Map(rows.flatMap((one) => (one?.value ?? []).map((found) => [found.gradeId, found] as const))),
    [rows],
  );
}
