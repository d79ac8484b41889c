import type { Sort } from '../../../ui/table/tableColumn.ts';
import type { LibraryTable } from '@anvilstone/core/evaluation';
import { findFamily, findReinforcement, type Morphology } from '@anvilstone/core/materials';
import type { Grade } from '@anvilstone/schema';

/** A least and a most of a column, canonical units. Unknown never lies within. */
export interface Range {
  columnId: string;
  least?: number;
  most?: number;
}
export const FACETS = ['maker', 'family', 'filler', 'morphology', 'evidence', 'printable', 'colour', 'hazard'] as const;
export type Facet = (typeof FACETS)[number];

export interface GradeFilter {
  words: string;
  /** Chosen values by facet; none chosen = all. */
  chosen: Partial<Record<Facet, readonly string[]>>;
  priceAtMost?: number;
  ranges: readonly Range[];
}

/** What the facets and the search need of a grade, made once. */
export interface IndexedGrade {
  grade: Grade;
  row: number;
  text: string;
  facets: Record<Exclude<Facet, 'evidence' | 'printable'>, readonly string[]>;
}

const MORPHOLOGY: Record<Morphology, string> = {
  amorphous: 'amorphous',
  semiCrystalline: 'semi-crystalline',
  elastomer: 'elastomer',
  support: 'support',
};
const FUMES: Record<string, string> = {
  low: 'few fumes',
  styrene: 'styrene vapour',
  caprolactam: 'caprolactam vapour',
  acrylic: 'acrylic vapour',
  highTemperature: 'hazardous vapour',
};
export const EVIDENCE_LABELS = ['unknown', 'A', 'B', 'C', 'D'] as const;
export const PRINTABLE_LABELS = ['not known', 'fits', 'with cautions', 'needs an upgrade'] as const;

export function familyText(grade: Grade): string {
  return findFamily(grade.familyId)?.abbreviation ?? 'polymer not stated';
}
/** Short enough for a table: “carbon 10 %”, “static-dissipative”. */
export function shortFiller(grade: Grade): string {
  const filler = findReinforcement(grade.reinforcementId);
  if (!filler) return '';
  const fibre = /^(\w+)(?: fibre)?$/.exec(filler.filler)?.[1];
  return fibre
    ? `${fibre} ${filler.fillerMassPct} %`
    : filler.name.replace(/ (compound|package)?\s?\(.*\)$|\s\d+ %$/, '');
}
export function fillerText(grade: Grade): string {
  return findReinforcement(grade.reinforcementId)?.name ?? 'unfilled';
}

export function indexGrades(grades: readonly Grade[]): IndexedGrade[] {
  return grades.map((grade, row) => {
    const family = findFamily(grade.familyId);
    const filler = findReinforcement(grade.reinforcementId);
    const sources = new Set(grade.observations.flatMap(({ reference, note = '' }) => [reference, note]));
    return {
      grade,
      row,
      text: [
        grade.name,
        grade.maker,
        family?.name,
        family?.abbreviation,
        filler?.name,
        grade.note,
        ...grade.colours,
        ...sources,
      ]
        .join(' ')
        .toLowerCase(),
      facets: {
        maker: [grade.maker],
        family: [familyText(grade)],
        filler: [fillerText(grade)],
        morphology: [family ? MORPHOLOGY[family.morphology] : 'not known'],
        colour: grade.colours,
        hazard: [
          family ? FUMES[family.fumes]! : 'vapour not known',
          ...(filler?.handlingCaution ? ['fibre or dust'] : []),
        ],
      },
    };
  });
}

export interface Filtered {
  rows: IndexedGrade[];
  /** How many each value of a facet would leave, all other filters in force. */
  counts: Record<Facet, Map<string, number>>;
  /** Rows that meet everything but lack a value that a range asks for. */
  unknown: number;
}

