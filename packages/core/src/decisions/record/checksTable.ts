import { inWords, joined } from '@anvilstone/core/foundations';
import type { CheckResult, EvaluationEntry } from '@anvilstone/schema';
import { findCheck } from '@anvilstone/core/checks';
import type { UnitSystem } from '@anvilstone/core/foundations';
import type { RecordBlock } from './recordBlock.ts';
import { amountWords, checkTitle } from './documentRows.ts';

/** Every check of what was chosen: what is required, what there is of it, and how much is left. */
export const checksTable = (entry: EvaluationEntry, units: UnitSystem): RecordBlock => ({
  kind: 'table',
  head: ['Check', 'Required', 'Available', 'Reserve', 'Evidence', 'Remark'],
  wide: 5,
  governs: entry.checks.findIndex(({ checkId }) => checkId === entry.governingCheckId),
  rows: entry.checks.map((check) => [
    checkTitle(check.checkId),
    ...requiredAndAvailable(check, units),
    { reserve: check.reserve, status: check.status },
    check.evidence ?? 'none',
    inWords(joined([...(check.reason ? [check.reason] : []), ...check.gaps], '; '), units),
  ]),
});

/** Of a limit, such as of mass or movement, its capacity is what is required and its demand what the part comes to. */
function requiredAndAvailable({ checkId, demand, capacity, unit }: CheckResult, units: UnitSystem): [string, string] {
  const [does, may] = [amountWords(demand, unit, units), amountWords(capacity, unit, units)];
  if (!findCheck(checkId)?.isLimit) return [does, may];
  return [capacity === null ? may : `at most ${may}`, does];
}
