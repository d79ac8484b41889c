import type { CheckResult } from '@anvilstone/schema';

/** What a check returns; whoever shows it makes the sentence. The runner fills in the check's id. */
export type CheckOutcome = Omit<CheckResult, 'working'>;
