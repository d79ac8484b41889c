import {
  arrange,
  chanceOfMeetingAll,
  EQUAL_WEIGHTS,
  mapOf,
  meritsOf,
  rankingSchools,
  defaultHouseRules,
  evaluate,
  explain,
  libraryTable,
  nearestFixes,
  prepareEqualMass,
  prepareSizing,
  rank,
  reserveOverTemperature,
  screen,
  type ArrangeRequest,
  type Arrangement,
  type Chance,
  type Fix,
  type FunnelStep,
  type GradeMap,
  type GradeStanding,
  type LibraryTable,
  type LibraryTableRequest,
  type Merit,
  type MeritWeights,
  type RankingGrounds,
  type Screening,
  type Sized,
  type SizingJob,
  type TemperaturePoint,
} from '@anvilstone/core';
import type {
  Brief,
  BuildOrientation,
  CheckResult,
  EvaluationEntry,
  Grade,
  GradeEvaluation,
  HouseRules,
  Library,
} from '@anvilstone/schema';
import { expose, transfer } from 'comlink';

/** Grades and machines with the policy values in force: all that an evaluation reads beside the brief. */
export interface Workshop extends Library {
  rules: HouseRules;
}
let workshop: Workshop = { grades: [], machines: [], rules: defaultHouseRules };

/** The last screenings, by brief: several parts of a page ask for the same one. */
const kept = new Map<string, Screening>();
const MOST_KEPT = 12;

function screened(brief: Brief): Screening {
  const key = JSON.stringify(brief);
  let found = kept.get(key);
  if (!found) {
    found = screen(brief, workshop, { rules: workshop.rules });
    if (kept.size >= MOST_KEPT) kept.delete(kept.keys().next().value!);
    kept.set(key, found);
  }
  return found;
}

function evaluated(brief: Brief, gradeIds: readonly string[]): GradeEvaluation[] {
  return evaluate(brief, { ...workshop, grades: gradesOf(gradeIds) }, { rules: workshop.rules }).grades;
}

/** Grades of the workshop by their ids; those that are not there are left out. */
function gradesOf(gradeIds: readonly string[]): Grade[] {
  const byId = new Map(workshop.grades.map((grade) => [grade.id, grade]));
  return gradeIds.flatMap((id) => byId.get(id) ?? []);
}

/** Where a library stands before a brief, in as little as a page needs at every move of a slider. */
export interface Standing {
  checkIds: readonly string[];
  funnel: readonly FunnelStep[];
  counts: Shortlist['counts'];
  /** The first few, cheapest that passes first. */
  leaders: readonly GradeStanding[];
}
const LEADERS = 3;

function countsOf(grades: readonly GradeStanding[]): Shortlist['counts'] {
  const counts = { pass: 0, unknown: 0, fail: 0 };
  for (const { best } of grades) counts[best.status] += 1;
  return counts;
}

/** A shortlist in order, and how many of the whole library stand; the rows that are looked at are asked for by id. */
export interface Shortlist extends Arrangement {
  checkIds: readonly string[];
  counts: { pass: number; unknown: number; fail: number };
  leaders: readonly SchoolLeader[];
  merits: ReadonlyMap<string, Merit> | undefined;
}

/** Who comes first in a school, and which place the leader of the chosen school has in it; 0: none. */
export interface SchoolLeader {
  schoolId: string;
  first: GradeStanding | undefined;
  placeOfChosen: number;
}

/** What the page sets beside the brief: weights, and how sure a grade has to be. */
export interface RankingWishes {
  weights?: MeritWeights;
  leastChance?: number;
}

/** Enough to tell 90 from 92 %: the interval is shown with it. */
const DRAWS = 4000;

/** A brief made ready to be sized is kept: the grades come in portions. */
let keptSizing:
  { brief: string; workshop: Workshop; job: SizingJob | undefined; sized: Map<string, Sized> } | undefined;

function sizing(brief: Brief): NonNullable<typeof keptSizing> {
  const key = JSON.stringify(brief);
  if (keptSizing?.brief !== key || keptSizing.workshop !== workshop)
    keptSizing = { brief: key, workshop, job: prepareSizing(brief, workshop, workshop.rules), sized: new Map() };
  return keptSizing;
}

/** Chances worked out so far for one brief, by “grade orientation”. */
let keptChances: { brief: string; workshop: Workshop; chances: Map<string, Chance | undefined> } | undefined;

function chancesOf(brief: Brief): Map<string, Chance | undefined> {
  const key = JSON.stringify(brief);
  if (keptChances?.brief !== key || keptChances.workshop !== workshop)
    keptChances = { brief: key, workshop, chances: new Map() };
  return keptChances.chances;
}

function groundsFor(brief: Brief, { weights, leastChance }: RankingWishes): RankingGrounds {
  const kept = keptSizing?.brief === JSON.stringify(brief) ? keptSizing.sized : new Map<string, Sized>();
  return {
    sized: kept,
    ...(weights ? { weights } : {}),
    ...(leastChance === undefined ? {} : { confidence: { least: leastChance, chances: chancesOf(brief) } }),
  };
}

function leadersOf(grades: readonly GradeStanding[], chosenId: string, grounds: RankingGrounds): SchoolLeader[] {
  const leads = rank(grades, chosenId, grounds)[0];
  return rankingSchools.map((school) => {
    const ranked = rank(grades, school.id, grounds);
    const first = ranked.find((one) => school.holdsPlace(one, grounds));
    const at = ranked.findIndex((one) => one.gradeId === leads?.gradeId);
    return { schoolId: school.id, first, placeOfChosen: leads && school.holdsPlace(leads, grounds) ? at + 1 : 0 };
  });
}

