import type { Grade, PriceLine } from '@anvilstone/schema';
import Papa from 'papaparse';

/** What a column of a supplier’s list is called. Separators and capitals do not count. */
const COLUMNS = {
  article: ['article', 'articleno', 'sku', 'code'],
  name: ['name', 'grade', 'product', 'material'],
  maker: ['maker', 'manufacturer'],
  spoolG: ['spoolg', 'netg', 'massg', 'weightg'],
  spoolKg: ['spoolkg', 'netkg', 'masskg', 'weightkg'],
  spoolUsd: ['spoolusd', 'priceusd', 'usd', 'price'],
  supply: ['supply', 'system'],
} as const;
type Column = keyof typeof COLUMNS;

export interface PricedGrade {
  grade: Pick<Grade, 'id' | 'name' | 'maker' | 'pricePerKgUsd'>;
  revision: number;
}

/** A price beside which the last one is more than this many times off is doubted. */
const DOUBTFUL_FACTOR = 2;
/** USD per kg outside of this is a slip of units or of the decimal point. */
const USUAL_USD_PER_KG = { least: 3, most: 3000 };

/**
 * A supplier’s list as CSV against the library: one line for each of its lines, with what is wrong or doubtful about it. A grade is
 * found by its whole name, with its maker where two bear it. Prices are USD for a spool; the list says how much is on it.
 * Returns a string: why the list as a whole cannot be read.
 */
export function readPriceList(text: string, grades: readonly PricedGrade[]): PriceLine[] | string {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' });
  const [header, ...rows] = data;
  if (!header) return 'the list is empty';
  const at = columnsOf(header);
  for (const needed of ['name', 'spoolUsd'] as const)
    if (at[needed] === undefined)
      return `no column for ${needed === 'name' ? 'the name' : 'the price of a spool'}: one called ${COLUMNS[needed].join(', ')} is looked for, and there are ${header.join(', ')}`;
  if (at.spoolG === undefined && at.spoolKg === undefined)
    return `no column for how much is on a spool: one called ${[...COLUMNS.spoolG, ...COLUMNS.spoolKg].join(', ')} is looked for`;
  return rows.map((row, i) => lineOf(row, i + 2, at, grades));
}

function columnsOf(header: readonly string[]): Partial<Record<Column, number>> {
  const plain = header.map((cell) => cell.toLowerCase().replace(/[^a-z]/g, ''));
  const found: Partial<Record<Column, number>> = {};
  for (const column of Object.keys(COLUMNS) as Column[]) {
    const index = plain.findIndex((cell) => (COLUMNS[column] as readonly string[]).includes(cell));
    if (index >= 0) found[column] = index;
  }
  return found;
}

function lineOf(
  row: readonly string[],
  line: number,
  at: Partial<Record<Column, number>>,
  grades: readonly PricedGrade[],
): PriceLine {
  const cell = (column: Column) => (at[column] === undefined ? '' : (row[at[column]] ?? '').trim());
  const name = cell('name');
  const maker = cell('maker');
  const kg = numberOf(cell('spoolKg'));
  const spoolG = numberOf(cell('spoolG')) ?? (kg === null ? null : kg * 1000);
  const spoolUsd = numberOf(cell('spoolUsd'));
  const supply = /closed|own/i.test(cell('supply')) ? 'closed' : 'open';
  const same = grades.filter(({ grade }) => grade.name.toLowerCase() === name.toLowerCase());
  const named = maker === '' ? same : same.filter(({ grade }) => grade.maker.toLowerCase() === maker.toLowerCase());
  const found = named.length === 1 ? named[0] : undefined;
  const pricePerKgUsd = spoolG && spoolUsd && spoolG > 0 && spoolUsd > 0 ? (spoolUsd / spoolG) * 1000 : null;
  const beforeUsd = found?.grade.pricePerKgUsd ?? null;
  const problem =
    name === ''
      ? 'it names nothing'
      : pricePerKgUsd === null
        ? `“${cell('spoolUsd')}” for “${cell('spoolG') || cell('spoolKg')}” is no price of a spool`
        : named.length > 1
          ? 'two of our grades bear that name; the list does not say whose'
          : undefined;
  const doubt = problem === undefined ? doubtOf(pricePerKgUsd!, beforeUsd, supply) : undefined;
  return {
    line,
    article: cell('article'),
    name,
    spoolG,
    spoolUsd,
    pricePerKgUsd,
    supply,
    gradeId: found?.grade.id ?? null,
    gradeRevision: found?.revision ?? null,
    beforeUsd,
    ...(problem === undefined ? {} : { problem }),
    ...(doubt === undefined ? {} : { doubt }),
  };
}

function doubtOf(usd: number, beforeUsd: number | null, supply: PriceLine['supply']): string | undefined {
  const { least, most } = USUAL_USD_PER_KG;
  if (usd < least || usd > most)
    return `${usd.toFixed(2)} USD a kg is far from any filament: a slip of the decimal point?`;
  if (supply === 'closed') return 'for the machines of its maker only';
  if (beforeUsd === null) return undefined;
  const factor = usd / beforeUsd;
  return factor > DOUBTFUL_FACTOR || factor < 1 / DOUBTFUL_FACTOR
    ? `${factor.toPrecision(2)} times what it cost: look before you take it`
    : undefined;
}

/** Null: it is no number. A decimal comma is one; a comma before three digits parts thousands. */
function numberOf(text: string): number | null {
  const plain = text.replace(/\s|USD|\$/gi, '');
  if (plain === '') return null;
  const number = Number(/,\d{1,2}$/.test(plain) ? plain.replace(',', '.') : plain.replace(/,(?=\d{3}\b)/g, ''));
  return Number.isFinite(number) ? number : null;
}
