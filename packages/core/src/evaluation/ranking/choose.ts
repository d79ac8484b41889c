import type { Brief, EvaluationEntry, CompanyRules, Library } from '@anvilstone/schema';
import { chanceOfMeetingAll, type Chance } from '../probability/chance.ts';
import { rank, type RankingInputs } from './ranking.ts';
import type { RankedCandidate } from './rankedCandidate.ts';
import { typicalReserveOf } from '../evaluating/screen.ts';
import { groundsToTheFirst, usualPreferences, type RankingPreferences } from './preferences.ts';

/** Draws by which grades are ranked, everywhere: enough to tell 90 from 92 %. */
export const CHOICE_DRAWS = 4000;

/** The chance of a grade in its best orientation, as ranking reads it; each is worked out once. */
export function chancesFor(
  brief: Brief,
  library: Library,
  rules: CompanyRules,
): (grade: RankedCandidate) => Chance | undefined {
  const byId = new Map(library.grades.map((grade) => [grade.id, grade]));
  const known = new Map<string, Chance | undefined>();
  return ({ gradeId, best: { orientation } }) => {
    const key = `${gradeId} ${orientation}`;
    if (!known.has(key)) {
      const grade = byId.get(gradeId);
      known.set(key, grade && chanceOfMeetingAll(brief, library, grade, orientation, { rules, draws: CHOICE_DRAWS }));
    }
    return known.get(key);
  };
}

export interface ChooseOptions {
  /** @default as the rules have it */
  preferences?: RankingPreferences;
  sized?: RankingInputs['sized'];
  /** So many places are told for certain. @default 2 */
  places?: number;
}

/**
 * Grades in the order in which the workshop would take them: the same answer wherever it is asked. Whoever is drawn is drawn with the
 * same luck.
 * @throws InputError when the brief cannot be evaluated
 */
export function choose<G extends RankedCandidate>(
  { brief, library, rules }: { brief: Brief; library: Library; rules: CompanyRules },
  candidates: readonly G[],
  { preferences = usualPreferences(rules), ...how }: ChooseOptions = {},
): G[] {
  const known = candidates.map(withTypicalReserve);
  const grounds = groundsToTheFirst(known, preferences, chancesFor(brief, library, rules), how);
  return rank(known, preferences.schoolId, grounds);
}

/** A whole evaluation holds its checks and not what ranking reads of them. */
function withTypicalReserve<G extends RankedCandidate>(one: G): G {
  if (one.typicalReserve !== undefined || !('checks' in one.best)) return one;
  const typicalReserve = typicalReserveOf(one.best as EvaluationEntry);
  return typicalReserve === undefined ? one : { ...one, typicalReserve };
}
