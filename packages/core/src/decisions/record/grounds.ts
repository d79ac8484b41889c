import type {
  Alternative,
  Brief,
  BuildOrientation,
  DecisionGrounds,
  EvaluationEntry,
  EvaluationResult,
  FrozenSensitivity,
  GradeEvaluation,
  CompanyRules,
  Library,
  Screened,
  TestDone,
  TestOpen,
} from '@anvilstone/schema';
import {
  chanceOfMeetingAll,
  choose,
  chancesFor,
  CHOICE_DRAWS,
  evaluate,
  rank,
  type RankedCandidate,
  type RankingInputs,
  prepareSizing,
  type Sized,
  screen,
  groundsToTheFirst,
  usualPreferences,
  prepareSensitivity,
  spanOf,
} from '@anvilstone/core/evaluation';
import { planTests } from '@anvilstone/core/evidence';
import { cautionsFor } from '@anvilstone/core/machines';
import { findAgent, completeRules } from '@anvilstone/core/materials';
import { whyNot } from './whyNot.ts';

/** Kept with all their evidence: more could not be read by anyone, and a library of thousands would make each record tens of megabytes. */
export const MOST_KEPT = 60;
/** Candidates that are named with their chance and with why not. */
export const MOST_NAMED = 12;
const MOST_INPUTS = 10;
/** So many that come first are drawn for certain. */
const MOST_SURE = 3;
const SEED = 1;
const DRAWS = CHOICE_DRAWS;

export interface Choice {
  gradeId: string;
  orientation: BuildOrientation;
  schoolId: string;
  limits: string;
  notes: readonly { gradeId: string; text: string }[];
  testsDone: readonly TestDone[];
}

export interface FrozenGrounds {
  grades: Library['grades'];
  result: EvaluationResult;
  grounds: DecisionGrounds;
}

/**
 * Everything a decision rests on: the candidates with reserves and chances, why the others were not taken, what decides most, cautions, and
 * which tests are still open. Deterministic. The chosen grade has to be in the library and its build orientation in the brief.
 * @throws InputError when the brief cannot be evaluated
 */
export function inputsOfChoice(brief: Brief, library: Library, rules: CompanyRules, choice: Choice): FrozenGrounds {
  const { grades: candidates } = screen(brief, library, { rules });
  const preferences = { ...usualPreferences(rules), schoolId: choice.schoolId };
  const first = choose({ brief, library, rules }, candidates, {
    ...sizesOf(brief, library, rules, candidates, choice.schoolId),
    preferences,
    places: MOST_SURE,
  });
  const others = first.map(({ gradeId }) => gradeId).filter((id) => id !== choice.gradeId);
  const keptIds = new Set([choice.gradeId, ...others.slice(0, MOST_KEPT - 1)]);
  const grades = library.grades.filter(({ id }) => keptIds.has(id));
  const kept: Library = { ...library, grades };
  const named = first.filter(({ gradeId }) => keptIds.has(gradeId) && gradeId !== choice.gradeId).slice(0, MOST_NAMED);
  const result = withNamedChances(
    brief,
    kept,
    rules,
    evaluate(brief, kept, { rules }),
    choice,
    named.map(({ gradeId }) => gradeId),
  );
  const entry = chosenEntry(result, choice)!;
  const grade = grades.find(({ id }) => id === choice.gradeId)!;
  const noted = new Map(choice.notes.map(({ gradeId, text }) => [gradeId, text]));
  return {
    grades,
    result,
    grounds: {
      schoolId: choice.schoolId,
      ...(choice.schoolId === 'cheapest-that-passes' && preferences.leastChance !== undefined
        ? { leastChance: preferences.leastChance }
        : {}),
      machineId: entry.machineId,
      screened: screenedOf(candidates, grades.length),
      alternatives: named.map(({ gradeId }): Alternative => {
        const { best } = result.grades.find((one) => one.gradeId === gradeId)!;
        const note = noted.get(gradeId);
        return {
          gradeId,
          orientation: best.orientation,
          whyNot: whyNot(entry, best),
          ...(note === undefined ? {} : { note }),
        };
      }),
      sensitivity: sensitivityOf(brief, kept, rules, choice),
      cautions: cautionsFor('decision', {
        brief,
        rules: completeRules(rules),
        agent: (id) => library.agents?.find((one) => one.id === id) ?? findAgent(id),
        grade,
      }).map(({ id, text }) => ({ id, text })),
      testsDone: [...choice.testsDone],
      testsOpen: openTests(brief, kept, rules, entry, choice),
      limits: choice.limits,
    },
  };
}

/** Undefined: the grade or the build orientation is not in the result. */
export const chosenEntry = (
  { grades }: EvaluationResult,
  { gradeId, orientation }: Pick<Choice, 'gradeId' | 'orientation'>,
): EvaluationEntry | undefined =>
  grades.find((one) => one.gradeId === gradeId)?.entries.find((one) => one.orientation === orientation);

