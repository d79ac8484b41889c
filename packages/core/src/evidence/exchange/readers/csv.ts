import type { ImportSettings } from '@anvilstone/schema';
import Papa from 'papaparse';
import { FileError, LIMITS } from '@anvilstone/core/foundations';
import { restored } from '../neutralise.ts';
import type { RawTable, TableRow } from '../table.ts';
import { decodeText } from './decodeText.ts';
import { findHeaderLine } from './findHeaderLine.ts';

const DELIMITERS = [',', ';', '\t', '|'] as const;
type Delimiter = (typeof DELIMITERS)[number];
const LINES_TO_JUDGE_BY = 60;

export interface CsvTable extends RawTable {
  delimiter: Delimiter;
}

/**
 * A delimited text file. The separator is the one that splits the first lines into the most columns of equal number; empty
 * lines are passed over, and lines before the header are left out. Line numbers are those of the file.
 * @throws FileError no text, no table, an unclosed quote, or over a limit
 */
export function readCsv(bytes: Uint8Array, settings: Pick<ImportSettings, 'delimiter' | 'headerLine'>): CsvTable {
  return readDelimitedText(decodeText(bytes), settings);
}

export function readDelimitedText(
  text: string,
  settings: Pick<ImportSettings, 'delimiter' | 'headerLine'>,
  name = 'table',
): CsvTable {
  const clean = text.replace(/^\uFEFF/, '');
  const delimiter = settings.delimiter ?? detectDelimiter(clean);
  const { data, errors } = Papa.parse<string[]>(clean, { delimiter, skipEmptyLines: false });
  const quote = errors.find(({ code }) => code === 'MissingQuotes');
  if (quote) throw new FileError(`Line ${(quote.row ?? 0) + 1}: a quotation mark is opened and never closed.`);
  return { ...tableOf(numberedLines(data, clean), settings.headerLine, name), delimiter };
}

/** A quoted cell may hold line breaks, so a row is not always a line: each row gets the line it starts on. */
function numberedLines(data: readonly string[][], text: string): TableRow[] {
  const quotedBreaks = text.includes('"');
  let line = 1;
  return data.map((cells) => {
    const row = { line, cells };
    line += 1;
    if (quotedBreaks) for (const cell of cells) line += cell.split(/\r\n|\r|\n/).length - 1;
    return row;
  });
}

/** Header and rows out of numbered lines; short rows are filled up, empty ones dropped. Shared with workbooks. */
export function tableOf(lines: readonly TableRow[], headerLine: number | undefined, name: string): RawTable {
  const filled = lines.filter(({ cells }) => cells.some((cell) => cell.trim() !== ''));
  if (filled.length < 2)
    throw new FileError('There is no table in it: a line of headings and at least one row are needed.');
  const at = headerLine === undefined ? findHeaderLine(filled) : filled.findIndex(({ line }) => line === headerLine);
  const head = filled[at];
  if (!head) throw new FileError(`Line ${headerLine} is empty or not in the file.`);
  const width = filled.slice(at).reduce((most, { cells }) => Math.max(most, cells.length), 0);
  if (width > LIMITS.columns) throw new FileError(`It has ${width} columns; at most ${LIMITS.columns} are read.`);
  if (filled.length - at - 1 > LIMITS.rows) {
    throw new FileError(`It has ${filled.length - at - 1} rows; at most ${LIMITS.rows} are read at once. Split it.`);
  }
  const rows = filled.slice(at + 1).map(({ line, cells }) => ({
    line,
    cells: Array.from({ length: width }, (_, i) => restored((cells[i] ?? '').trim()).slice(0, LIMITS.cellCharacters)),
  }));
  const header = Array.from({ length: width }, (_, i) => (head.cells[i] ?? '').trim());
  return { name, headerLine: head.line, header, rows };
}

function detectDelimiter(text: string): Delimiter {
  const scores = DELIMITERS.map((delimiter) => {
    const { data } = Papa.parse<string[]>(text, { delimiter, preview: LINES_TO_JUDGE_BY, skipEmptyLines: 'greedy' });
    const widths = data.map((row) => row.length).filter((width) => width > 1);
    const usual = mode(widths);
    // Rows that all have the same many columns speak for a separator; a decimal comma splits rows unevenly.
    return { delimiter, score: usual * widths.filter((width) => width === usual).length };
  });
  return scores.reduce((best, one) => (one.score > best.score ? one : best)).delimiter;
}

function mode(numbers: readonly number[]): number {
  const counts = new Map<number, number>();
  for (const one of numbers) counts.set(one, (counts.get(one) ?? 0) + 1);
  return [...counts].reduce((best, one) => (one[1] > best[1] ? one : best), [0, 0])[0];
}
