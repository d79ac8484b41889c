import {
  chanceOfMeetingAll,
  CHOICE_DRAWS,
  groundsToTheFirst,
  prepareSensitivity,
  prepareSizing,
  type Chance,
  type RankedCandidate,
  type RankingInputs,
  type RankingPreferences,
  type SensitivityJob,
  type Sized,
  type SizingJob,
} from '@anvilstone/core/evaluation';
import type { Brief, BuildOrientation } from '@anvilstone/schema';
import { gradesOf, screened, theWorkshop, type Workshop } from './workshop.ts';

/** One piece of work for one brief and workshop, kept until another is asked for: its results come in portions. */
function keepingOne<T>(make: (brief: Brief, key: string) => T): (brief: Brief, extra?: string) => T {
  let kept: { key: string; workshop: Workshop; work: T } | undefined;
  return (brief, extra = '') => {
    const key = `${extra}${JSON.stringify(brief)}`;
    const workshop = theWorkshop();
    if (kept?.key !== key || kept.workshop !== workshop) kept = { key, workshop, work: make(brief, extra) };
    return kept.work;
  };
}

export const sizing = keepingOne((brief): { job: SizingJob | undefined; sized: Map<string, Sized> } => ({
  job: prepareSizing(brief, theWorkshop(), theWorkshop().rules),
  sized: new Map(),
}));

/** Chances worked out so far, by “grade orientation”; undefined: a check is not known. */
const chancesOf = keepingOne(() => new Map<string, Chance | undefined>());

export function chanceOf(brief: Brief, gradeAndWay: string): Chance | undefined {
  const known = chancesOf(brief);
  if (known.has(gradeAndWay)) return known.get(gradeAndWay);
  const [gradeId = '', orientation] = gradeAndWay.split(' ');
  const [grade] = gradesOf([gradeId]);
  const chance =
    grade &&
    chanceOfMeetingAll(brief, theWorkshop(), grade, orientation as BuildOrientation, {
      rules: theWorkshop().rules,
      draws: CHOICE_DRAWS,
    });
  known.set(gradeAndWay, chance);
  return chance;
}

export function inputsFor(brief: Brief, { weights, leastChance, typicalReserve }: RankingPreferences): RankingInputs {
  return {
    sized: sizing(brief).sized,
    ...(weights ? { weights } : {}),
    ...(leastChance === undefined
      ? {}
      : {
          confidence: {
            least: leastChance,
            ...(typicalReserve === undefined ? {} : { typicalReserve }),
            chances: chancesOf(brief),
          },
        }),
  };
}

/** Inputs on which it can be said who leads, with the chances that takes. */
export function inputsOfChoice(brief: Brief, preferences: RankingPreferences, places?: number): RankingInputs {
  const chance = ({ gradeId, best }: RankedCandidate) => chanceOf(brief, `${gradeId} ${best.orientation}`);
  return groundsToTheFirst(screened(brief).grades, preferences, chance, {
    sized: sizing(brief).sized,
    ...(places === undefined ? {} : { places }),
  });
}

/** Sensitivities of one brief under one set of preferences; undefined: nobody leads. */
const sensitivities = keepingOne((brief, preferences): SensitivityJob | undefined => {
  const wanted = JSON.parse(preferences) as RankingPreferences;
  return prepareSensitivity(brief, theWorkshop(), wanted.schoolId, theWorkshop().rules, inputsOfChoice(brief, wanted));
});
export const sensitivityOf = (brief: Brief, preferences: RankingPreferences) =>
  sensitivities(brief, JSON.stringify(preferences));
