/** What passes comes before what is not known, and that before what fails. */
export const STATUS_ORDER = { pass: 0, unknown: 1, fail: 2 } as const;

/** For sorting in rising order; infinities are equal to themselves. */
export function compareNumbers(a: number, b: number): number {
  return a === b ? 0 : a < b ? -1 : 1;
}