export interface SizedGrades {
  /** The dimension that grows, and its drawn value, mm. */
  title: string;
  drawnMm: number;
  rows: Sized[];
}

/** Who leads a part's shortlist, cheapest that passes first, and how many stand. */
export interface Leader {
  first: GradeStanding | undefined;
  counts: Shortlist['counts'];
}
export interface PartImpact {
  partId: string;
  now: Leader;
  then: Leader;
}

/** Runs in a web worker, so that the page never waits for the arithmetic. The library is sent once and kept. */
const engine = {
  setWorkshop(value: Workshop): void {
    workshop = value;
    kept.clear();
  },
  standing(brief: Brief): Standing {
    const { checkIds, funnel, grades } = screened(brief);
    return {
      checkIds,
      funnel,
      counts: countsOf(grades),
      leaders: rank(grades, 'cheapest-that-passes').slice(0, LEADERS),
    };
  },
  /** Every grade, in the order of a school. */
  ranking: (brief: Brief, schoolId: string): GradeStanding[] => rank(screened(brief).grades, schoolId),
  shortlist(brief: Brief, request: ArrangeRequest, wishes: RankingWishes = {}): Shortlist {
    const screening = screened(brief);
    const about = new Map(workshop.grades.map((grade) => [grade.id, grade]));
    const grounds = groundsFor(brief, wishes);
    return {
      checkIds: screening.checkIds,
      counts: countsOf(screening.grades),
      leaders: leadersOf(screening.grades, request.schoolId, grounds),
      merits:
        request.schoolId === 'weighted-merit'
          ? meritsOf(screening.grades, grounds.weights ?? EQUAL_WEIGHTS)
          : undefined,
      ...arrange(screening, request, (id) => about.get(id), grounds),
    };
  },
  /** Which parts' answers a set of rules would move: who leads now and then. */
  impact(parts: readonly { partId: string; brief: Brief }[], rules: HouseRules): PartImpact[] {
    const leader = (screening: Screening): Leader => ({
      first: rank(screening.grades, 'cheapest-that-passes')[0],
      counts: countsOf(screening.grades),
    });
    return parts.map(({ partId, brief }) => ({
      partId,
      now: leader(screened(brief)),
      then: leader(screen(brief, workshop, { rules })),
    }));
  },
  /** Some grades at the smallest size that passes; undefined: this part has no dimension that may grow by itself. */
  sized(brief: Brief, gradeIds: readonly string[]): SizedGrades | undefined {
    const { job, sized: known } = sizing(brief);
    if (!job) return undefined;
    const sized = gradesOf(gradeIds).map((grade) => {
      const found = known.get(grade.id) ?? job.size(grade);
      known.set(grade.id, found);
      return found;
    });
    return { title: job.title, drawnMm: job.drawnMm, rows: sized };
  },
  /** Some grades in parts of one mass; undefined: this part has no dimension that may grow by itself. */
  equalMass(brief: Brief, massG: number, gradeIds: readonly string[]) {
    const job = prepareEqualMass(brief, workshop, massG, workshop.rules);
    return job && { title: job.title, drawnMm: job.drawnMm, rows: gradesOf(gradeIds).map((grade) => job.at(grade)) };
  },
  /** Where the grades lie between two axes. */
  map: (brief: Brief, xId: string | undefined, yId: string | undefined): GradeMap =>
    mapOf(brief, screened(brief), xId, yId),
  /** Chances of meeting all checks, one for each “grade orientation”; undefined where a check is not known. */
  chances(brief: Brief, wanted: readonly string[]): (Chance | undefined)[] {
    const byId = new Map(workshop.grades.map((grade) => [grade.id, grade]));
    const known = chancesOf(brief);
    return wanted.map((one) => {
      if (known.has(one)) return known.get(one);
      const [gradeId = '', orientation] = one.split(' ');
      const grade = byId.get(gradeId);
      const chance =
        grade &&
        chanceOfMeetingAll(brief, workshop, grade, orientation as BuildOrientation, {
          rules: workshop.rules,
          draws: DRAWS,
        });
      known.set(one, chance);
      return chance;
    });
  },
  /** Changes with which a grade would pass; none when it does, or is not there. */
  fixes(brief: Brief, gradeId: string): Fix[] {
    const grade = workshop.grades.find(({ id }) => id === gradeId);
    return grade ? nearestFixes(brief, workshop, grade, workshop.rules) : [];
  },
  evaluateGrades: (brief: Brief, gradeIds: readonly string[]): GradeEvaluation[] => evaluated(brief, gradeIds),
  /** One grade in one orientation, whether the brief allows it or not. */
  oneWay(brief: Brief, gradeId: string, orientation: BuildOrientation): EvaluationEntry | undefined {
    const { orientations: _any, ...asks } = brief.asks;
    return evaluated({ ...brief, asks: { ...asks, orientations: [orientation] } }, [gradeId])[0]?.best;
  },
  explain: (brief: Brief, gradeId: string, orientation: BuildOrientation): CheckResult[] =>
    explain(brief, workshop, gradeId, orientation, workshop.rules),
  reserveOverTemperature: (
    brief: Brief,
    gradeId: string,
    orientation: BuildOrientation,
    temperaturesC: number[],
  ): TemperaturePoint[] => reserveOverTemperature(brief, workshop, gradeId, orientation, temperaturesC, workshop.rules),
  /** The table’s arrays are handed over, not copied. */
  libraryTable(request: LibraryTableRequest): LibraryTable {
    const table = libraryTable(workshop.grades, workshop.machines, request, workshop.rules);
    const buffers = [...table.values, ...table.evidence, table.overall, table.printable].map(({ buffer }) => buffer);
    return transfer(table, buffers);
  },
};
export type Engine = typeof engine;

expose(engine);
