import type { EvaluationEntry, Statement } from '@anvilstone/schema';
import { findCheck } from '@anvilstone/core/checks';
import { formatReserve, distinct } from '@anvilstone/core/foundations';

/** Why a grade does not pass, worst first: one sentence for each failed or unknown check. */
export function rejectionReasons(entry: EvaluationEntry): Statement[] {
  const failed = entry.checks
    .filter((check) => check.status === 'fail')
    .sort((a, b) => (a.reserve ?? -1) - (b.reserve ?? -1));
  const unknown = entry.checks.filter((check) => check.status === 'unknown');
  return [
    ...failed.map((check) => {
      const title = findCheck(check.checkId)?.title ?? check.checkId;
      if (check.reserve === null) return check.reason ?? title;
      const percent = Math.max(1, Math.round((1 - check.reserve) * 100));
      return `${title} ${formatReserve(check.reserve)}: ${percent} % short`;
    }),
    ...distinct(unknown.flatMap((check) => check.gaps)),
  ];
}
