import type { EvaluationResult } from '@anvilstone/schema';

export interface FunnelStep {
  checkId: string;
  /** Grades with an orientation that passes this check and all before it. */
  remaining: number;
  removed: number;
}

/** How many grades still stand after each check, in the order the checks are listed; unknown does not stand. */
export function funnel(result: EvaluationResult): FunnelStep[] {
  let before = result.grades.length;
  return result.checkIds.map((checkId, upTo) => {
    const remaining = result.grades.filter((grade) =>
      grade.entries.some((entry) =>
        entry.checks.slice(0, upTo + 1).every((check) => check.status === 'pass' || check.status === 'not-loaded'),
      ),
    ).length;
    const removed = before - remaining;
    before = remaining;
    return { checkId, remaining, removed };
  });
}
