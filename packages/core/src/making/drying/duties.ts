import { waterDiffusionMm2PerH } from '@anvilstone/core/materials';
import { MOST_COOLER_K, type Dryer, type SpoolToDry } from './dryer.ts';

/** What one dryer does: runs one after the other, each as early as it can. */
export interface Duty {
  dryer: Dryer;
  runs: readonly (readonly SpoolToDry[])[];
}

export interface TimedRun {
  temperatureC: number;
  startH: number;
  endH: number;
  spools: readonly { spool: SpoolToDry; readyH: number }[];
}

/** Hottest that all stand and the dryer reaches. Undefined: too cool for one of them, or too many. */
export function runTemperatureC(dryer: Dryer, spools: readonly SpoolToDry[]): number | undefined {
  if (spools.length === 0 || spools.length > dryer.slots) return undefined;
  let hottest = dryer.maximumC;
  for (const { dryingC, limitC = dryingC } of spools) if (limitC < hottest) hottest = limitC;
  for (const { dryingC } of spools) if (hottest < dryingC - MOST_COOLER_K) return undefined;
  return hottest;
}

/** Hours at another temperature: as much slower or faster as water moves. Never shorter than what is asked. */
export function hoursAt({ hours, dryingC }: Pick<SpoolToDry, 'hours' | 'dryingC'>, temperatureC: number): number {
  if (temperatureC >= dryingC) return hours;
  return (hours * waterDiffusionMm2PerH(1, dryingC)) / waterDiffusionMm2PerH(1, temperatureC);
}

/** @throws Error a run that cannot be: callers look first */
export function dutiesOf({ dryer, runs }: Duty): TimedRun[] {
  let free = dryer.freeH ?? 0;
  return runs.map((spools) => {
    const temperatureC = runTemperatureC(dryer, spools);
    if (temperatureC === undefined) throw new Error(`A run of ${dryer.id} that cannot be`);
    const startH = spools.reduce((latest, { fromH = 0 }) => Math.max(latest, fromH), free);
    const timed = spools.map((spool) => ({ spool, readyH: startH + hoursAt(spool, temperatureC) }));
    free = timed.reduce((latest, { readyH }) => Math.max(latest, readyH), startH);
    return { temperatureC, startH, endH: free, spools: timed };
  });
}

/** Smaller is better, the first number first. */
export interface Score {
  lateH: number;
  readyH: number;
  runs: number;
}

export function scoreOf(plan: readonly Duty[]): Score {
  const score: Score = { lateH: 0, readyH: 0, runs: 0 };
  for (const duty of plan) {
    const { lateH, readyH, runs } = dutyScore(duty);
    score.lateH += lateH;
    score.readyH += readyH;
    score.runs += runs;
  }
  return score;
}

/** Most plans that are compared differ in one dryer: the others are counted once. */
const counted = new WeakMap<Duty, Score>();

function dutyScore(duty: Duty): Score {
  const known = counted.get(duty);
  if (known) return known;
  const score: Score = { lateH: 0, readyH: 0, runs: duty.runs.length };
  for (const { spools } of dutiesOf(duty))
    for (const { spool, readyH } of spools) {
      score.lateH += Math.max(0, readyH - spool.needByH);
      score.readyH += readyH;
    }
  counted.set(duty, score);
  return score;
}

/** A second is no difference. */
const SAME_H = 1 / 3600;

export function isBetterPlan(a: Score, b: Score): boolean {
  if (Math.abs(a.lateH - b.lateH) > SAME_H) return a.lateH < b.lateH;
  if (Math.abs(a.readyH - b.readyH) > SAME_H) return a.readyH < b.readyH;
  return a.runs < b.runs;
}
