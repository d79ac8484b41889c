import type { DryerAtHand, DryerSchedule, ScheduledRun, Statement } from '@anvilstone/schema';
import { duration, say, celsius } from '@anvilstone/core/foundations';
import { MOST_COOLER_K } from './dryer.ts';
import type { DryerLoad } from './dryerLoad.ts';
import { runTimes } from './schedule.ts';

/** `stop`: it does harm or cannot be; `late`: it can be done, but something comes too late or not at all. */
export interface ScheduleConflict {
  kind: 'stop' | 'late';
  /** Runs it is about; none: a load that no run has. */
  runIds: readonly string[];
  text: Statement;
}

/** Within a second is at once: times are written in whole milliseconds. */
const SAME_MS = 1000;

/** Everything that speaks against a schedule, in words, worst first. */
export function scheduleConflicts(
  { runs }: DryerSchedule,
  loads: readonly DryerLoad[],
  dryers: readonly DryerAtHand[],
): ScheduleConflict[] {
  const known = new Map(loads.map((load) => [load.id, load]));
  const dryerOf = new Map(dryers.map((dryer) => [dryer.id, dryer]));
  const found = [
    ...runs.flatMap((run) => conflictsOfRun(run, known, dryerOf.get(run.dryerId))),
    ...overlaps(runs, known, dryerOf),
    ...twice(runs, known),
    ...leftOut(runs, loads),
  ];
  return [...found.filter(({ kind }) => kind === 'stop'), ...found.filter(({ kind }) => kind === 'late')];
}

type Loads = ReadonlyMap<string, DryerLoad>;

function conflictsOfRun(run: ScheduledRun, known: Loads, dryer: DryerAtHand | undefined): ScheduleConflict[] {
  const of = (kind: ScheduleConflict['kind'], text: Statement): ScheduleConflict => ({ kind, runIds: [run.id], text });
  if (!dryer) return [of('stop', `There is no dryer “${run.dryerId}” any more`)];
  const times = runTimes(run, known);
  return [
    ...(run.temperatureC > dryer.maximumC
      ? [of('stop', say`${dryer.name} reaches ${celsius(dryer.maximumC)}, not ${celsius(run.temperatureC)}`)]
      : []),
    ...(run.loads.length > dryer.slots
      ? [of('stop', `${run.loads.length} loads in ${dryer.name}, which holds ${dryer.slots}`)]
      : []),
    ...run.loads.flatMap((id) => {
      const load = known.get(id);
      if (!load) return [of('late', `“${id}” needs no drying any more, or is no longer there`)];
      return [
        ...(load.purpose === dryer.purpose
          ? []
          : [of('stop', `${load.title} is for ${load.purpose}; ${dryer.name} is for ${dryer.purpose}`)]),
        ...(run.temperatureC > load.limitC
          ? [
              of(
                'stop',
                load.purpose === 'drying'
                  ? say`${load.title} fuses on its reel above ${celsius(load.limitC)}, and this run has ${celsius(run.temperatureC)}`
                  : say`${load.title} is conditioned at ${celsius(load.limitC)}, and this run has ${celsius(run.temperatureC)}`,
              ),
            ]
          : []),
        ...(run.temperatureC < load.dryingC - MOST_COOLER_K
          ? [
              of(
                'stop',
                say`${load.title} hardly dries at ${celsius(run.temperatureC)}: it wants ${celsius(load.dryingC)}`,
              ),
            ]
          : []),
        ...(load.fromMs > times.startMs + SAME_MS
          ? [of('stop', `${load.title} is not at hand yet when this run starts`)]
          : []),
        ...times.loads
          .filter((one) => one.id === id && one.lateH > 1 / 60)
          .map(({ lateH }) => of('late', `${load.title} is ready ${duration(lateH)} too late`)),
      ];
    }),
  ];
}

function overlaps(
  runs: readonly ScheduledRun[],
  known: Loads,
  dryerOf: ReadonlyMap<string, DryerAtHand>,
): ScheduleConflict[] {
  const timed = runs.map((run) => ({ run, ...runTimes(run, known) }));
  return timed.flatMap((a, i) =>
    timed
      .slice(i + 1)
      .filter((b) => a.run.dryerId === b.run.dryerId && a.startMs < b.endMs - SAME_MS && b.startMs < a.endMs - SAME_MS)
      .map((b): ScheduleConflict => ({
        kind: 'stop',
        runIds: [a.run.id, b.run.id],
        text: `${dryerOf.get(a.run.dryerId)?.name ?? a.run.dryerId} would have two runs at once: ${namesOf(a.run, known)} and ${namesOf(b.run, known)}`,
      })),
  );
}

function twice(runs: readonly ScheduledRun[], known: Loads): ScheduleConflict[] {
  const runsOf = new Map<string, string[]>();
  for (const run of runs) for (const id of run.loads) runsOf.set(id, [...(runsOf.get(id) ?? []), run.id]);
  return [...runsOf]
    .filter(([, ids]) => ids.length > 1)
    .map(([id, runIds]) => ({
      kind: 'stop',
      runIds: [...new Set(runIds)],
      text: `${known.get(id)?.title ?? id} is in ${runIds.length} runs`,
    }));
}

const leftOut = (runs: readonly ScheduledRun[], loads: readonly DryerLoad[]): ScheduleConflict[] =>
  loads
    .filter(({ id, needMs }) => needMs !== undefined && !runs.some((run) => run.loads.includes(id)))
    .map(({ title }) => ({ kind: 'late', runIds: [], text: `${title} is waited for and in no run` }));

const namesOf = (run: ScheduledRun, known: Loads) => run.loads.map((id) => known.get(id)?.title ?? id).join(', ');
