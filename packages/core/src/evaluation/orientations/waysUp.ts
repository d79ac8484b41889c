import { findCheck } from '@anvilstone/core/checks';
import { inSentence, InputError, formatReserve } from '@anvilstone/core/foundations';
import { boxOf, type BoxOnBed } from '@anvilstone/core/machines';
import { defaultCompanyRules } from '@anvilstone/core/materials';
import { builtAs, orientationName, BUILT_UP, type Direction } from '@anvilstone/core/shapes';
import {
  ORIENTATIONS,
  type Brief,
  type BuildOrientation,
  type EvaluationEntry,
  type CompanyRules,
  type Library,
  type Statement,
} from '@anvilstone/schema';
import { compareEntries } from '../evaluating/compareEntries.ts';
import { evaluateGrade, prepareJob, type EvaluationJob } from '../evaluating/evaluate.ts';
import { evaluateTilted, tiltOf, type Tilt } from './tilt.ts';
import { supportsUnder, type SupportNeed } from './supports.ts';

/** One build orientation with what it does to every check, and what it takes to print. */
export interface WayUp {
  id: BuildOrientation | 'tilted';
  /** What it is called by how the part lies: XY, XZ, ZX, or how far it is tilted. */
  name: string;
  title: string;
  tilt?: Tilt;
  /** The brief leaves it open. A tilted one counts as allowed: it is tried out. */
  allowed: boolean;
  entry: EvaluationEntry;
  box: BoxOnBed;
  supports: SupportNeed;
}

export interface WaysUp {
  checkIds: readonly string[];
  ways: readonly WayUp[];
  recommendedId: WayUp['id'];
  /** Why, in one or two sentences. */
  reason: Statement;
}

/**
 * One grade in the three standard build orientations and, if asked for, in a tilted one: every check, footprint, height and support.
 * Recommended is, of what the brief allows, what passes before what does not, and then the highest minimum reserve; where
 * that is the same in every orientation, the checks that differ decide.
 * @throws InputError when the library has no such grade, or the brief cannot be evaluated
 */
export function compareWays(
  brief: Brief,
  library: Library,
  gradeId: string,
  rules: CompanyRules = defaultCompanyRules,
  tilt?: Tilt,
): WaysUp {
  const { job, grade } = jobOf(brief, library, gradeId, rules);
  const allowed = brief.asks.orientations ?? ORIENTATIONS;
  const about = (up: Direction) => {
    const { extentMm } = job.prepared.body;
    return { box: boxOf(extentMm, up), supports: supportsUnder(extentMm, up) };
  };
  const ways: WayUp[] = evaluateGrade(job, grade).entries.map((entry) => ({
    id: entry.orientation,
    name: builtAs(brief.part, entry.orientation),
    title: orientationName(brief.part, entry.orientation),
    allowed: allowed.includes(entry.orientation),
    entry,
    ...about(BUILT_UP[entry.orientation]),
  }));
  if (tilt) {
    const up = tiltOf(tilt);
    ways.push({
      id: 'tilted',
      name: 'tilted',
      title: `Tilted ${Math.round(tilt.degrees)}°`,
      tilt,
      allowed: true,
      entry: evaluateTilted(job, grade, up),
      ...about(up),
    });
  }
  ways.sort((a, b) => Number(a.id === 'tilted') - Number(b.id === 'tilted') || a.name.localeCompare(b.name));
  const differing = differingChecks(ways);
  // As the shortlist picks its best build orientation: one answer on both.
  const ranked = ways
    .filter((way) => way.allowed && way.id !== 'tilted')
    .sort((a, b) => compareEntries(a.entry, b.entry));
  return {
    checkIds: job.applicable.map(({ id }) => id),
    ways,
    recommendedId: ranked[0]!.id,
    reason: reasonOf(ranked, ways, differing),
  };
}

