import { findCheck } from '@anvilstone/core/checks';
import { angleChart, choiceSentences, compareFinalists, type Comparison, type Piece } from '@anvilstone/core/decisions';
import {
  arrange,
  choose,
  compareFillings,
  compareFoams,
  compareSplits,
  compareWays,
  EQUAL_WEIGHTS,
  explain,
  fillingsOfMass,
  findRankingMethod,
  helpfulMeasurements,
  libraryTable,
  mapOf,
  meritsOf,
  nearestFixes,
  planFibre,
  prepareEqualMass,
  rank,
  reserveOverTemperature,
  screen,
  tiltSweep,
  usualPreferences,
  type ArrangeRequest,
  type Chance,
  type Filling,
  type Fix,
  type Foaming,
  type GradeMap,
  type RankedCandidate,
  type LibraryTable,
  type LibraryTableRequest,
  type Measurement,
  type RankingPreferences,
  type Screening,
  type Sensitivity,
  type Split,
  type StiffeningOption,
  type TemperaturePoint,
  type Tilt,
  type WaysUp,
} from '@anvilstone/core/evaluation';
import { planTests, type TestProposal } from '@anvilstone/core/evidence';
import type { LineChart, UnitSystem } from '@anvilstone/core/foundations';
import { machineChoices, upgradeGains, type MachineChoice, type UpgradeGain } from '@anvilstone/core/making';
import { builtAs, laminateReport, type LaminateReport } from '@anvilstone/core/shapes';
import type {
  Brief,
  BuildOrientation,
  CheckResult,
  EvaluationEntry,
  GradeEvaluation,
  CompanyRules,
  Layup,
} from '@anvilstone/schema';
import { expose, transfer } from 'comlink';
import { chanceOf, inputsFor, inputsOfChoice, sensitivityOf, sizing } from './keptWork.ts';
import {
  countsOf,
  LEADERS,
  leadersOf,
  type Leader,
  type PartImpact,
  type Shortlist,
  type SizedGrades,
  type ScreeningSummary,
} from './leaders.ts';
import { evaluated, gradesOf, screened, setTheWorkshop, theWorkshop, type Workshop } from './workshop.ts';

/** Runs in a web worker, so that the page never waits for the arithmetic. The library is sent once and kept. */
/** Changed briefs, and the brief that they were worked out from: it may have been edited since. */
export interface ProposedFor<T> {
  from: Brief;
  proposals: T[];
}
export type ProposedTest = Omit<TestProposal, 'method'> & { methodId: string };

/** As the rules have it; a ranking method that reads sizes is answered here by the lowest cost as drawn. */
function usualChoice(rules: CompanyRules): RankingPreferences {
  const usual = usualPreferences(rules);
  return findRankingMethod(usual.schoolId).needsSizes ? { ...usual, schoolId: 'cheapest-that-passes' } : usual;
}

