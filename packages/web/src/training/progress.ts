/** What was answered, and whether rightly; kept in this browser, for whoever practises in it. */
export interface PracticeMark {
  gradeId: string;
  checkId: string;
  right: boolean;
}
export type PracticeMarks = Readonly<Record<string, PracticeMark>>;

const KEY = 'anvilstone-practice';

export function keptMarks(): PracticeMarks {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(KEY) ?? '{}');
    return typeof kept === 'object' && kept !== null && !Array.isArray(kept) ? (kept as PracticeMarks) : {};
  } catch {
    return {};
  }
}

export function keepMarks(marks: PracticeMarks): void {
  try {
    localStorage.setItem(KEY, JSON.stringify(marks));
  } catch {
    // A browser that keeps nothing still lets one practise.
  }
}
