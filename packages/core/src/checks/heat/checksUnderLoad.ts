import type { EvidenceClass, Statement } from '@anvilstone/schema';
import { matrixCreep, timeShiftDecades } from '@anvilstone/core/materials';
import { growthOf, onShareOf } from '../engine/action.ts';
import { reserveOf } from '../engine/caseCheck.ts';
import { allLoads, isAskedOf } from '../engine/combined/asked.ts';
import { caseChecks } from '../engine/caseChecks.ts';
import { heldForm } from './heldForm.ts';
import type {
  CheckContext,
  CheckUnderLoad,
  PreparedLoad,
  PreparedPart,
  ReserveByTemperature,
} from '../engine/check.ts';

/** The minimum reserve of all asks at one temperature, and which of them has it. */
export interface WorstAsk {
  reserve: number;
  ask: CheckUnderLoad | undefined;
  evidence: EvidenceClass;
}

/** The loads that act when the part is hot; when none is marked so, all of them are taken to. */
export function hotLoads(loads: readonly PreparedLoad[]): readonly PreparedLoad[] {
  const marked = loads.filter(({ loadCase }) => loadCase.actsWhenHot);
  return marked.length > 0 ? marked : loads;
}

const heatChecks = caseChecks.filter((check) => check.limitsHeat);

/** The asks of a part, by the longest time a load acts, h: the same for every grade. */
const asksOf = new WeakMap<PreparedPart, Map<number, CheckUnderLoad[]>>();

/** What heat may take away from a part; `longestH` caps how long each load acts. */
export function checksUnderLoad(part: PreparedPart, longestH: number): readonly CheckUnderLoad[] {
  let known = asksOf.get(part);
  if (!known) asksOf.set(part, (known = new Map<number, CheckUnderLoad[]>()));
  let asks = known.get(longestH);
  if (!asks) {
    const loads = hotLoads(allLoads(part));
    // A cap longer than every load caps nothing: the same asks, so that what was worked out for them serves again.
    const capH = Math.min(longestH, Math.max(...loads.map(({ loadCase }) => loadCase.durationH)));
    asks = known.get(capH) ?? asksOfLoads(part, loads, capH);
    known.set(longestH, asks).set(capH, asks);
  }
  return asks;
}

const asksOfLoads = ({ body }: PreparedPart, loads: readonly PreparedLoad[], longestH: number): CheckUnderLoad[] =>
  loads.flatMap((load) =>
    heatChecks
      .filter((check) => isAskedOf(check, load, body))
      .map((check) => ({
        check,
        load,
        durationH: Math.min(load.loadCase.durationH, longestH),
        temperatureDependence: check.temperatureDependence?.(load),
      })),
  );

const withoutForm = new WeakMap<readonly CheckUnderLoad[], readonly CheckUnderLoad[]>();

/** The same without the form limit, which no load has a say in. */
export function loadAsks(part: PreparedPart, longestH: number): readonly CheckUnderLoad[] {
  const all = checksUnderLoad(part, longestH);
  let asks = withoutForm.get(all);
  if (!asks) withoutForm.set(all, (asks = all.filter(({ check }) => check !== heldForm)));
  return asks;
}

/** The ask with the minimum reserve at a temperature, worked out in full. */
export function worstAsk(
  context: CheckContext,
  asks: readonly CheckUnderLoad[],
  temperatureC: number,
): WorstAsk | { gaps: readonly Statement[] } {
  const worst: WorstAsk = { reserve: Infinity, ask: undefined, evidence: 'A' };
  for (const ask of asks) {
    const outcome = ask.check.at(context, ask.load, temperatureC, ask.durationH);
    if (outcome.kind === 'unknown') return { gaps: outcome.gaps };
    if (outcome.kind === 'not-loaded') continue;
    const reserve = reserveOf(outcome);
    if (reserve >= worst.reserve) continue;
    worst.reserve = reserve;
    worst.ask = ask;
    worst.evidence = outcome.evidence;
  }
  return worst;
}

