import type { Grade } from '@anvilstone/schema';
import Papa from 'papaparse';
import { oneTable, type WrittenTable } from '../canonicalTable.ts';
import type { Cell } from '../fields.ts';
import { neutralised } from '../neutralise.ts';

const cellText = (cell: Cell) => (cell === null ? '' : typeof cell === 'string' ? neutralised(cell) : String(cell));

/** RFC 4180, comma, point, UTF-8. Text that a spreadsheet could run as a formula is led by an apostrophe. */
export function tableAsCsv({ header, rows }: Pick<WrittenTable, 'header' | 'rows'>): string {
  return `${Papa.unparse([header, ...rows.map((cells) => cells.map(cellText))], { newline: '\r\n' })}\r\n`;
}

/** The library in one table, with a byte order mark, so that spreadsheet programs read the units right. */
export function writeCsv(grades: readonly Grade[]): string {
  return `\uFEFF${tableAsCsv(oneTable(grades))}`;
}
