import type { Grade, Library } from '@anvilstone/schema';
import { findRankingMethod, rank, type RankingInputs } from '../ranking/ranking.ts';
import type { RankedCandidate } from '../ranking/rankedCandidate.ts';

/** Enough that whoever may win within reason is among them, few enough to be evaluated hundreds of times. */
const MOST = 60;

/**
 * Grades that may win when something changes: the first of the ranking method, and of those that do not pass the ones that come
 * nearest to it, since a smaller load may let them in.
 */
export function contendersOf(
  library: Library,
  candidates: readonly RankedCandidate[],
  schoolId: string,
  grounds: RankingInputs = {},
): Grade[] {
  const ranked = rank(candidates, schoolId, grounds);
  const byId = new Map(library.grades.map((grade) => [grade.id, grade]));
  const passing = ranked.filter(({ best }) => best.status === 'pass').slice(0, MOST / 2);
  const others = ranked.filter(({ best }) => best.status !== 'pass').slice(0, MOST - passing.length);
  return [...passing, ...others].flatMap(({ gradeId }) => byId.get(gradeId) ?? []);
}

/** Who wins, or null when nobody holds a place. */
export function winnerOf(
  candidates: readonly RankedCandidate[],
  schoolId: string,
  grounds: RankingInputs,
): string | null {
  const first = rank(candidates, schoolId, grounds)[0];
  return first && findRankingMethod(schoolId).holdsPlace(first, grounds) ? first.gradeId : null;
}
