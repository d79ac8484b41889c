import type { DryerSchedule, ScheduledRun } from '@anvilstone/schema';
import { freshId } from '../../ui/freshId.ts';

const STEP_MS = 15 * 60e3;

/**
 * Where a run that was let go near this time begins: when another one ends, if that is within a quarter of an hour; or else on
 * the quarter hour, for nobody puts a spool in at 14:07.
 */
export function startNear(ms: number, endsMs: readonly number[]): number {
  const away = (end: number) => Math.abs(end - ms);
  const [nearest] = endsMs.filter((end) => away(end) <= STEP_MS).sort((a, b) => away(a) - away(b));
  return nearest ?? Math.round(ms / STEP_MS) * STEP_MS;
}

const withRuns = (schedule: DryerSchedule, runs: readonly ScheduledRun[]): DryerSchedule => ({
  ...schedule,
  runs: runs.filter(({ loads }) => loads.length > 0),
});

export const changeRun = (schedule: DryerSchedule, id: string, change: Partial<ScheduledRun>): DryerSchedule =>
  withRuns(
    schedule,
    schedule.runs.map((run) => (run.id === id ? { ...run, ...change } : run)),
  );

export const moveRun = (schedule: DryerSchedule, id: string, startMs: number, dryerId: string): DryerSchedule =>
  changeRun(schedule, id, { start: new Date(startMs).toISOString(), dryerId });

export const removeRun = (schedule: DryerSchedule, id: string): DryerSchedule =>
  withRuns(
    schedule,
    schedule.runs.filter((run) => run.id !== id),
  );

/** Takes a load out of its run and puts it into another; “own”: into a run of its own. */
export function moveLoad(schedule: DryerSchedule, loadId: string, from: ScheduledRun, toRunId: string): DryerSchedule {
  const runs = schedule.runs.map((run) => {
    if (run.id === from.id) return { ...run, loads: run.loads.filter((id) => id !== loadId) };
    return run.id === toRunId ? { ...run, loads: [...run.loads, loadId] } : run;
  });
  const own: ScheduledRun = {
    ...from,
    id: freshId(
      `${from.dryerId.slice(0, 50)}-own`,
      schedule.runs.map(({ id }) => id),
    ),
    loads: [loadId],
  };
  return withRuns(schedule, toRunId === 'own' ? [...runs, own] : runs);
}
