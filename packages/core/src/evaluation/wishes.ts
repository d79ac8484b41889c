import type { Chance } from './chance.ts';
import { EQUAL_WEIGHTS, MERIT_CRITERIA, type MeritWeights } from './merit.ts';
import { findSchool, rank, type GradeStanding, type RankingGrounds } from './ranking.ts';

/** Chances that can be asked for, as shares. */
export const SURENESS = [0.5, 0.8, 0.9, 0.95, 0.99] as const;

/** How someone wants to choose: what is set beside the brief. */
export interface RankingWishes {
  schoolId: string;
  weights?: MeritWeights;
  leastChance?: number;
}

/** Wishes written as text, as in an address: `school`, `weights` (in the order of the criteria), `sure`. */
export type WishesText = Partial<Record<'school' | 'weights' | 'sure', string>>;

/** What is not usable is left aside: the usual school, equal weights, no chance asked for. */
export function readWishes(text: WishesText, usualSchoolId?: string): RankingWishes {
  const weights = readWeights(text.weights ?? null);
  const leastChance = SURENESS.find((one) => one === Number(text.sure));
  return {
    schoolId: findSchool(text.school ?? usualSchoolId).id,
    ...(weights === EQUAL_WEIGHTS ? {} : { weights }),
    ...(leastChance === undefined ? {} : { leastChance }),
  };
}

export function wishesText({ schoolId, weights, leastChance }: RankingWishes): WishesText {
  return {
    school: schoolId,
    ...(weights ? { weights: weightsText(weights) } : {}),
    ...(leastChance === undefined ? {} : { sure: String(leastChance) }),
  };
}

/** “20,20,20,20,20” in the order of the criteria; what is not whole numbers from 0 to 100 is left aside. */
export function readWeights(text: string | null): MeritWeights {
  const parts = (text ?? '').split(',').map(Number);
  const usable =
    text !== null &&
    parts.length === MERIT_CRITERIA.length &&
    parts.every((one) => Number.isInteger(one) && one >= 0 && one <= 100) &&
    parts.some((one) => one > 0);
  if (!usable) return EQUAL_WEIGHTS;
  return Object.fromEntries(MERIT_CRITERIA.map(({ id }, i) => [id, parts[i]!])) as MeritWeights;
}

export const weightsText = (weights: MeritWeights) => MERIT_CRITERIA.map(({ id }) => weights[id]).join(',');

/** So many places are told for certain: who leads, and who comes next. */
const PLACES = 2;

/**
 * Grounds with as many chances as it takes to say who leads and who comes next: grades that pass are drawn in the school’s
 * order until two are sure enough, and those after them cannot come before them.
 */
export function groundsToTheFirst(
  standings: readonly GradeStanding[],
  { schoolId, weights, leastChance }: RankingWishes,
  chanceOf: (grade: GradeStanding) => Chance | undefined,
  sized?: RankingGrounds['sized'],
): RankingGrounds {
  const grounds = { ...(weights ? { weights } : {}), ...(sized ? { sized } : {}) };
  if (leastChance === undefined) return grounds;
  const chances = new Map<string, Chance | undefined>();
  let sure = 0;
  for (const one of rank(standings, schoolId, grounds)) {
    if (one.best.status !== 'pass') continue;
    const chance = chanceOf(one);
    chances.set(chanceKey(one), chance);
    if (chance && chance.all >= leastChance) sure += 1;
    if (sure === PLACES) break;
  }
  return { ...grounds, confidence: { least: leastChance, chances } };
}

const chanceKey = ({ gradeId, best }: GradeStanding) => `${gradeId} ${best.orientation}`;
