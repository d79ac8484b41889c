import {
  rank,
  rankingMethods,
  type Arrangement,
  type FunnelStep,
  type RankedCandidate,
  type Merit,
  type RankingInputs,
  type Sized,
} from '@anvilstone/core/evaluation';

export interface Counts {
  pass: number;
  unknown: number;
  fail: number;
}

/** Where a library stands before a brief, in as little as a page needs at every move of a slider. */
export interface ScreeningSummary {
  checkIds: readonly string[];
  funnel: readonly FunnelStep[];
  counts: Counts;
  /** The first few, lowest cost first. */
  leaders: readonly RankedCandidate[];
  /** What decides for the first of them, in words; undefined: nothing does, or there is none. */
  governedBy: string | undefined;
  /** What the leader’s orientation is called by how the part lies. */
  built: string | undefined;
}
export const LEADERS = 3;

/** Who comes first in a ranking method, and which place the leader of the chosen ranking method has in it; 0: none. */
export interface MethodLeader {
  schoolId: string;
  first: RankedCandidate | undefined;
  placeOfChosen: number;
}

/** A shortlist in order, and how many of the whole library stand; the rows that are looked at are asked for by id. */
export interface Shortlist extends Arrangement {
  /** What was asked: the page may already be asking for something else. */
  schoolId: string;
  comparedWith: string | undefined;
  checkIds: readonly string[];
  counts: Counts;
  leaders: readonly MethodLeader[];
  merits: ReadonlyMap<string, Merit> | undefined;
}

export interface SizedGrades {
  /** The dimension that grows, and its drawn value, mm. */
  title: string;
  drawnMm: number;
  rows: Sized[];
}

/** Who leads a part's shortlist, lowest cost first, and how many stand. */
export interface Leader {
  first: RankedCandidate | undefined;
  /** What its orientation is called by how the part lies. */
  built: string | undefined;
  counts: Counts;
}
export interface PartImpact {
  partId: string;
  now: Leader;
  then: Leader;
}

export function countsOf(grades: readonly RankedCandidate[]): Counts {
  const counts = { pass: 0, unknown: 0, fail: 0 };
  for (const { best } of grades) counts[best.status] += 1;
  return counts;
}

export function leadersOf(
  grades: readonly RankedCandidate[],
  chosenId: string,
  grounds: RankingInputs,
): MethodLeader[] {
  const leads = rank(grades, chosenId, grounds)[0];
  return rankingMethods.map((rankingMethod) => {
    const ranked = rank(grades, rankingMethod.id, grounds);
    const first = ranked.find((one) => rankingMethod.holdsPlace(one, grounds));
    const at = ranked.findIndex((one) => one.gradeId === leads?.gradeId);
    return {
      schoolId: rankingMethod.id,
      first,
      placeOfChosen: leads && rankingMethod.holdsPlace(leads, grounds) ? at + 1 : 0,
    };
  });
}
