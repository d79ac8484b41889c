import Papa from 'papaparse';
import { InputError } from '@anvilstone/core/foundations';
import { numberOf } from './numberOf.ts';

export interface Readings {
  /** What the column is called; empty: there is no header. */
  name: string;
  values: readonly number[];
  /** First cell of each line, where there is more than one column: what the reading belongs to. */
  labels?: readonly string[];
}

/** More readings than a bench makes are another kind of file. */
const MOST = 100_000;

/**
 * Readings out of a CSV: one a line, in the column that is named, else in the only one, else in the last. A header is told by its not
 * being a number. Empty cells are left out; anything else that is no number is refused with its line, so that none is lost unseen.
 * @throws InputError no readings, no such column, or a cell that is no number
 */
export function readReadings(text: string, column?: string): Readings {
  const data = rowsOf(text.replace(/^\uFEFF/, ''));
  const [first = []] = data;
  const hasHeader = first.some((cell) => cell.trim() !== '' && numberOf(cell) === undefined);
  const at = column === undefined ? Math.max(0, first.length - 1) : first.findIndex((cell) => cell.trim() === column);
  if (at < 0) throw new InputError('column', column, `one of ${first.map((cell) => cell.trim()).join(', ')}`);
  const rows = hasHeader ? data.slice(1) : data;
  if (rows.length > MOST) throw new InputError('readings', rows.length, `at most ${MOST}`);
  const labels: string[] = [];
  const values = rows.flatMap((row, i) => {
    const cell = (row[at] ?? '').trim();
    if (cell === '') return [];
    const value = numberOf(cell);
    if (value === undefined) throw new InputError(`line ${i + (hasHeader ? 2 : 1)}`, cell, 'a number is needed');
    labels.push((row[0] ?? '').trim());
    return [value];
  });
  if (values.length === 0) throw new InputError('readings', [], 'at least one number is needed');
  const name = hasHeader ? (first[at] ?? '').trim() : '';
  return at > 0 && hasHeader ? { name, values, labels } : { name, values };
}

/** One column with decimal commas is not taken for two. @throws InputError a line with more cells than the first */
function rowsOf(text: string): string[][] {
  const lines = text.split(/\r?\n/).filter((line) => line.trim() !== '');
  const [first = '', ...others] = lines;
  const single =
    others.every((line) => numberOf(line) !== undefined) && (others.length > 0 || numberOf(first) !== undefined);
  if (single && (numberOf(first) !== undefined || !/[,;\t]/.test(first))) return lines.map((line) => [line]);
  const { data } = Papa.parse<string[]>(text, { skipEmptyLines: 'greedy' });
  const width = data[0]?.length ?? 0;
  const long = data.findIndex((row) => row.length > width);
  if (long >= 0)
    throw new InputError(`line ${long + 1}`, data[long]!.join(','), `${width} cells, as in the first line`);
  return data;
}

/**
 * The second sample in the order of the first, partner by partner, where both say what each reading belongs to.
 * @throws InputError a reading without a partner, or two of one name: such are no pairs
 */
export function asPairs(first: Readings, second: Readings): { first: readonly number[]; second: readonly number[] } {
  const { labels } = first;
  const others = second.labels;
  if (!labels || !others) return { first: first.values, second: second.values };
  for (const [side, names] of [
    ['first', labels],
    ['second', others],
  ] as const) {
    const twice = names.find((name, i) => names.indexOf(name) !== i);
    if (twice !== undefined)
      throw new InputError(side, twice, 'each name once: two readings of one name have no one partner');
  }
  const alone = labels.find((name) => !others.includes(name)) ?? others.find((name) => !labels.includes(name));
  if (alone !== undefined)
    throw new InputError('pairs', alone, 'a partner of the same name in the other file: these are no pairs');
  return { first: first.values, second: labels.map((name) => second.values[others.indexOf(name)]!) };
}
