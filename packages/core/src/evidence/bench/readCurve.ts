import { InputError, toCanonical, findUnit, type Dimension } from '@anvilstone/core/foundations';
import { numberOf } from './numberOf.ts';

/** A curve out of a file, in canonical units. NaN: the cell was empty. */
export interface ReadCurve {
  forceN: Float64Array;
  movedMm: Float64Array;
  timeS: Float64Array;
  temperatureC: Float64Array;
  /** 1: the gauge said that it was past its range. */
  over: Uint8Array;
  rows: number;
  /** How each column was taken, in words. */
  taken: readonly string[];
}

type Column = 'forceN' | 'movedMm' | 'timeS' | 'temperatureC';

const COLUMNS: readonly { id: Column; title: string; names: RegExp; dimension: Dimension; unit: string }[] = [
  { id: 'forceN', title: 'force', names: /force|load|kraft|last|^f$|^n$/i, dimension: 'force', unit: 'N' },
  {
    id: 'movedMm',
    title: 'movement',
    names: /displac|extens|travel|stroke|moved|movement|deflec|position|weg|^s$|^x$|^mm$/i,
    dimension: 'length',
    unit: 'mm',
  },
  { id: 'timeS', title: 'time', names: /time|zeit|^t$|^sec/i, dimension: 'shortTime', unit: 's' },
  { id: 'temperatureC', title: 'temperature', names: /temp|°c/i, dimension: 'temperature', unit: '°C' },
];

/** Words of gauges that are past their range. */
const PAST_RANGE = /^(over|ol|o\.l\.|ovr|overload|over-?range|>+|-{2,}|\+?inf(inity)?)$/i;
const MOST_ROWS = 2_000_000;
const LINES_LOOKED_AT = 60;

/**
 * Force over movement, or movement over time, out of a CSV. A header names the columns with their units in brackets, after a comma, or in a
 * line of their own; without a unit N, mm, s and °C are taken and that is told. Separators , ; tab; decimal commas where the separator is
 * none. Empty cells are not read; anything else that is no number is refused with its line.
 * @throws InputError no columns that are understood, a unit that is not known, or a cell that is no number
 */
export function readCurve(text: string): ReadCurve {
  const lines = text.replace(/^\uFEFF/, '').split(/\r?\n/);
  if (lines.length > MOST_ROWS) throw new InputError('readings', lines.length, `at most ${MOST_ROWS}`);
  const separator = separatorOf(lines);
  const cells = (i: number) => lines[i]!.split(separator).map((cell) => cell.trim().replace(/^"|"$/g, ''));
  const first = firstRow(lines, cells);
  const columns = columnsOf(first, cells, lines);
  const rows = lines.length - first;
  const read = {
    forceN: new Float64Array(rows).fill(NaN),
    movedMm: new Float64Array(rows).fill(NaN),
    timeS: new Float64Array(rows).fill(NaN),
    temperatureC: new Float64Array(rows).fill(NaN),
  };
  const over = new Uint8Array(rows);
  const factors = columns.map((column) => linear(column.dimension, column.unit));
  let count = 0;
  for (let line = first; line < lines.length; line++) {
    const raw = lines[line]!;
    if (raw === '' || raw.trim() === '') continue;
    const row = raw.split(separator);
    columns.forEach((column, i) => {
      const cell = (row[column.at] ?? '').trim();
      if (cell === '') return;
      let value = Number(cell);
      if (Number.isNaN(value)) {
        if (column.id === 'forceN' && PAST_RANGE.test(cell)) {
          over[count] = 1;
          return;
        }
        value = numberOf(cell) ?? NaN;
        if (Number.isNaN(value))
          throw new InputError(`line ${line + 1}`, cell, `a number for the ${column.title} is needed`);
      }
      const { slope, offset } = factors[i]!;
      read[column.id][count] = value * slope + offset;
    });
    count += 1;
  }
  if (count === 0) throw new InputError('readings', [], 'at least one line of numbers is needed');
  return {
    forceN: read.forceN.subarray(0, count),
    movedMm: read.movedMm.subarray(0, count),
    timeS: read.timeS.subarray(0, count),
    temperatureC: read.temperatureC.subarray(0, count),
    over: over.subarray(0, count),
    rows: count,
    taken: columns.map(({ title, unit, name, stated }) =>
      stated
        ? `“${name}” is the ${title} in ${unit}`
        : `“${name}” is taken for the ${title} in ${unit}: no unit stands there`,
    ),
  };
}

