import type { Grade } from '@anvilstone/schema';

/** What a section of the editor gets: the grade, how to change it, and what is wrong under a pointer. */
export interface Section {
  grade: Grade;
  edit: (change: Partial<Grade>, field: string) => void;
  issueAt: (pointer: string) => string | undefined;
}
