import type { DryerSchedule, ScheduledRun } from '@anvilstone/schema';
import { freshId } from '../ui/freshId.ts';

const STEP_MS = 15 * 60e3;

/** Starts are on the quarter hour: nobody puts a spool in at 14:07. */
export const onTheQuarter = (ms: number) => Math.round(ms / STEP_MS) * STEP_MS;

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
  changeRun(schedule, id, { start: new Date(onTheQuarter(startMs)).toISOString(), dryerId });

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
