import {
  chanceOfMeetingAll,
  prepareSensitivity,
  prepareSizing,
  type Chance,
  type MeritWeights,
  type RankingGrounds,
  type SensitivityJob,
  type Sized,
  type SizingJob,
} from '@anvilstone/core';
import type { Brief, BuildOrientation } from '@anvilstone/schema';
import { gradesOf, theWorkshop, type Workshop } from './workshop.ts';

/** What the page sets beside the brief: weights, and how sure a grade has to be. */
export interface RankingWishes {
  weights?: MeritWeights;
  leastChance?: number;
}

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
export const chancesOf = keepingOne(() => new Map<string, Chance | undefined>());

/** Enough to tell 90 from 92 %: the interval is shown with it. */
const DRAWS = 4000;

export function chanceOf(brief: Brief, gradeAndWay: string): Chance | undefined {
  const known = chancesOf(brief);
  if (known.has(gradeAndWay)) return known.get(gradeAndWay);
  const [gradeId = '', orientation] = gradeAndWay.split(' ');
  const [grade] = gradesOf([gradeId]);
  const chance =
    grade &&
    chanceOfMeetingAll(brief, theWorkshop(), grade, orientation as BuildOrientation, {
      rules: theWorkshop().rules,
      draws: DRAWS,
    });
  known.set(gradeAndWay, chance);
  return chance;
}

export function groundsFor(brief: Brief, { weights, leastChance }: RankingWishes): RankingGrounds {
  return {
    sized: sizing(brief).sized,
    ...(weights ? { weights } : {}),
    ...(leastChance === undefined ? {} : { confidence: { least: leastChance, chances: chancesOf(brief) } }),
  };
}

/** Sensitivities of one brief under one school; undefined: nobody leads. */
export const sensitivityOf = keepingOne((brief, schoolId): SensitivityJob | undefined =>
  prepareSensitivity(brief, theWorkshop(), schoolId, theWorkshop().rules),
);
