import type { Statement } from '@anvilstone/schema';
/** What anybody in the field knows, and how the engine is asked for it. */
export interface KnownOutcome {
  id: string;
  area: OutcomeArea;
  fact: string;
  /** Where it stands: a handbook, a standard, or common knowledge of workshops. */
  source: string;
  ask(): Answer;
}

export const OUTCOME_AREAS = [
  'Heat and shape',
  'State of the material',
  'Time and load',
  'Cold and knocks',
  'Layers and notches',
  'Surroundings',
  'Claims and charge',
  'Rubbing and growing',
] as const;
export type OutcomeArea = (typeof OUTCOME_AREAS)[number];

/** Whether the engine says the same, and what it says. */
export interface Answer {
  hit: boolean;
  says: Statement;
}
