import type { Grade } from '@anvilstone/schema';
import { cautionsFor } from './catalogue.ts';

/** What every list of cautions ends with. */
export const SHEET_FIRST = 'The grade’s safety data sheet and local rules come first.';

/**
 * The usual cautions of printing and working a grade. They do not replace its safety data sheet, local rules or licensed
 * practice, and the list ends by saying so. For an unknown family nothing is assumed harmless.
 */
export function handlingCautions(grade: Grade): string[] {
  return [...cautionsFor('print', { grade }).map(({ text }) => text), SHEET_FIRST];
}
