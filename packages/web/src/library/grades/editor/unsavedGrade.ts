import type { Grade } from '@anvilstone/schema';

/** Edits of a grade that were not saved yet, kept on this computer so that a closed tab loses nothing. */
export interface UnsavedGrade {
  grade: Grade;
  revision: number | null;
}
const key = (id: string) => `anvilstone-unsaved-grade-${id || 'new'}`;

export const storeUnsavedGrade = (id: string, unsaved: UnsavedGrade) =>
  localStorage.setItem(key(id), JSON.stringify(unsaved));
export const forgetUnsavedGrade = (id: string) => localStorage.removeItem(key(id));

export function findUnsavedGrade(id: string): UnsavedGrade | undefined {
  try {
    const text = localStorage.getItem(key(id));
    return text === null ? undefined : (JSON.parse(text) as UnsavedGrade);
  } catch {
    return undefined;
  }
}
