import { findCheck } from '@anvilstone/core/checks';
import { inSentence } from '@anvilstone/core/foundations';
import { findFamily } from '@anvilstone/core/materials';
import type { Grade } from '@anvilstone/schema';
import { findRankingMethod, rank, type RankingInputs } from './ranking.ts';
import type { RankedCandidate } from './rankedCandidate.ts';
import type { Screening } from '../evaluating/screen.ts';

export const GROUPINGS = ['none', 'family', 'rejected'] as const;
export type Grouping = (typeof GROUPINGS)[number];

export interface ArrangeRequest {
  schoolId: string;
  /** A check’s id, or cost, mass or service temperature limit; absent: as the ranking method orders. */
  sortBy?: string;
  descending?: boolean;
  groupBy?: Grouping;
  /** Words that a grade’s name, maker or family must hold. */
  find?: string;
  /** These come first, whatever the order. */
  pinnedIds?: readonly string[];
  /** Another ranking method: the places in it are given as well, so that what moved can be seen. */
  comparedWith?: string;
}

export interface RowGroup {
  title: string;
  /** Place of its first row in `ids`, and how many there are. */
  from: number;
  count: number;
}

/** The rows of a shortlist in order, with the groups they fall into; `places` are those of the ranking method, from 1. */
export interface Arrangement {
  ids: readonly string[];
  /** Place in the ranking method’s own order for what holds one there, else 0; row by row. */
  places: readonly number[];
  /** The same in the ranking method it is compared with; empty without one. */
  otherPlaces: readonly number[];
  groups: readonly RowGroup[];
}

/** Orders, groups and narrows down a screening. What has no value to sort by comes last either way; ties keep the ranking method’s order. */
export function arrange(
  screening: Screening,
  request: ArrangeRequest,
  about: (gradeId: string) => Grade | undefined,
  grounds: RankingInputs = {},
): Arrangement {
  const { schoolId, sortBy, descending = false, groupBy = 'none', find = '', pinnedIds = [], comparedWith } = request;
  const ranked = rank(screening.grades, schoolId, grounds);
  const placeOf = placesIn(ranked, schoolId, grounds);
  const other =
    comparedWith === undefined
      ? undefined
      : placesIn(rank(screening.grades, comparedWith, grounds), comparedWith, grounds);
  let rows = wanted(ranked, find, about);
  if (sortBy !== undefined) rows = sorted(rows, valueBy(screening, sortBy), descending);
  const pinned = new Set(pinnedIds);
  const first = rows.filter((one) => pinned.has(one.gradeId));
  const rest = rows.filter((one) => !pinned.has(one.gradeId));
  const parts: { title: string; rows: RankedCandidate[] }[] = [];
  if (first.length > 0) parts.push({ title: 'Pinned', rows: first });
  if (groupBy === 'none') parts.push({ title: '', rows: rest });
  else parts.push(...grouped(rest, groupBy === 'family' ? (one) => familyOf(about(one.gradeId)) : whatDecides));
  const ordered = parts.flatMap((part) => part.rows);
  let from = 0;
  const groups = parts.map(({ title, rows: { length: count } }) => {
    const group = { title, from, count };
    from += count;
    return group;
  });
  return {
    ids: ordered.map((one) => one.gradeId),
    places: ordered.map((one) => placeOf.get(one.gradeId) ?? 0),
    otherPlaces: other ? ordered.map((one) => other.get(one.gradeId) ?? 0) : [],
    groups: groups.filter(({ title, count }) => title !== '' && count > 0),
  };
}

function placesIn(ranked: readonly RankedCandidate[], schoolId: string, grounds: RankingInputs): Map<string, number> {
  const rankingMethod = findRankingMethod(schoolId);
  return new Map(ranked.map((one, index) => [one.gradeId, rankingMethod.holdsPlace(one, grounds) ? index + 1 : 0]));
}

function wanted(ranked: RankedCandidate[], find: string, about: (id: string) => Grade | undefined): RankedCandidate[] {
  const words = find.toLowerCase().split(/\s+/).filter(Boolean);
  if (words.length === 0) return ranked;
  return ranked.filter(({ gradeId }) => {
    const grade = about(gradeId);
    if (!grade) return false;
    const text =
      `${grade.name} ${grade.maker} ${familyOf(grade)} ${findFamily(grade.familyId)?.name ?? ''}`.toLowerCase();
    return words.every((word) => text.includes(word));
  });
}

/** What a row is sorted or placed by: a check’s reserve, or cost, mass, print time, service temperature limit, minimum reserve; NaN: it has none. */
export function valueBy(screening: Screening, sortBy: string): (one: RankedCandidate) => number {
  const column = screening.checkIds.indexOf(sortBy);
  if (column >= 0) {
    const width = screening.checkIds.length;
    const values = new Map(
      screening.grades.map((one, index) => [one.gradeId, screening.reserves[index * width + column]!]),
    );
    return ({ gradeId }) => values.get(gradeId) ?? Number.NaN;
  }
  const field = FIELDS[sortBy];
  return field ? ({ best }) => best[field] ?? Number.NaN : () => Number.NaN;
}

const FIELDS: Record<string, 'costUsd' | 'massG' | 'printTimeH' | 'ownHeatLimitC' | 'minimumReserve'> = {
  cost: 'costUsd',
  mass: 'massG',
  time: 'printTimeH',
  heat: 'ownHeatLimitC',
  reserve: 'minimumReserve',
};

function sorted(rows: readonly RankedCandidate[], value: (one: RankedCandidate) => number, descending: boolean) {
  const keyed = rows.map((row) => ({ row, key: value(row) }));
  keyed.sort((a, b) => {
    if (Number.isNaN(a.key) || Number.isNaN(b.key)) return Number(Number.isNaN(a.key)) - Number(Number.isNaN(b.key));
    return descending ? b.key - a.key : a.key - b.key;
  });
  return keyed.map(({ row }) => row);
}

/** Groups in the order in which their first rows come. */
function grouped(rows: readonly RankedCandidate[], titleOf: (one: RankedCandidate) => string) {
  const found = new Map<string, RankedCandidate[]>();
  for (const row of rows) {
    const title = titleOf(row);
    const group = found.get(title);
    if (group) group.push(row);
    else found.set(title, [row]);
  }
  return [...found].map(([title, of]) => ({ title, rows: of }));
}

const familyOf = (grade: Grade | undefined) => findFamily(grade?.familyId ?? '')?.abbreviation ?? 'Polymer not stated';

function whatDecides({ best }: RankedCandidate): string {
  if (best.status === 'pass') return 'Pass every check';
  const title = findCheck(best.governingCheckId ?? '')?.title ?? 'another check';
  return best.status === 'fail' ? `Rejected by ${inSentence(title)}` : `Not known: ${inSentence(title)}`;
}
