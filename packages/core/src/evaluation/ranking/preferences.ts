import type { CompanyRules } from '@anvilstone/schema';
import type { Chance } from '../probability/chance.ts';
import { EQUAL_WEIGHTS, MERIT_CRITERIA, type MeritWeights } from './merit.ts';
import { defaultCompanyRules } from '@anvilstone/core/materials';
import { findRankingMethod, hasRoom, rank, type RankingInputs } from './ranking.ts';
import type { RankedCandidate } from './rankedCandidate.ts';

/** Chances that can be asked for, as shares. */
export const CONFIDENCE_LEVELS = [0.5, 0.8, 0.9, 0.95, 0.99] as const;

/** How someone wants to choose: what is set beside the brief. */
export interface RankingPreferences {
  schoolId: string;
  weights?: MeritWeights;
  /** Absent: whoever passes with the values as expected is sure enough. */
  leastChance?: number;
  /** Goes with it: the reserve wanted where typical values alone speak. */
  typicalReserve?: number;
}

/** What the workshop’s rules say of choosing. */
export type ChoiceRules = Pick<CompanyRules, 'rankingSchool' | 'leastChance' | 'typicalReserve'>;

/** Preferences written as text, as in an address: `ranking method`, `weights` (in the order of the criteria), `sure`. */
export type PreferencesText = Partial<Record<'school' | 'weights' | 'sure', string>>;

/** What is not there or not usable is as the rules have it; `sure` of 0 asks for no chance. */
export function readPreferences(text: PreferencesText, rules: ChoiceRules = {}): RankingPreferences {
  const weights = readWeights(text.weights ?? null);
  const leastChance = readLeastChance(text.sure ?? null, rules);
  const { typicalReserve = defaultCompanyRules.typicalReserve } = rules;
  return {
    schoolId: findRankingMethod(text.school ?? rules.rankingSchool).id,
    ...(weights === EQUAL_WEIGHTS ? {} : { weights }),
    ...(leastChance === undefined ? {} : { leastChance, typicalReserve }),
  };
}

/** As the rules have it, where nobody preferences otherwise. */
export const usualPreferences = (rules: ChoiceRules): RankingPreferences => readPreferences({}, rules);

/** A share between 0 and 1; undefined: none is asked for. */
export function readLeastChance(text: string | null, { leastChance }: ChoiceRules = {}): number | undefined {
  const usual = leastChance ?? defaultCompanyRules.leastChance;
  const stated = text === null || text === '' ? usual : Number(text);
  const wanted = stated >= 0 && stated < 1 ? stated : usual;
  return wanted > 0 ? wanted : undefined;
}

export function preferencesText({ schoolId, weights, leastChance }: RankingPreferences): PreferencesText {
  return {
    school: schoolId,
    ...(weights ? { weights: weightsText(weights) } : {}),
    sure: String(leastChance ?? 0),
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
 * Inputs with as many chances as it takes to say who leads and who comes next: grades that pass are drawn in the ranking method’s
 * order until two are sure enough, and those after them cannot come before them.
 */
export function groundsToTheFirst(
  candidates: readonly RankedCandidate[],
  { schoolId, weights, leastChance, typicalReserve }: RankingPreferences,
  chanceOf: (grade: RankedCandidate) => Chance | undefined,
  { sized, places = PLACES }: { sized?: RankingInputs['sized']; places?: number } = {},
): RankingInputs {
  const grounds = { ...(weights ? { weights } : {}), ...(sized ? { sized } : {}) };
  if (leastChance === undefined || schoolId !== 'cheapest-that-passes') return grounds;
  const chances = new Map<string, Chance | undefined>();
  let sure = 0;
  for (const one of rank(candidates, schoolId, grounds)) {
    if (one.best.status !== 'pass' || !hasRoom(one, typicalReserve)) continue;
    const chance = chanceOf(one);
    chances.set(chanceKey(one), chance);
    if (chance && chance.all >= leastChance) sure += 1;
    if (sure === places) break;
  }
  return {
    ...grounds,
    confidence: { least: leastChance, ...(typicalReserve === undefined ? {} : { typicalReserve }), chances },
  };
}

const chanceKey = ({ gradeId, best }: RankedCandidate) => `${gradeId} ${best.orientation}`;