/** One pass over the rows: a row counts for a facet when that facet alone stands in its way. */
export function filterGrades(index: readonly IndexedGrade[], table: LibraryTable, filter: GradeFilter): Filtered {
  const words = filter.words.toLowerCase().split(/\s+/).filter(Boolean);
  const ranges = filter.ranges.flatMap(({ columnId, least = -Infinity, most = Infinity }) => {
    const at = table.columnIds.indexOf(columnId);
    return at < 0 ? [] : [{ values: table.values[at]!, least, most }];
  });
  const chosen = FACETS.map((facet) => ({ facet, wanted: new Set(filter.chosen[facet] ?? []) }));
  const counts = Object.fromEntries(FACETS.map((facet) => [facet, new Map<string, number>()])) as Filtered['counts'];
  const rows: IndexedGrade[] = [];
  let unknown = 0;
  for (const one of index) {
    if (words.some((word) => !one.text.includes(word))) continue;
    const { pricePerKgUsd } = one.grade;
    if (filter.priceAtMost !== undefined && !(pricePerKgUsd !== null && pricePerKgUsd <= filter.priceAtMost)) continue;
    const failing = chosen.filter(
      ({ facet, wanted }) => wanted.size > 0 && !valuesOf(one, table, facet).some((value) => wanted.has(value)),
    );
    if (failing.length > 1) continue;
    const verdict = withinRanges(ranges, one.row);
    if (verdict === 'unknown' && failing.length === 0) unknown += 1;
    if (verdict !== 'within') continue;
    for (const { facet } of failing.length === 1 ? failing : chosen) {
      for (const value of valuesOf(one, table, facet)) counts[facet].set(value, (counts[facet].get(value) ?? 0) + 1);
    }
    if (failing.length === 0) rows.push(one);
  }
  return { rows, counts, unknown };
}

function valuesOf(one: IndexedGrade, table: LibraryTable, facet: Facet): readonly string[] {
  if (facet === 'evidence') return [EVIDENCE_LABELS[table.overall[one.row]!]!];
  if (facet === 'printable') return [PRINTABLE_LABELS[table.printable[one.row]!]!];
  return one.facets[facet];
}

function withinRanges(ranges: readonly { values: Float64Array; least: number; most: number }[], row: number) {
  let verdict: 'within' | 'outside' | 'unknown' = 'within';
  for (const { values, least, most } of ranges) {
    const value = values[row]!;
    if (Number.isNaN(value)) verdict = 'unknown';
    else if (value < least || value > most) return 'outside';
  }
  return verdict;
}

/** Sorted copy; what is unknown comes last either way, ties by name. */
export function sortGrades(
  rows: readonly IndexedGrade[],
  table: LibraryTable,
  { by, descending }: Sort,
): IndexedGrade[] {
  const sign = descending ? -1 : 1;
  const byName = (a: IndexedGrade, b: IndexedGrade) =>
    a.grade.name < b.grade.name ? -1 : a.grade.name > b.grade.name ? 1 : a.row - b.row;
  const number = numberToSortBy(table, by);
  if (number) {
    return [...rows].sort((a, b) => {
      const [x, y] = [number(a), number(b)];
      if (Number.isNaN(x) || Number.isNaN(y)) return Number(Number.isNaN(x)) - Number(Number.isNaN(y)) || byName(a, b);
      return x === y ? byName(a, b) : sign * (x < y ? -1 : 1);
    });
  }
  const text =
    by === 'maker'
      ? (one: IndexedGrade) => one.grade.maker
      : by === 'family'
        ? (one: IndexedGrade) => one.facets.family[0]!
        : (one: IndexedGrade) => one.grade.name;
  return [...rows].sort((a, b) => {
    const [x, y] = [text(a), text(b)];
    return x === y ? byName(a, b) : sign * (x < y ? -1 : 1);
  });
}

function numberToSortBy(table: LibraryTable, by: string): ((one: IndexedGrade) => number) | undefined {
  if (by === 'price') return ({ grade }) => grade.pricePerKgUsd ?? Number.NaN;
  const at = table.columnIds.indexOf(by);
  if (at < 0) return undefined;
  const values = table.values[at]!;
  return ({ row }) => values[row]!;
}
