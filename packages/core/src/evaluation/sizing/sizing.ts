import type {
  Brief,
  BuildOrientation,
  CheckResult,
  EvaluationEntry,
  Grade,
  CompanyRules,
  Library,
  Statement,
} from '@anvilstone/schema';
import { lastPassing, findCheck } from '@anvilstone/core/checks';
import { InputError, say } from '@anvilstone/core/foundations';
import { defaultCompanyRules } from '@anvilstone/core/materials';
import { freeSize, LAYER_NORMAL } from '@anvilstone/core/shapes';
import { evaluateGrade, prepareJob, type EvaluationJob } from '../evaluating/evaluate.ts';

/** Sizes tried from the smallest to the largest share of the drawn one, log-spaced; between two the root is sought. */
const SMALLEST_SHARE = 1 / 5;
const LARGEST_SHARE = 5;
const GRID = 13;
/** The size is found to within this share of itself. */
const TOLERANCE = 1e-4;

/** The smallest size at which a grade passes every check, or what stands in the way. */
export type Sized =
  | {
      ok: true;
      gradeId: string;
      sizeMm: number;
      /** It passes at the smallest size that was tried: smaller may do. */
      atSmallest: boolean;
      heightMm: number;
      entry: EvaluationEntry;
    }
  | { ok: false; gradeId: string; orientation: BuildOrientation; blockerId: string; why: Statement };

/** Makes a brief ready to size grade after grade. Undefined: the part has no dimension that may grow by itself. */
export interface SizingJob {
  /** JSON pointer of the dimension below /part, its name, and its drawn value, mm. */
  pointer: string;
  title: string;
  drawnMm: number;
  /** The part at another size. */
  with(sizeMm: number): Brief['part'];
  size(grade: Grade): Sized;
}

/**
 * Sizes to pass: the smallest free dimension at which every check passes, in the allowed orientation that then costs least.
 * Reserves of strength, stiffness and stability grow with it (scanned from below, then bracketed on the logarithm of the
 * smallest); mass, cost, machine and warp limit it from above. Deterministic.
 * @throws InputError when the brief cannot be evaluated as drawn
 */
export function prepareSizing(
  brief: Brief,
  library: Pick<Library, 'machines' | 'agents'>,
  rules: CompanyRules = defaultCompanyRules,
): SizingJob | undefined {
  const free = freeSize(brief.part);
  if (!free) return undefined;
  const bare: Library = { ...library, grades: [] };
  const jobs = new Map<number, EvaluationJob | null>();
  const jobAt = (sizeMm: number): EvaluationJob | null => {
    let job = jobs.get(sizeMm);
    if (job === undefined) {
      try {
        job = prepareJob({ ...brief, part: free.with(sizeMm) }, bare, { rules });
      } catch (error) {
        // A wall thicker than half its tube: this size cannot be drawn.
        if (!(error instanceof InputError)) throw error;
        job = null;
      }
      jobs.set(sizeMm, job);
    }
    return job;
  };
  prepareJob(brief, bare, { rules });
  const step = (LARGEST_SHARE / SMALLEST_SHARE) ** (1 / (GRID - 1));
  const grid = Array.from({ length: GRID }, (_, i) => free.valueMm * SMALLEST_SHARE * step ** i);
  const gridJobs = grid.flatMap((sizeMm) => {
    const job = jobAt(sizeMm);
    return job ? [{ sizeMm, job }] : [];
  });
  const freshJob = (sizeMm: number) => prepareJob({ ...brief, part: free.with(sizeMm) }, bare, { rules });
  return {
    pointer: free.pointer,
    title: free.title,
    drawnMm: free.valueMm,
    with: (sizeMm) => free.with(sizeMm),
    size: (grade) => sizeGrade(grade, gridJobs, freshJob),
  };
}

interface At {
  sizeMm: number;
  entry: EvaluationEntry;
  job: EvaluationJob;
}

