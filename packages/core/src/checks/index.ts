import { overLoadCases } from './caseCheck.ts';
import { caseChecks } from './caseChecks.ts';
import type { Check } from './check.ts';
import { heatPeak, heatSteady } from './heatChecks.ts';
import { costLimit, massLimit } from './limits.ts';
import { printable } from './printable.ts';

/** Every check, in the order shown. The next one is one module and one line here. */
export const checks: readonly Check[] = [
  ...caseChecks.map(overLoadCases),
  heatSteady,
  heatPeak,
  massLimit,
  costLimit,
  printable,
];

const byId = new Map(checks.map((check) => [check.id, check]));

/** Undefined when there is no check of that id, for example one of a newer version. */
export function findCheck(id: string): Check | undefined {
  return byId.get(id);
}

export type { Check, CheckContext, CheckOutcome } from './check.ts';
export { temperatureReserve } from './heatChecks.ts';
export { hotLoadCases, ownHeatLimit } from './ownHeatLimit.ts';