/** A library's grade made ready in every build orientation, whether the brief allows it or not. */
export function jobOf(brief: Brief, library: Library, gradeId: string, rules: CompanyRules) {
  const grade = library.grades.find(({ id }) => id === gradeId);
  if (!grade) throw new InputError('gradeId', gradeId, 'a grade of the library');
  const { orientations: _any, ...asks } = brief.asks;
  const job: EvaluationJob = prepareJob({ ...brief, asks }, { ...library, grades: [] }, { rules });
  return { job, grade };
}

/** Smallest reserves this close together say nothing about the build orientation. */
const ALIKE = 0.02;

/** Checks whose reserve the standard build orientations change by more than a little, or that one of them does not know. */
function differingChecks(ways: readonly WayUp[]): ReadonlySet<string> {
  const standard = ways.filter(({ id }) => id !== 'tilted');
  const ids = standard[0]!.entry.checks.map(({ checkId }) => checkId);
  return new Set(
    ids.filter((checkId) => {
      const reserves = standard.map(({ entry }) => reserveIn(entry, checkId));
      return Math.max(...reserves) > (1 + ALIKE) * Math.min(...reserves);
    }),
  );
}

/** Not stressed at all is as good as can be; unknown is not. */
function reserveIn(entry: EvaluationEntry, checkId: string): number {
  const check = entry.checks.find((one) => one.checkId === checkId)!;
  if (check.reserve !== null) return check.reserve;
  return check.status === 'unknown' || check.status === 'fail' ? 0 : MOST;
}
const MOST = 1e6;

function lowest({ entry }: WayUp, among: ReadonlySet<string>): { checkId: string | null; reserve: number } {
  let found: { checkId: string | null; reserve: number } = { checkId: null, reserve: MOST };
  for (const checkId of among) {
    const reserve = reserveIn(entry, checkId);
    if (reserve < found.reserve) found = { checkId, reserve };
  }
  return found;
}

const titleOf = (checkId: string | null) => inSentence(findCheck(checkId ?? '')?.title ?? 'what is unknown');
const reserveOf = ({ entry }: WayUp) =>
  entry.minimumReserve === null
    ? entry.status === 'fail'
      ? 'fails'
      : 'no known reserve'
    : formatReserve(entry.minimumReserve);

function reasonOf(ranked: readonly WayUp[], ways: readonly WayUp[], differing: ReadonlySet<string>): string {
  const [best, ...others] = ranked as [WayUp, ...WayUp[]];
  const verdict = { pass: 'passes', unknown: 'is not fully known', fail: 'still fails' }[best.entry.status];
  const named = (way: WayUp) => `${way.name} ${reserveOf(way)} (${titleOf(way.entry.governingCheckId)})`;
  const barred = ways
    .filter((way) => !way.allowed && compareEntries(way.entry, best.entry) < 0)
    .map(({ name }) => name);
  const alike =
    others.length > 0 &&
    others.every(
      ({ entry }) =>
        entry.status === best.entry.status &&
        entry.governingCheckId === best.entry.governingCheckId &&
        !differing.has(entry.governingCheckId ?? ''),
    );
  const least = (way: WayUp) => {
    const { checkId, reserve } = lowest(way, differing);
    return checkId === null ? 'is not stressed' : `${formatReserve(reserve)} (${titleOf(checkId)})`;
  };
  const why = alike
    ? `${best.name} ${verdict}, as do the others: ${titleOf(best.entry.governingCheckId)} governs in every orientation, ${reserveOf(best)}. ${
        differing.size === 0
          ? 'No check tells them apart.'
          : `Where they differ, ${best.name} comes first: ${least(best)}; ${others.map((way) => `${way.name} ${least(way)}`).join(', ')}.`
      }`
    : `${best.name} ${verdict} with the highest minimum reserve, ${reserveOf(best)} in ${titleOf(best.entry.governingCheckId)}${
        others.length > 0 ? `; ${others.map(named).join(', ')}` : ''
      }.`;
  return [
    why,
    ...(barred.length > 0 ? [`The brief rules out ${barred.join(' and ')}, which would do better.`] : []),
    ...(best.supports.heldMm2 > 0 ? ['It needs support.'] : []),
  ].join(' ');
}
