import type { Grade, Library } from '@anvilstone/schema';
import { findSchool, rank, type RankingGrounds } from '../ranking/ranking.ts';
import type { GradeStanding } from '../ranking/rankedCandidate.ts';

/** Enough that whoever may win within reason is among them, few enough to be evaluated hundreds of times. */
const MOST = 60;

/**
 * Grades that may win when something changes: the first of the school, and of those that do not pass the ones that come
 * nearest to it, since a smaller load may let them in.
 */
export function contendersOf(
  library: Library,
  standings: readonly GradeStanding[],
  schoolId: string,
  grounds: RankingGrounds = {},
): Grade[] {
  const ranked = rank(standings, schoolId, grounds);
  const byId = new Map(library.grades.map((grade) => [grade.id, grade]));
  const passing = ranked.filter(({ best }) => best.status === 'pass').slice(0, MOST / 2);
  const others = ranked.filter(({ best }) => best.status !== 'pass').slice(0, MOST - passing.length);
  return [...passing, ...others].flatMap(({ gradeId }) => byId.get(gradeId) ?? []);
}

/** Who wins, or null when nobody holds a place. */
export function winnerOf(
  standings: readonly GradeStanding[],
  schoolId: string,
  grounds: RankingGrounds,
): string | null {
  const first = rank(standings, schoolId, grounds)[0];
  return first && findSchool(schoolId).holdsPlace(first, grounds) ? first.gradeId : null;
}