/** The same after a time of one's own choosing, longer or shorter than the loads say. */
export function worstAfter(
  context: CheckContext,
  temperatureC: number,
  hours: number,
): WorstAsk | { gaps: readonly Statement[] } {
  const asks = checksUnderLoad(context.part, Infinity).map((ask) => ({ ...ask, durationH: hours }));
  return worstAsk(context, asks, temperatureC);
}

/**
 * Asks that fade by a simple law are evaluated once, at 23 °C, and carried along the law; the few others are asked at each
 * temperature. Equal to `worstAsk` up to rounding. Gaps when any of them is unknown.
 */
export function reserveByTemperature(
  context: CheckContext,
  asks: readonly CheckUnderLoad[],
): ReserveByTemperature | { gaps: readonly Statement[] } {
  const { material } = context;
  const exponent = material.behaviour!.strengthExponent;
  let strength = Infinity;
  let strengthAsk: CheckUnderLoad | undefined;
  let stiffness = Infinity;
  let stiffnessAsk: CheckUnderLoad | undefined;
  const creeping: { ask: CheckUnderLoad; logAtOnce: number; logHours: number }[] = [];
  const { creep } = material.behaviour!;
  const others: CheckUnderLoad[] = [];
  let smallestAtRoom = Infinity;
  for (const ask of asks) {
    const outcome = ask.check.at(context, ask.load, 23, ask.durationH);
    if (outcome.kind === 'unknown') return { gaps: outcome.gaps };
    if (!ask.temperatureDependence) others.push(ask);
    if (outcome.kind === 'not-loaded') continue;
    smallestAtRoom = Math.min(smallestAtRoom, reserveOf(outcome));
    if (!ask.temperatureDependence) continue;
    const reserve = reserveOf(outcome);
    if (ask.temperatureDependence === 'strength' && reserve < strength) {
      strength = reserve;
      strengthAsk = ask;
    } else if (ask.temperatureDependence === 'stiffness' && reserve < stiffness) {
      stiffness = reserve;
      stiffnessAsk = ask;
    } else if (ask.temperatureDependence === 'creep') {
      creeping.push({
        ask,
        logAtOnce: Math.log(reserve * growthOf(context, ask.load, 23, ask.durationH)),
        // Without pauses the law of creep can be written out: only the shift changes with temperature.
        logHours: onShareOf(ask.load) >= 1 ? Math.log10(ask.durationH) : Number.NaN,
      });
    }
  }
  let least: CheckUnderLoad | undefined;
  const logStrength = Math.log(strength);
  const logStiffness = Math.log(stiffness);
  const logAt = (temperatureC: number) => {
    const logRatio = material.logModulusRatio(temperatureC);
    // Cold makes it stiffer; it is not counted as stronger.
    const strong = logStrength + Math.min(0, exponent * logRatio);
    const stiff = logStiffness + logRatio;
    let smallest = Math.min(strong, stiff);
    least = strong <= stiff ? strengthAsk : stiffnessAsk;
    for (const { ask, logAtOnce, logHours } of creeping) {
      const logGrowth = Number.isNaN(logHours)
        ? Math.log(growthOf(context, ask.load, temperatureC, ask.durationH))
        : Math.log(
            1 +
              creep.creepA *
                matrixCreep(creep, temperatureC) *
                Math.exp(Math.LN10 * creep.creepN * (logHours + timeShiftDecades(creep, temperatureC))),
          );
      const reserve = logAtOnce + logRatio - logGrowth;
      if (reserve >= smallest) continue;
      smallest = reserve;
      least = ask;
    }
    for (const ask of others) {
      const outcome = ask.check.at(context, ask.load, temperatureC, ask.durationH);
      if (outcome.kind !== 'known') continue;
      const reserve = Math.log(reserveOf(outcome));
      if (reserve >= smallest) continue;
      smallest = reserve;
      least = ask;
    }
    return smallest;
  };
  return {
    logAtRoom: Math.log(smallestAtRoom),
    logAt,
    leastAt(temperatureC) {
      logAt(temperatureC);
      return least;
    },
  };
}
