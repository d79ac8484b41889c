import type { EvaluationEntry } from '@anvilstone/schema';

const STATUS_ORDER = { pass: 0, unknown: 1, fail: 2 } as const;
const ORIENTATION_ORDER = { XY: 0, XZ: 1, ZX: 2 } as const;

/**
 * Orders two entries of one grade, the better first: status, then the larger smallest reserve, then the larger second
 * smallest and so on (so that equal cost or mass does not hide a better orientation), then cost, then XY before XZ before ZX.
 */
export function compareEntries(a: EvaluationEntry, b: EvaluationEntry): number {
  return (
    STATUS_ORDER[a.status] - STATUS_ORDER[b.status] ||
    blockers(a) - blockers(b) ||
    compareNumbers(b.minimumReserve ?? Infinity, a.minimumReserve ?? Infinity) ||
    compareReserves(a, b) ||
    compareNumbers(a.costUsd ?? Infinity, b.costUsd ?? Infinity) ||
    ORIENTATION_ORDER[a.orientation] - ORIENTATION_ORDER[b.orientation]
  );
}

function blockers(entry: EvaluationEntry): number {
  return entry.checks.filter((check) => check.status === 'fail' && check.reserve === null).length;
}

/** The larger smallest reserve first, then the larger second smallest, and so on; what has fewer reserves counts as larger. */
function compareReserves(a: EvaluationEntry, b: EvaluationEntry): number {
  const left = sortedReserves(a, LEFT);
  const right = sortedReserves(b, RIGHT);
  for (let i = 0; i < Math.max(left, right); i++) {
    const difference = compareNumbers(i < right ? RIGHT[i]! : Infinity, i < left ? LEFT[i]! : Infinity);
    if (difference !== 0) return difference;
  }
  return 0;
}

// Thousands of comparisons are made at a time: they share two rows of paper.
const LEFT: number[] = [];
const RIGHT: number[] = [];

/** Writes an entry's reserves in rising order into `into`; how many there are. */
function sortedReserves({ checks }: EvaluationEntry, into: number[]): number {
  let count = 0;
  for (const { reserve } of checks) {
    if (reserve === null) continue;
    let at = count;
    while (at > 0 && into[at - 1]! > reserve) {
      into[at] = into[at - 1]!;
      at -= 1;
    }
    into[at] = reserve;
    count += 1;
  }
  return count;
}

function compareNumbers(a: number, b: number): number {
  return a === b ? 0 : a < b ? -1 : 1;
}

/** What ranking reads of a grade: its best entry without the checks. */
export interface GradeStanding {
  gradeId: string;
  best: Omit<EvaluationEntry, 'checks'>;
}

export interface RankingSchool {
  id: string;
  title: string;
  sentence: string;
  compare(a: GradeStanding, b: GradeStanding): number;
}

const byStatus = (a: GradeStanding, b: GradeStanding) => STATUS_ORDER[a.best.status] - STATUS_ORDER[b.best.status];
const byReserve = (a: GradeStanding, b: GradeStanding) =>
  compareNumbers(b.best.minimumReserve ?? -Infinity, a.best.minimumReserve ?? -Infinity);
const byCost = (a: GradeStanding, b: GradeStanding) =>
  compareNumbers(a.best.costUsd ?? Infinity, b.best.costUsd ?? Infinity);
const byId = (a: GradeStanding, b: GradeStanding) => (a.gradeId < b.gradeId ? -1 : a.gradeId > b.gradeId ? 1 : 0);

/** Ways to choose. Whatever the school, what passes comes before what is unknown, and that before what fails. */
export const rankingSchools: readonly RankingSchool[] = [
  {
    id: 'cheapest-that-passes',
    title: 'Cheapest that passes',
    sentence: 'Of the grades that pass every check, the one whose good part costs least.',
    compare: (a, b) =>
      byStatus(a, b) || (a.best.status === 'pass' ? byCost(a, b) : byReserve(a, b)) || byCost(a, b) || byId(a, b),
  },
  {
    id: 'weakest-link',
    title: 'Strongest weakest link',
    sentence: 'The grade whose smallest reserve is the largest, whatever it costs.',
    compare: (a, b) => byStatus(a, b) || byReserve(a, b) || byCost(a, b) || byId(a, b),
  },
];

export type RankingSchoolId = (typeof rankingSchools)[number]['id'];

/** A new, ranked list; ties are broken by cost, then by id, so the order is stable. */
export function rank<G extends GradeStanding>(grades: readonly G[], schoolId: string): G[] {
  const school = rankingSchools.find((one) => one.id === schoolId) ?? rankingSchools[0]!;
  return [...grades].sort(school.compare);
}
