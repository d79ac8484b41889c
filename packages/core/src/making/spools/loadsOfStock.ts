import type { DryerSchedule, Grade, CompanyRules, Spool } from '@anvilstone/schema';
import { conditioningLoad, spoolLoad, type DryerLoad } from '../drying/dryerLoad.ts';
import { dryingOf } from '../drying/dryingOfGrade.ts';
import type { SpoolClock } from './spoolClock.ts';

const HOUR_MS = 3600e3;

/** What waits for a dryer or a conditioning box, and what cannot be told. */
export interface LoadsOfStock {
  loads: readonly DryerLoad[];
  /** In words: a job or spool that no run can be planned for. */
  untold: readonly string[];
}

/** As the stock tells it: never too wet is null there. */
type ClockOfStock = Pick<SpoolClock, 'state' | 'needsDryingH'> & { useWithinH: number | null };

/**
 * A spool waits when it is wet now, will be wet by the time it is needed, or stands in a run already; a sealed one when it is needed;
 * an empty one never. One that nobody needs and that is merely on its clock does not.
 */
export function loadsOfStock(
  spools: readonly { spool: Spool; clock: ClockOfStock | null }[],
  { runs, conditioning }: DryerSchedule,
  gradeOf: (id: string) => Grade | undefined,
  rules: CompanyRules,
  nowMs: number,
): LoadsOfStock {
  const inRuns = new Set(runs.flatMap((run) => run.loads));
  const loads: DryerLoad[] = [];
  const untold: string[] = [];
  for (const { spool, clock } of spools) {
    if (spool.empty) continue;
    const grade = gradeOf(spool.gradeId);
    const drying = grade && dryingOf(grade, rules);
    if (!grade || !drying || !clock) {
      if (spool.need) untold.push(`${spool.id}: its grade or family is not known, so neither is how it is dried`);
      continue;
    }
    const waits = clock.state === 'wet' || (clock.state === 'unknown' && spool.need !== undefined);
    const wetByThen =
      spool.need && clock.useWithinH !== null && nowMs + clock.useWithinH * HOUR_MS < Date.parse(spool.need.at);
    if (waits || wetByThen || inRuns.has(spool.id)) loads.push(spoolLoad(spool, grade, drying, clock.needsDryingH));
  }
  for (const job of conditioning) {
    const load = conditioningLoad(job, gradeOf(job.gradeId));
    if (typeof load === 'string') untold.push(load);
    else loads.push(load);
  }
  return { loads, untold };
}