const engine = {
  setWorkshop(value: Workshop): void {
    setTheWorkshop(value);
  },
  screening(brief: Brief): ScreeningSummary {
    const { checkIds, funnel, grades } = screened(brief);
    const preferences = usualChoice(theWorkshop().rules);
    const leaders = rank(grades, preferences.schoolId, inputsOfChoice(brief, preferences, LEADERS)).slice(0, LEADERS);
    return {
      checkIds,
      funnel,
      counts: countsOf(grades),
      leaders,
      governedBy: findCheck(leaders[0]?.best.governingCheckId ?? '')?.title,
      built: leaders[0] && builtAs(brief.part, leaders[0].best.orientation),
    };
  },
  /** Every grade, in the order of a ranking method. */
  ranking: (brief: Brief, schoolId: string): RankedCandidate[] => rank(screened(brief).grades, schoolId),
  shortlist(brief: Brief, request: ArrangeRequest, preferences: RankingPreferences): Shortlist {
    const screening = screened(brief);
    const about = new Map(theWorkshop().grades.map((grade) => [grade.id, grade]));
    // Who leads is told at once; the rest of the chances come in portions.
    inputsOfChoice(brief, { ...preferences, schoolId: 'cheapest-that-passes' });
    const grounds = inputsFor(brief, preferences);
    return {
      checkIds: screening.checkIds,
      schoolId: request.schoolId,
      comparedWith: request.comparedWith,
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
  impact(parts: readonly { partId: string; brief: Brief }[], rules: CompanyRules): PartImpact[] {
    const leader = (screening: Screening, brief: Brief, held: CompanyRules): Leader => {
      const world = { brief, library: theWorkshop(), rules: held };
      const [first] = choose(world, screening.grades, { preferences: usualChoice(held), places: 1 });
      return {
        first,
        built: first && builtAs(brief.part, first.best.orientation),
        counts: countsOf(screening.grades),
      };
    };
    return parts.map(({ partId, brief }) => ({
      partId,
      now: leader(screened(brief), brief, theWorkshop().rules),
      then: leader(screen(brief, theWorkshop(), { rules }), brief, rules),
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
    const job = prepareEqualMass(brief, theWorkshop(), massG, theWorkshop().rules);
    return job && { title: job.title, drawnMm: job.drawnMm, rows: gradesOf(gradeIds).map((grade) => job.at(grade)) };
  },
  /** Where the grades lie between two axes. */
  map: (brief: Brief, xId: string | undefined, yId: string | undefined): GradeMap =>
    mapOf(brief, screened(brief), xId, yId),
  /** Chances of meeting all checks, one for each “grade orientation”; undefined where a check is not known. */
  chances(brief: Brief, wanted: readonly string[]): (Chance | undefined)[] {
    return wanted.map((one) => chanceOf(brief, one));
  },
  /** Whoever comes first in a ranking method, each once, the first ranking method's first; filled up in its order to two. */
  methodLeaders(brief: Brief, preferences: RankingPreferences): string[] {
    const { grades } = screened(brief);
    const grounds = inputsOfChoice(brief, { ...preferences, schoolId: 'cheapest-that-passes' });
    const leaders = leadersOf(grades, 'cheapest-that-passes', grounds);
    const ids = new Set(leaders.flatMap(({ first }) => (first ? [first.gradeId] : [])));
    for (const { gradeId, best } of rank(grades, 'cheapest-that-passes', grounds))
      if (ids.size < 2 && (best.status === 'pass' || ids.size === 1)) ids.add(gradeId);
    return [...ids];
  },
  /** A few grades side by side. */
  compare: (brief: Brief, gradeIds: readonly string[], units: UnitSystem): Comparison =>
    compareFinalists(brief, theWorkshop(), gradeIds, theWorkshop().rules, units),
  /** The choice in plain sentences, with the draws of the one that leads. */
  choice(brief: Brief, preferences: RankingPreferences, units: UnitSystem): Piece[][] {
    const ranked = rank(screened(brief).grades, preferences.schoolId, inputsOfChoice(brief, preferences));
    const leader = ranked[0];
    const first = leader && evaluated(brief, [leader.gradeId])[0];
    const { grades, machines } = theWorkshop();
    return choiceSentences({
      brief,
      rankingMethod: findRankingMethod(preferences.schoolId),
      ranked,
      first,
      chance: first && chanceOf(brief, `${first.gradeId} ${first.best.orientation}`),
      nameOf: (id) => grades.find((grade) => grade.id === id)?.name ?? id,
      machineNameOf: (id) => machines.find((machine) => machine.id === id)?.name ?? null,
      units,
    });
  },
  /** What is varied, and who leads; undefined: nobody does. */
  sensitivityInputs(brief: Brief, preferences: RankingPreferences) {
    const job = sensitivityOf(brief, preferences);
    return job && { leaderId: job.leaderId, inputs: job.inputs };
  },
  sensitivity: (brief: Brief, preferences: RankingPreferences, index: number): Sensitivity | undefined =>
    sensitivityOf(brief, preferences)?.at(index),
  measurements: (brief: Brief, preferences: RankingPreferences): Measurement[] =>
    helpfulMeasurements(
      brief,
      theWorkshop(),
      preferences.schoolId,
      theWorkshop().rules,
      inputsOfChoice(brief, preferences),
    ),
  /** Changes with which a grade would pass; none when it does, or is not there. */
  fixes(brief: Brief, gradeId: string): ProposedFor<Fix> {
    const grade = theWorkshop().grades.find(({ id }) => id === gradeId);
    return { from: brief, proposals: grade ? nearestFixes(brief, theWorkshop(), grade, theWorkshop().rules) : [] };
  },
  /** As one wants to choose, weights and wanted confidence with it. */
  rankingBy: (brief: Brief, preferences: RankingPreferences): RankedCandidate[] =>
    rank(screened(brief).grades, preferences.schoolId, inputsOfChoice(brief, preferences)),
  /** One grade in every build orientation, and tilted if asked for. */
  ways: (brief: Brief, gradeId: string, tilt?: Tilt): WaysUp =>
    compareWays(brief, theWorkshop(), gradeId, theWorkshop().rules, tilt),
  tiltSweep: (brief: Brief, gradeId: string, towards: Tilt['towards']): LineChart =>
    tiltSweep(brief, theWorkshop(), gradeId, towards, theWorkshop().rules),
  angleChart: (brief: Brief, gradeId: string, units: UnitSystem): LineChart | undefined =>
    angleChart(brief, theWorkshop(), gradeId, theWorkshop().rules, units),
  fillings: (brief: Brief, gradeId: string): Filling[] =>
    compareFillings(brief, theWorkshop(), gradeId, theWorkshop().rules),
  /** Undefined: this grade does not foam. */
  foams: (brief: Brief, gradeId: string): Foaming[] | undefined =>
    compareFoams(brief, theWorkshop(), gradeId, theWorkshop().rules),
  splits: (brief: Brief, gradeIds: readonly [string, string]): Split[] =>
    compareSplits(brief, theWorkshop(), gradeIds, theWorkshop().rules),
  fillingsOfMass: (brief: Brief, gradeId: string, massG: number): Filling[] =>
    fillingsOfMass(brief, theWorkshop(), gradeId, massG, theWorkshop().rules),
  planFibre: (brief: Brief, gradeId: string, target: number): ProposedFor<StiffeningOption> => ({
    from: brief,
    proposals: planFibre(brief, theWorkshop(), gradeId, theWorkshop().rules, target),
  }),
  /** Every machine for one grade and build orientation; none: how its family is printed is not known. */
  machineChoices: (brief: Brief, gradeId: string, orientation: BuildOrientation): MachineChoice[] | 'none' =>
    machineChoices(brief, theWorkshop(), gradeId, orientation, theWorkshop().rules) ?? 'none',
  upgradeGains: (briefs: readonly Brief[], machineId: string): UpgradeGain[] =>
    upgradeGains(briefs, theWorkshop(), machineId, theWorkshop().rules),
  /** Tests that a part’s answer would gain from, in one grade and build orientation. Methods go by their ids: they hold functions. */
  testPlan(
    brief: Brief,
    gradeId: string,
    orientation: BuildOrientation,
    gaugeCapacityN: number | undefined,
  ): ProposedTest[] {
    const [grade] = gradesOf([gradeId]);
    const entry = this.oneWay(brief, gradeId, orientation);
    if (!grade || !entry) return [];
    const options = gaugeCapacityN === undefined ? {} : { gaugeCapacityN };
    return planTests(brief, theWorkshop(), grade, entry, theWorkshop().rules, options).map(({ method, ...one }) => ({
      ...one,
      methodId: method.id,
    }));
  },
  laminate: (layup: Layup): LaminateReport => laminateReport(layup, theWorkshop(), theWorkshop().rules),
  evaluateGrades: (brief: Brief, gradeIds: readonly string[]): GradeEvaluation[] => evaluated(brief, gradeIds),
  /** One grade in one orientation, whether the brief allows it or not. */
  oneWay(brief: Brief, gradeId: string, orientation: BuildOrientation): EvaluationEntry | undefined {
    const { orientations: _any, ...asks } = brief.asks;
    return evaluated({ ...brief, asks: { ...asks, orientations: [orientation] } }, [gradeId])[0]?.best;
  },
  /** The same, and what governs it by name: the list of parts does without the checks themselves. */
  oneWayNamed(brief: Brief, gradeId: string, orientation: BuildOrientation) {
    const entry = this.oneWay(brief, gradeId, orientation);
    return (
      entry && {
        entry,
        governedBy: findCheck(entry.governingCheckId ?? '')?.title,
        built: builtAs(brief.part, orientation),
      }
    );
  },
  explain: (brief: Brief, gradeId: string, orientation: BuildOrientation): CheckResult[] =>
    explain(brief, theWorkshop(), gradeId, orientation, theWorkshop().rules),
  reserveOverTemperature: (
    brief: Brief,
    gradeId: string,
    orientation: BuildOrientation,
    temperaturesC: number[],
  ): TemperaturePoint[] =>
    reserveOverTemperature(brief, theWorkshop(), gradeId, orientation, temperaturesC, theWorkshop().rules),
  /** The table’s arrays are handed over, not copied. */
  libraryTable(request: LibraryTableRequest): LibraryTable {
    const table = libraryTable(theWorkshop().grades, theWorkshop().machines, request, theWorkshop().rules);
    const buffers = [...table.values, ...table.evidence, table.overall, table.printable].map(({ buffer }) => buffer);
    return transfer(table, buffers);
  },
};
export type Engine = typeof engine;

expose(engine);
