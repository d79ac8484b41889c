import {
  ORIENTATIONS,
  type Brief,
  type BuildOrientation,
  type EvaluationEntry,
  type HouseRules,
  type Library,
} from '@anvilstone/schema';
import { findCheck } from '../checks/index.ts';
import { STATUS_ORDER } from '../evaluation/order.ts';
import { evaluateGrade, prepareJob, type EvaluationJob } from '../evaluation/evaluate.ts';
import { evaluateTilted, tiltOf, type Tilt } from '../evaluation/tilt.ts';
import { InputError } from '../input/InputError.ts';
import { BUILT_UP, type Direction } from '../parts/partModel.ts';
import { boxOf, type BoxOnBed } from '../process/boxOnBed.ts';
import { defaultHouseRules } from '../rules/houseRules.ts';
import { formatReserve } from '../units/formatQuantity.ts';
import { supportsUnder, type SupportNeed } from './supports.ts';

/** One way up with what it does to every check, and what it takes to print. */
export interface WayUp {
  id: BuildOrientation | 'tilted';
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
  reason: string;
}

export const WAY_WORDS: Record<BuildOrientation, string> = { XY: 'flat', XZ: 'on edge', ZX: 'upright' };

/**
 * One grade in the three standard ways up and, if asked for, in a tilted one: every check, footprint, height and support.
 * Recommended is, of what the brief allows, what passes before what does not, and then the largest smallest reserve.
 * @throws InputError when the library has no such grade, or the brief cannot be evaluated
 */
export function compareWays(
  brief: Brief,
  library: Library,
  gradeId: string,
  rules: HouseRules = defaultHouseRules,
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
    title: `${entry.orientation} ${WAY_WORDS[entry.orientation]}`,
    allowed: allowed.includes(entry.orientation),
    entry,
    ...about(BUILT_UP[entry.orientation]),
  }));
  if (tilt) {
    const up = tiltOf(tilt);
    ways.push({
      id: 'tilted',
      title: `Tilted ${Math.round(tilt.degrees)}°`,
      tilt,
      allowed: true,
      entry: evaluateTilted(job, grade, up),
      ...about(up),
    });
  }
  const ranked = ways.filter((way) => way.allowed && way.id !== 'tilted').sort(byReserve);
  return {
    checkIds: job.applicable.map(({ id }) => id),
    ways,
    recommendedId: ranked[0]!.id,
    reason: reasonOf(ranked, ways),
  };
}

/** A library's grade made ready in every way up, whether the brief allows it or not. */
export function jobOf(brief: Brief, library: Library, gradeId: string, rules: HouseRules) {
  const grade = library.grades.find(({ id }) => id === gradeId);
  if (!grade) throw new InputError('gradeId', gradeId, 'a grade of the library');
  const { orientations: _any, ...asks } = brief.asks;
  const job: EvaluationJob = prepareJob({ ...brief, asks }, { ...library, grades: [] }, { rules });
  return { job, grade };
}

function byReserve(a: WayUp, b: WayUp): number {
  return (
    STATUS_ORDER[a.entry.status] - STATUS_ORDER[b.entry.status] ||
    (b.entry.minimumReserve ?? -1) - (a.entry.minimumReserve ?? -1) ||
    (a.entry.costUsd ?? Infinity) - (b.entry.costUsd ?? Infinity)
  );
}

const governs = ({ entry }: WayUp) =>
  (findCheck(entry.governingCheckId ?? '')?.title ?? 'what is unknown').toLowerCase();
const reserveOf = ({ entry }: WayUp) =>
  entry.minimumReserve === null ? 'no known reserve' : formatReserve(entry.minimumReserve);

function reasonOf(ranked: readonly WayUp[], ways: readonly WayUp[]): string {
  const [best, ...others] = ranked as [WayUp, ...WayUp[]];
  const verdict = { pass: 'passes', unknown: 'is not fully known', fail: 'still fails' }[best.entry.status];
  const rest = others.map((way) => `${way.id} ${reserveOf(way)} (${governs(way)})`).join(', ');
  const barred = ways.filter((way) => !way.allowed && byReserve(way, best) < 0).map(({ id }) => id);
  return [
    `${best.id} ${verdict} with the largest smallest reserve, ${reserveOf(best)} in ${governs(best)}${rest ? `; ${rest}` : ''}.`,
    ...(barred.length > 0 ? [`The brief rules out ${barred.join(' and ')}, which would do better.`] : []),
    ...(best.supports.heldMm2 > 0 ? ['It needs support.'] : []),
  ].join(' ');
}
