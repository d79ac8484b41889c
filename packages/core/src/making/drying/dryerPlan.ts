import type { Statement } from '@anvilstone/schema';
import { requirePositiveValue, InputError, say, celsius } from '@anvilstone/core/foundations';
import { MOST_COOLER_K, type Dryer, type SpoolToDry } from './dryer.ts';
import { exactPlan } from './exactPlan.ts';
import { dutiesOf, scoreOf, type Duty } from './duties.ts';
import { quickPlan } from './quickPlan.ts';

/** Spools that are dried together in one dryer at one temperature. */
export interface DryerRun {
  dryerId: string;
  temperatureC: number;
  startH: number;
  endH: number;
  /** Each with the time at which it is dry and may be taken out. */
  spools: readonly { id: string; readyH: number; lateH: number }[];
}

export interface DryerPlan {
  runs: readonly DryerRun[];
  /** No dryer takes it, and why. */
  impossible: readonly { id: string; why: Statement }[];
  /** Hours by which spools are late, together. */
  lateH: number;
  /** Every way was tried: nothing is better. */
  exact: boolean;
}

/** So many spools are planned by trying every way. */
export const MOST_EXACT = 7;

/**
 * When to dry what: every run at the hottest temperature that all of its spools stand and the dryer reaches. A spool dried cooler
 * than it wants takes longer, by Arrhenius with 50 kJ/mol, and 25 K cooler at most. Least lateness first, then the earliest
 * readiness in sum, then the fewest runs. Every way is tried for up to seven spools; more are planned by urgency and then
 * improved by moving and exchanging spools. Deterministic.
 * @throws InputError hours, slots or temperatures that are none; two spools or dryers of one name
 */
export function planDryers(spools: readonly SpoolToDry[], dryers: readonly Dryer[]): DryerPlan {
  check(spools, dryers);
  const impossible = spools.flatMap((spool) => {
    const why = whyImpossible(spool, dryers);
    return why === undefined ? [] : [{ id: spool.id, why }];
  });
  const possible = spools.filter(({ id }) => !impossible.some((one) => one.id === id));
  const exact = possible.length <= MOST_EXACT;
  const quick = quickPlan(possible, dryers);
  const plan = exact ? exactPlan(possible, dryers, quick) : quick;
  return { runs: plan.flatMap((duty) => runsOf(duty)), impossible, lateH: scoreOf(plan).lateH, exact };
}

function runsOf(duty: Duty): DryerRun[] {
  return dutiesOf(duty).map(({ temperatureC, startH, endH, spools }) => ({
    dryerId: duty.dryer.id,
    temperatureC,
    startH,
    endH,
    spools: spools.map(({ spool, readyH }) => ({ id: spool.id, readyH, lateH: Math.max(0, readyH - spool.needByH) })),
  }));
}

function whyImpossible(spool: SpoolToDry, dryers: readonly Dryer[]): Statement | undefined {
  const hottest = Math.max(...dryers.map(({ maximumC }) => maximumC), -Infinity);
  if (dryers.length === 0) return 'there is no dryer';
  return hottest < spool.dryingC - MOST_COOLER_K
    ? say`it is dried at ${celsius(spool.dryingC)}; the hottest dryer reaches ${celsius(hottest)}`
    : undefined;
}

function check(spools: readonly SpoolToDry[], dryers: readonly Dryer[]): void {
  const unique = (field: string, ids: readonly string[]) => {
    const twice = ids.find((id, i) => ids.indexOf(id) !== i);
    if (twice !== undefined) throw new InputError(field, twice, 'each name once');
  };
  unique(
    'spools',
    spools.map(({ id }) => id),
  );
  unique(
    'dryers',
    dryers.map(({ id }) => id),
  );
  for (const { id, hours, dryingC, limitC = dryingC } of spools) {
    requirePositiveValue(`spools/${id}/hours`, hours);
    if (!(limitC >= dryingC))
      throw new InputError(`spools/${id}/limitC`, limitC, `${dryingC} °C or more, its drying temperature`);
  }
  for (const { id, slots } of dryers)
    if (!Number.isInteger(slots) || slots < 1)
      throw new InputError(`dryers/${id}/slots`, slots, 'a whole number of 1 or more');
}
