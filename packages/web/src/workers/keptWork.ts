import {
  chanceOfMeetingAll,
  CHOICE_DRAWS,
  groundsToTheFirst,
  prepareSensitivity,
  prepareSizing,
  type Chance,
  type GradeStanding,
  type RankingGrounds,
  type RankingWishes,
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

export function groundsFor(brief: Brief, { weights, leastChance, typicalReserve }: RankingWishes): RankingGrounds {
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

/** Grounds on which it can be said who leads, with the chances that takes. */
export function groundsOfChoice(brief: Brief, wishes: RankingWishes, places?: number): RankingGrounds {
  const chance = ({ gradeId, best }: GradeStanding) => chanceOf(brief, `${gradeId} ${best.orientation}`);
  return groundsToTheFirst(screened(brief).grades, wishes, chance, {
    sized: sizing(brief).sized,
    ...(places === undefined ? {} : { places }),
  });
}

/** Sensitivities of one brief under one set of wishes; undefined: nobody leads. */
const sensitivities = keepingOne((brief, wishes): SensitivityJob | undefined => {
  const wanted = JSON.parse(wishes) as RankingWishes;
  return prepareSensitivity(brief, theWorkshop(), wanted.schoolId, theWorkshop().rules, groundsOfChoice(brief, wanted));
});
export const sensitivityOf = (brief: Brief, wishes: RankingWishes) => sensitivities(brief, JSON.stringify(wishes));