/** For the ranking method that reads sizes: those of the grades that may come first. */
function sizesOf(
  brief: Brief,
  library: Library,
  rules: CompanyRules,
  candidates: readonly RankedCandidate[],
  schoolId: string,
): RankingInputs {
  if (schoolId !== 'lightest-when-sized') return {};
  const job = prepareSizing(brief, library, rules);
  const likely = new Set(
    rank(candidates, 'weakest-link')
      .slice(0, MOST_KEPT)
      .map(({ gradeId }) => gradeId),
  );
  const sized = new Map<string, Sized>();
  if (job) for (const grade of library.grades) if (likely.has(grade.id)) sized.set(grade.id, job.size(grade));
  return { sized };
}

/** The chosen build orientation, and the best orientation of those that are named; the others have none. */
export function withNamedChances(
  brief: Brief,
  library: Library,
  rules: CompanyRules,
  result: EvaluationResult,
  choice: Pick<Choice, 'gradeId' | 'orientation'>,
  namedIds: readonly string[],
): EvaluationResult {
  const named = new Set(namedIds);
  const byId = new Map(library.grades.map((grade) => [grade.id, grade]));
  const chanced = (gradeId: string, entry: EvaluationEntry): EvaluationEntry => {
    const found = chanceOfMeetingAll(brief, library, byId.get(gradeId)!, entry.orientation, {
      rules,
      seed: SEED,
      draws: DRAWS,
    });
    const chance = found
      ? {
          seed: SEED,
          draws: DRAWS,
          all: found.all,
          low: found.low,
          high: found.high,
          byCheck: found.byCheck.map((one) => ({ ...one })),
        }
      : null;
    return { ...entry, chance };
  };
  const grades = result.grades.map((one): GradeEvaluation => {
    const isChosen = one.gradeId === choice.gradeId;
    if (!isChosen && !named.has(one.gradeId)) return one;
    const wanted = isChosen ? choice.orientation : one.best.orientation;
    const entries = one.entries.map((entry) => (entry.orientation === wanted ? chanced(one.gradeId, entry) : entry));
    const best = entries.find(({ orientation }) => orientation === one.best.orientation)!;
    return { ...one, best, entries };
  });
  return { ...result, grades };
}

function screenedOf(candidates: readonly RankedCandidate[], kept: number): Screened {
  const count = (status: string) => candidates.filter(({ best }) => best.status === status).length;
  const fell = new Map<string, number>();
  for (const { best } of candidates)
    if (best.status === 'fail' && best.governingCheckId !== null)
      fell.set(best.governingCheckId, (fell.get(best.governingCheckId) ?? 0) + 1);
  return {
    grades: candidates.length,
    pass: count('pass'),
    unknown: count('unknown'),
    fail: count('fail'),
    kept,
    fellOver: [...fell]
      .map(([checkId, grades]) => ({ checkId, grades }))
      .sort((a, b) => b.grades - a.grades || (a.checkId < b.checkId ? -1 : 1)),
  };
}

/**
 * Of the chosen grade, the inputs that decide most first. Where another orientation than its best was chosen, every grade is held to that build orientation:
 * the reserves are then those of what is printed.
 */
export function sensitivityOf(
  brief: Brief,
  library: Library,
  rules: CompanyRules,
  { gradeId, orientation, schoolId }: Pick<Choice, 'gradeId' | 'orientation' | 'schoolId'>,
): FrozenSensitivity[] {
  const grade = library.grades.filter(({ id }) => id === gradeId);
  const best = screen(brief, { ...library, grades: grade }, { rules }).grades[0]?.best.orientation;
  const held: Brief = best === orientation ? brief : { ...brief, asks: { ...brief.asks, orientations: [orientation] } };
  const preferences = { ...usualPreferences(rules), schoolId };
  const grounds = groundsToTheFirst(
    screen(held, library, { rules }).grades,
    preferences,
    chancesFor(held, library, rules),
  );
  const job = prepareSensitivity(held, library, schoolId, rules, grounds, gradeId);
  if (!job) return [];
  return job.inputs
    .map((_, index) => job.at(index))
    .sort((a, b) => spanOf(b) - spanOf(a))
    .slice(0, MOST_INPUTS)
    .map((one) => ({ ...one }));
}

/** Proposed and not yet done on three specimens of this grade. */
function openTests(
  brief: Brief,
  library: Library,
  rules: CompanyRules,
  entry: EvaluationEntry,
  { gradeId, testsDone }: Choice,
): TestOpen[] {
  const grade = library.grades.find(({ id }) => id === gradeId)!;
  const done = new Set(
    testsDone.filter((one) => one.gradeId === gradeId && one.n >= 3).map(({ methodId }) => methodId),
  );
  return planTests(brief, library, grade, entry, rules)
    .filter(({ method }) => !done.has(method.id))
    .map(({ checkId, method, orientation, perArm, why }) => ({
      checkId,
      methodId: method.id,
      orientation,
      specimens: perArm,
      why,
    }));
}
