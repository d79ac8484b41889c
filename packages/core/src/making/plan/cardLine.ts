import type { Statement } from '@anvilstone/schema';
/** Whose word a setting is: the maker's of this grade, its family's typical value, the machine's, the company's, the brief's, or ours. */
export type CardSource = 'grade' | 'family' | 'machine' | 'company' | 'brief' | 'ours';

/** One setting of a process card. */
export interface CardLine {
  id: string;
  title: string;
  value: Statement;
  /** Why it is so, and what is traded. */
  why: Statement;
  from: CardSource;
  /** It goes wrong when this is left out. */
  mind?: true;
}

export interface CardGroup {
  title: string;
  lines: readonly CardLine[];
}
