import type { DryerAtHand, DryerSchedule, ScheduledRun, Statement } from '@anvilstone/schema';
import { hoursAt } from './duties.ts';
import type { DryerLoad } from './dryerLoad.ts';
import { planDryers, type DryerRun } from './dryerPlan.ts';

const HOUR_MS = 3600e3;
/** A plan covers as much; later needs are planned as if they were then. */
const FAR_H = 24 * 90;
/** Nobody waits: after everything that somebody waits for. */
const WHENEVER_H = FAR_H;

/** A run as it comes out: when it ends, and when each of its loads may be taken. */
export interface RunTimes {
  startMs: number;
  endMs: number;
  loads: readonly { id: string; readyMs: number; lateH: number }[];
}

/** Loads that are not known take no time: the conflicts tell of them. */
export function runTimes(run: ScheduledRun, loads: ReadonlyMap<string, DryerLoad>): RunTimes {
  const startMs = Date.parse(run.start);
  const timed = run.loads.map((id) => {
    const load = loads.get(id);
    const readyMs = load ? startMs + hoursAt(load, run.temperatureC) * HOUR_MS : startMs;
    const lateH = load?.needMs === undefined ? 0 : Math.max(0, (readyMs - load.needMs) / HOUR_MS);
    return { id, readyMs, lateH };
  });
  return { startMs, endMs: timed.reduce((latest, { readyMs }) => Math.max(latest, readyMs), startMs), loads: timed };
}

/** What a proposed schedule says beside its runs. */
export interface ProposedSchedule {
  schedule: DryerSchedule;
  /** No dryer takes it, and why. */
  impossible: readonly { id: string; why: Statement }[];
  exact: boolean;
}

/**
 * The best schedule from now on. What runs already stays as it is, with its dryer busy until it ends; everything else is planned
 * anew: drying over the dryers, conditioning over the boxes for it, each by planDryers.
 * @throws InputError as planDryers
 */
export function proposeSchedule(
  loads: readonly DryerLoad[],
  dryers: readonly DryerAtHand[],
  current: DryerSchedule,
  nowMs: number,
): ProposedSchedule {
  const known = new Map(loads.map((load) => [load.id, load]));
  const running = current.runs.filter((run) => Date.parse(run.start) <= nowMs && runTimes(run, known).endMs > nowMs);
  const taken = new Set(running.flatMap((run) => run.loads));
  const freeH = (dryerId: string) =>
    running
      .filter((run) => run.dryerId === dryerId)
      .reduce((latest, run) => Math.max(latest, (runTimes(run, known).endMs - nowMs) / HOUR_MS), 0);
  const plans = (['drying', 'conditioning'] as const).map((purpose) =>
    planDryers(
      loads
        .filter((load) => load.purpose === purpose && !taken.has(load.id))
        .map(({ id, dryingC, limitC, hours, needMs, fromMs }) => ({
          id,
          dryingC,
          limitC,
          hours,
          needByH: needMs === undefined ? WHENEVER_H : (needMs - nowMs) / HOUR_MS,
          fromH: Math.max(0, (fromMs - nowMs) / HOUR_MS),
        })),
      dryers
        .filter((dryer) => dryer.purpose === purpose)
        .map(({ id, slots, maximumC }) => ({ id, slots, maximumC, freeH: freeH(id) })),
    ),
  );
  const planned: ScheduledRun[] = plans.flatMap(({ runs }) =>
    runs.map((run) => ({
      id: runId(run.dryerId, nowMs + run.startH * HOUR_MS),
      dryerId: run.dryerId,
      start: new Date(nowMs + run.startH * HOUR_MS).toISOString(),
      temperatureC: Math.floor(Math.min(run.temperatureC, hottestWanted(run, known))),
      loads: run.spools.map(({ id }) => id),
    })),
  );
  return {
    schedule: { ...current, runs: [...running, ...planned] },
    impossible: plans.flatMap(({ impossible }) => impossible),
    exact: plans.every(({ exact }) => exact),
  };
}

/** A run need not be hotter than its hottest load wants: that saves no time. */
const hottestWanted = (run: DryerRun, known: ReadonlyMap<string, DryerLoad>) =>
  Math.max(...run.spools.map(({ id }) => known.get(id)!.dryingC));

const runId = (dryerId: string, startMs: number) => `${dryerId.slice(0, 50)}-${Math.round(startMs).toString(36)}`;
