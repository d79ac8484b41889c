import {
  ORIENTATIONS,
  type Brief,
  type BuildOrientation,
  type CheckResult,
  type EvaluationEntry,
  type EvaluationResult,
  type Grade,
  type GradeEvaluation,
  type CompanyRules,
  type Library,
} from '@anvilstone/schema';
import { checks, lowestHeatLimit, type Check, type CheckContext } from '@anvilstone/core/checks';
import { InputError, formatReserve, PLENTY, Working } from '@anvilstone/core/foundations';
import { defaultCompanyRules } from '@anvilstone/core/materials';
import type { Fill } from '@anvilstone/core/shapes';
import { contextsFor, materialFor, prepareBrief, type PreparedBrief } from './context.ts';
import { compareEntries } from './compareEntries.ts';

/** Changes whenever the same input may give another number; frozen decisions carry it. */
export const ENGINE_VERSION = '0.8.0';

export interface EvaluateOptions {
  rules?: CompanyRules;
  /** Only these orientations, as long as the brief allows them. */
  orientations?: readonly BuildOrientation[];
  /** Writes out the arithmetic of every check; costs several times the evaluation itself. @default false */
  showWorking?: boolean;
  /** What is inside of the part, where that is not what the brief says. */
  fill?: Fill;
}

/**
 * Holds every grade of a library against a brief, in every allowed orientation, on the machine that suits it best.
 * Deterministic: grades come back in the library's order. Unknown never passes.
 * @throws InputError (field, value, what is accepted): a part dimension that cannot be used, or no orientation left
 */
export function evaluate(brief: Brief, library: Library, options: EvaluateOptions = {}): EvaluationResult {
  const job = prepareJob(brief, library, options);
  return {
    engineVersion: ENGINE_VERSION,
    checkIds: job.applicable.map((check) => check.id),
    grades: library.grades.map((grade) => evaluateGrade(job, grade)),
  };
}

/** A brief and a library made ready to take one grade after the other. */
export interface EvaluationJob {
  prepared: PreparedBrief;
  applicable: readonly Check[];
  orientations: readonly BuildOrientation[];
  showWorking: boolean;
}

/** @throws InputError as `evaluate` does */
export function prepareJob(brief: Brief, library: Library, options: EvaluateOptions = {}): EvaluationJob {
  const prepared = prepareBrief(brief, library, options.rules ?? defaultCompanyRules, options.fill);
  return {
    prepared,
    applicable: checks.filter((check) => check.applies(prepared)),
    orientations: allowedOrientations(brief, options.orientations),
    showWorking: options.showWorking ?? false,
  };
}

/** One grade in every allowed orientation, on the machine that suits it best. */
export function evaluateGrade(job: EvaluationJob, grade: Grade): GradeEvaluation {
  const { prepared, orientations, showWorking } = job;
  const material = materialFor(prepared, grade, showWorking);
  return evaluateContexts(job, grade.id, contextsFor(prepared, material, orientations));
}

/** The same with contexts of one’s own making, one for each build orientation. */
export function evaluateContexts(
  { applicable, showWorking }: EvaluationJob,
  gradeId: string,
  contexts: readonly CheckContext[],
): GradeEvaluation {
  const entries: EvaluationEntry[] = [];
  for (const context of contexts) entries.push(entryOf(context, applicable, showWorking, entries[0]));
  const best = entries.reduce((found, entry) => (compareEntries(entry, found) < 0 ? entry : found));
  return { gradeId, best, entries };
}

function allowedOrientations(brief: Brief, wanted: readonly BuildOrientation[] | undefined): BuildOrientation[] {
  const allowed = brief.asks.orientations ?? ORIENTATIONS;
  const left = ORIENTATIONS.filter((one) => allowed.includes(one) && (!wanted || wanted.includes(one)));
  if (left.length === 0)
    throw new InputError('orientation', wanted?.join(', '), `the brief allows ${allowed.join(', ')}`);
  return left;
}