function sizeGrade(
  grade: Grade,
  grid: readonly { sizeMm: number; job: EvaluationJob }[],
  jobAt: (sizeMm: number) => EvaluationJob,
): Sized {
  const tries = grid.map(({ sizeMm, job }) => ({ sizeMm, job, entries: evaluateGrade(job, grade).entries }));
  const orientations = tries[0]!.entries.map(({ orientation }) => orientation);
  const found: Sized[] = orientations.map((orientation, way) => {
    const rising = tries.map(({ sizeMm, job, entries }): At => ({ sizeMm, job, entry: entries[way]! }));
    const first = rising.findIndex(({ entry }) => growingReserve(entry) >= 1);
    if (first < 0) return blocked(grade, orientation, rising.at(-1)!.entry, growing);
    const sized = first === 0 ? rising[0]! : between(grade, way, rising[first - 1]!, rising[first]!, jobAt);
    const { entry, sizeMm, job } = sized;
    if (entry.status !== 'pass') return blocked(grade, orientation, entry, () => true);
    const heightMm = job.prepared.body.extentMm[LAYER_NORMAL[orientation]];
    return { ok: true, gradeId: grade.id, sizeMm, atSmallest: first === 0, heightMm, entry };
  });
  return found.reduce((best, one) => (isBetter(one, best) ? one : best));
}

/** Where between a size that fails and one that passes the minimum reserve reaches 1; rounded up to what passes. */
function between(grade: Grade, way: number, below: At, above: At, jobAt: (sizeMm: number) => EvaluationJob): At {
  const entryAt = (logMm: number): At => {
    const sizeMm = Math.exp(logMm);
    const job = jobAt(sizeMm);
    return { sizeMm, job, entry: evaluateGrade(job, grade).entries[way]! };
  };
  const logOf = (at: At) => Math.log(Math.max(1e-9, growingReserve(at.entry)));
  const root = lastPassing(
    (logMm) => logOf(entryAt(logMm)),
    { x: Math.log(above.sizeMm), logReserve: logOf(above) },
    { x: Math.log(below.sizeMm), logReserve: logOf(below) },
    TOLERANCE,
  );
  const found = entryAt(root + TOLERANCE / 10);
  return growingReserve(found.entry) >= 1 ? found : entryAt(root + TOLERANCE);
}

const growing = (check: CheckResult) => !findCheck(check.checkId)?.worseWhenLarger;

/** Minimum reserve of what a larger part makes better; 0 where something fails without a number or is not known. */
function growingReserve({ checks }: EvaluationEntry): number {
  let smallest = Infinity;
  for (const check of checks) {
    if (!growing(check)) continue;
    if (check.status === 'unknown' || (check.status === 'fail' && check.reserve === null)) return 0;
    if (check.reserve !== null && check.reserve < smallest) smallest = check.reserve;
  }
  return smallest;
}

function blocked(
  grade: Grade,
  orientation: BuildOrientation,
  entry: EvaluationEntry,
  which: (check: CheckResult) => boolean,
): Sized {
  const blocking = entry.checks.filter(which).filter(({ status }) => status === 'fail' || status === 'unknown');
  const worst = blocking.sort((a, b) => (a.reserve ?? -1) - (b.reserve ?? -1))[0]!;
  const title = findCheck(worst.checkId)?.title ?? worst.checkId;
  const why =
    worst.status === 'unknown'
      ? say`${title}: ${worst.gaps[0] ?? 'not known'}`
      : (worst.reason ?? `${title} fails whatever the size`);
  return { ok: false, gradeId: grade.id, orientation, blockerId: worst.checkId, why };
}

/** What can be sized before what cannot; then the cheaper, then the smaller, then as listed. */
function isBetter(one: Sized, best: Sized): boolean {
  if (one.ok !== best.ok) return one.ok;
  if (!one.ok || !best.ok) return false;
  const cost = (sized: typeof one) => sized.entry.costUsd ?? Infinity;
  return cost(one) < cost(best) || (cost(one) === cost(best) && one.sizeMm < best.sizeMm);
}
