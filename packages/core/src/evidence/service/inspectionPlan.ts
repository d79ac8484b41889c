import type { Brief, CheckResult, EvaluationEntry } from '@anvilstone/schema';
import { findCheck } from '@anvilstone/core/checks';
import { askedLifeH } from './comparison.ts';
import { failureModes, isPredictedBy, type FailureMode } from './failureModes.ts';

/** One thing to look at on a part in service, and when. */
export interface InspectionItem {
  mode: FailureMode;
  /** Check with the minimum reserve of those that predict it. */
  checkId: string;
  /** Null: not known. */
  reserve: number | null;
  why: string;
  /** What is still allowed, in the unit of the check; absent: nothing is measured, or no limit is stated. */
  limit?: { value: number; unit: string };
  /** Days after it was put in service, in rising order. */
  days: readonly number[];
}

const DAY_H = 24;
const LONGEST_D = 3650;
/** What creeps does most of it at the start: looks at these shares of its life. */
const SHARES = [0.01, 0.03, 0.1, 0.3, 0.6, 1];
/** What comes of single events is looked at evenly, after a first look when it has settled in. */
const EVENT_DAYS = [7, 90, 180, 365];
const CLOSE_RESERVE = 1.3;
const MOST_ITEMS = 6;

/**
 * What to look at and when, the weakest first: from the ways in which the part is closest to failing. What builds up with time is looked
 * at early and then ever more seldom; what comes without warning, close to its limit, or on what is not known is looked at twice as often.
 * Intervals are ours, class D: whoever answers for the part may set others.
 */
export function inspectionPlan(brief: Brief, entry: Pick<EvaluationEntry, 'checks'>): InspectionItem[] {
  const lifeD = Math.min(LONGEST_D, Math.max(30, askedLifeH(brief) / DAY_H));
  return failureModes
    .flatMap((mode): InspectionItem[] => {
      const own = entry.checks.filter(
        ({ checkId, status }) => isPredictedBy(mode.id, checkId) && status !== 'not-loaded',
      );
      const [weakest] = [...own].sort((a, b) => rank(a) - rank(b));
      if (!weakest) return [];
      const urgent = weakest.reserve === null || weakest.reserve < CLOSE_RESERVE || !mode.warns;
      return [
        {
          mode,
          checkId: weakest.checkId,
          reserve: weakest.reserve,
          why: whyOf(weakest),
          ...(mode.measure && weakest.capacity !== null
            ? { limit: { value: weakest.capacity, unit: weakest.unit } }
            : {}),
          days: daysOf(mode, lifeD, urgent),
        },
      ];
    })
    .sort((a, b) => (a.reserve ?? 0) - (b.reserve ?? 0))
    .slice(0, MOST_ITEMS);
}

/** What is not known before what is known to be weak. */
const rank = ({ reserve, status }: CheckResult) => (status === 'unknown' ? -1 : (reserve ?? Infinity));

function whyOf({ checkId, reserve, status, evidence }: CheckResult): string {
  const title = findCheck(checkId)?.title ?? checkId;
  if (status === 'unknown') return `${title} is not known`;
  if (reserve === null) return `${title} is a yes/no check, passed`;
  const known = evidence === 'D' ? ' on a family estimate' : '';
  return reserve < CLOSE_RESERVE ? `${title} has little reserve${known}` : `${title} has enough reserve${known}`;
}

function daysOf({ withTime }: FailureMode, lifeD: number, urgent: boolean): number[] {
  const days = withTime ? SHARES.map((share) => share * lifeD) : EVENT_DAYS.filter((day) => day <= lifeD);
  const more = urgent ? [...days, ...days.slice(1).map((day, i) => (day + days[i]!) / 2)] : days;
  return [...new Set(more.map((day) => Math.max(1, Math.round(day))))].sort((a, b) => a - b);
}