/** `other` is the same grade another orientation, whose outcomes serve where the build orientation changes nothing. */
function entryOf(
  context: CheckContext,
  applicable: readonly Check[],
  showWorking: boolean,
  other: EvaluationEntry | undefined,
): EvaluationEntry {
  const results = applicable.map((check, i) => {
    // A shell is as thick as the build orientation makes it, and strands lie or do not.
    if (other && check.anyWayUp && !context.brief.filled && !context.brief.fibre) return other.checks[i]!;
    return showWorking ? explainCheck(check, context) : runCheck(check, context);
  });
  const limit = lowestHeatLimit(context);
  let governing: CheckResult | undefined;
  for (const result of results) {
    if (result.reserve !== null && (!governing || result.reserve < governing.reserve!)) governing = result;
  }
  const status = statusOf(results);
  const entry: EvaluationEntry = {
    orientation: context.orientation,
    machineId: context.fit?.machine.id ?? null,
    status,
    minimumReserve: toldReserve(status, governing?.reserve ?? null),
    governingCheckId: governingCheckId(results, status, governing),
    massG: context.massG,
    costUsd: context.cost?.totalUsd ?? null,
    printTimeH: context.cost?.printTimeH ?? null,
    ownHeatLimitC: 'gaps' in limit ? null : limit.limitC,
    checks: results,
  };
  if (!('gaps' in limit)) entry.ownHeatLimitBy = limit.governs;
  return entry;
}

/**
 * The number that is told of a whole grade. Of one that fails or is not known for want of a number no other check’s number is told: it
 * would read as if there were reserve.
 */
const toldReserve = (status: EvaluationEntry['status'], smallest: number | null): number | null =>
  status === 'pass' || (smallest !== null && smallest < 1) ? smallest : null;

/** The minimum reserve of an entry's checks, whatever else stands in its way; null: none has a number. */
export function smallestReserveOf({ checks }: Pick<EvaluationEntry, 'checks'>): number | null {
  let smallest: number | null = null;
  for (const { reserve } of checks)
    if (reserve !== null && (smallest === null || reserve < smallest)) smallest = reserve;
  return smallest;
}

/**
 * The check that decides: the minimum reserve where one fails or all pass, a blocker that has no reserve over any number
 * that passes, and what is unknown where only that stands in the way.
 */
function governingCheckId(
  results: readonly CheckResult[],
  status: EvaluationEntry['status'],
  smallest: CheckResult | undefined,
): string | null {
  const blocker = results.find((result) => result.status === 'fail' && result.reserve === null);
  if (status === 'fail' && !(smallest && smallest.reserve! < 1) && blocker) return blocker.checkId;
  if (status === 'unknown') return results.find((result) => result.status === 'unknown')!.checkId;
  return smallest?.checkId ?? null;
}

function statusOf(results: readonly CheckResult[]): EvaluationEntry['status'] {
  if (results.some((result) => result.status === 'fail')) return 'fail';
  return results.some((result) => result.status === 'unknown') ? 'unknown' : 'pass';
}

function runCheck(check: Check, context: CheckContext): CheckResult {
  const outcome = check.evaluate(context);
  outcome.checkId = check.id;
  return outcome;
}

function explainCheck(check: Check, context: CheckContext): CheckResult {
  const working = new Working();
  const outcome = check.evaluate(context, working);
  if (outcome.demand !== null && outcome.capacity !== null && outcome.reserve !== null) {
    working.add(
      'R',
      'Reserve factor',
      outcome.reserve > PLENTY ? formatReserve(outcome.reserve) : outcome.reserve,
      '×',
      {
        expression: outcome.unit === '°C' ? 'as counted above' : 'capacity ÷ demand',
      },
    );
  }
  // A rating or a colour has no arithmetic: what decided it is all there is to show.
  if (working.steps.length === 0 && outcome.reason !== null) working.add('', 'What decides', outcome.reason, '');
  return { ...outcome, checkId: check.id, working: working.steps };
}

/**
 * One grade in one orientation with the arithmetic of every check written out.
 * @throws InputError when the library has no such grade, or the brief cannot be evaluated
 */
export function explain(
  brief: Brief,
  library: Library,
  gradeId: string,
  orientation: BuildOrientation,
  rules: CompanyRules = defaultCompanyRules,
): CheckResult[] {
  const grade = library.grades.find((one) => one.id === gradeId);
  if (!grade) throw new InputError('gradeId', gradeId, 'a grade of the library is needed');
  const one = { ...library, grades: [grade] };
  const result = evaluate(brief, one, { rules, orientations: [orientation], showWorking: true });
  return result.grades[0]!.best.checks;
}