function separatorOf(lines: readonly string[]): string {
  const some = lines.slice(0, LINES_LOOKED_AT).join('\n');
  if (some.includes('\t')) return '\t';
  return some.includes(';') ? ';' : ',';
}

const isNumberRow = (row: readonly string[]) =>
  row.some((cell) => cell !== '') &&
  row.every((cell) => cell === '' || numberOf(cell) !== undefined || PAST_RANGE.test(cell));

function firstRow(lines: readonly string[], cells: (i: number) => string[]): number {
  for (let i = 0; i < Math.min(lines.length, LINES_LOOKED_AT); i++) if (isNumberRow(cells(i))) return i;
  throw new InputError('readings', lines[0] ?? '', 'a line of numbers within the first 60 lines is needed');
}

interface TakenColumn {
  id: Column;
  title: string;
  name: string;
  at: number;
  dimension: Dimension;
  unit: string;
  stated: boolean;
}

function columnsOf(first: number, cells: (i: number) => string[], lines: readonly string[]): TakenColumn[] {
  const above = Array.from({ length: first }, (_, i) => i).filter((i) => lines[i]!.trim() !== '');
  const width = cells(first).length;
  const known = (i: number) => COLUMNS.filter(({ names }) => cells(i).some((cell) => names.test(bare(cell)))).length;
  // A line of units reads like column names too: the line that names the most is the header.
  const [header] = above.filter((i) => known(i) > 0).sort((a, b) => known(b) - known(a) || a - b);
  if (header === undefined) {
    if (width !== 2)
      throw new InputError(
        'header',
        lines[0] ?? '',
        'a header that names the columns: force, displacement, time, temperature',
      );
    // Two bare columns are movement and force, as every gauge writes them.
    return [taken(COLUMNS[1]!, 'first column', 0, undefined), taken(COLUMNS[0]!, 'second column', 1, undefined)];
  }
  const titles = cells(header);
  const units = header + 1 < first ? cells(header + 1) : [];
  const found: TakenColumn[] = [];
  titles.forEach((title, at) => {
    const meaning = COLUMNS.find(({ names, id }) => names.test(bare(title)) && !found.some((one) => one.id === id));
    if (meaning)
      found.push(taken(meaning, title, at, unitIn(title) ?? (units[at]?.replace(/[[\]()]/g, '').trim() || undefined)));
  });
  if (!found.some(({ id }) => id === 'forceN' || id === 'movedMm'))
    throw new InputError('header', lines[header]!, 'a column of the force or of the movement');
  return found;
}

function taken(meaning: (typeof COLUMNS)[number], name: string, at: number, unit: string | undefined): TakenColumn {
  if (unit !== undefined && !findUnit(meaning.dimension, unit))
    throw new InputError('header', name, `a unit of ${meaning.title} that is known; “${unit}” is none`);
  const { id, title, dimension } = meaning;
  return { id, title, dimension, name, at, unit: unit ?? meaning.unit, stated: unit !== undefined };
}

const bare = (title: string) =>
  title
    .replace(/[[(].*$/, '')
    .replace(/,.*$/, '')
    .trim();
const unitIn = (title: string) => /[[(]\s*([^\])]+?)\s*[\])]/.exec(title)?.[1] ?? /,\s*(\S+)$/.exec(title)?.[1];

/** Every unit here is linear in its canonical one. */
function linear(dimension: Dimension, unit: string): { slope: number; offset: number } {
  const offset = toCanonical(0, unit, dimension);
  return { slope: toCanonical(1, unit, dimension) - offset, offset };
}
