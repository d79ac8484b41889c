import type { EvaluationEntry } from '@anvilstone/schema';

/** What ranking reads of a grade: its best entry without the checks. */
export interface RankedCandidate {
  gradeId: string;
  best: Omit<EvaluationEntry, 'checks'>;
  /** Share of its checks that are decided on own or printed evidence (classes A and B), 0 to 1. */
  ownEvidenceShare?: number;
  /** Its minimum reserve among checks that rest on typical values alone, limits of mass and cost aside; absent: none does. */
  typicalReserve?: number;
}
