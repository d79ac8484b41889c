import { ROOM_C } from '@anvilstone/core/foundations';
import {
  reserveOf,
  caseChecks,
  allLoads,
  isAskedOf,
  type CaseCheck,
  type CheckContext,
  type PreparedLoad,
  type PreparedPart,
  everyLoad,
  featureContexts,
  checksUnderLoad,
  ownHeatLimit,
  temperatureReserve,
} from '@anvilstone/core/checks';
import { steadyHours } from '@anvilstone/core/shapes';
import { BRITTLE_LUCK, brittleTable, tableAt, tableOver } from '../probability/scatterTables.ts';
import { heatScatterK, MATERIAL_FACTORS, scaledContext, scaledLoad, strongerStrands } from '../probability/scatter.ts';

/**
 * Something that has to hold: the logarithm of its reserve, and how that moves with the logarithm of each of the grade’s
 * values, with each K of its heat curve (near where it lies), with the logarithm of each load, and last with that of the strands’ strength where
 * there are any.
 */
export interface Condition {
  checkId: string;
  logReserve: number;
  slopes: Float64Array;
  /**
   * By how much the logarithm moves when the heat curve lies higher by so many of its standard deviations; absent where the
   * curve has no say. A curve falls off at its knee, so that no slope taken at one place tells what happens there.
   */
  heat?: Float64Array;
  /** What scatters of it beside all that: a column of luck, with the standard deviation of a logarithm or a table like that of the heat curve. */
  own?: { luck: number; spread: number } | { luck: number; table: Float64Array };
}

/** How the logarithm of a reserve moves with the heat curve, `deviations` of its scatter higher; straight between what was looked at. */
export function heatMove({ heat }: Condition, deviations: number): number {
  return heat ? tableAt(heat, deviations) : 0;
}

const STEP = 0.02;
const HEAT_STEP_K = 0.5;
/** Place of the heat curve among the slopes, after the grade’s values; the loads follow. */
export const HEAT = MATERIAL_FACTORS.length;
export const FIRST_LOAD = HEAT + 1;

/** Every check of every load, and again at the temperatures that the part has to stand. */
export const conditionsOf = (context: CheckContext): Condition[] =>
  [context, ...featureContexts(context)].flatMap((one) =>
    conditionsOfModel(one, widthOf(context.part), indexIn(context.part)),
  );

/** Columns of the slopes: the grade’s values, its heat curve, every load of the part and its features, and strands where there are any. */
export const widthOf = (part: PreparedPart): number => FIRST_LOAD + everyLoad(part).length + (part.fibre ? 1 : 0);

type IndexOf = (load: PreparedLoad) => number;
const indexIn = (part: PreparedPart): IndexOf => {
  const loads = everyLoad(part);
  return (load) => FIRST_LOAD + loads.indexOf(load);
};

function conditionsOfModel(context: CheckContext, width: number, indexOf: IndexOf): Condition[] {
  const { part, brief } = context;
  const found: Condition[] = [];
  const add = (checkId: string, check: CaseCheck, load: PreparedLoad, temperatureC: number, durationH: number) => {
    const condition = conditionOf(context, { checkId, check, load, temperatureC, durationH, width, indexOf });
    if (condition) found.push(condition);
  };
  for (const check of caseChecks)
    for (const load of allLoads(part))
      if (isAskedOf(check, load, part.body))
        add(check.id, check, load, load.loadCase.temperatureC, load.loadCase.durationH);
  const { heat } = brief.asks;
  const hot = (checkId: string, temperatureC: number | undefined, longestH: number) => {
    if (temperatureC === undefined) return;
    for (const { check, load, durationH } of checksUnderLoad(part, longestH))
      add(checkId, check, load, temperatureC, durationH);
  };
  const ages = agesAt(context, width);
  if (ages) found.push(ages);
  hot('heat-steady', heat?.steadyC, steadyHours(brief.asks) ?? Infinity);
  hot('heat-peak', heat?.peak?.temperatureC, heat?.peak?.durationH ?? Infinity);
  return found;
}

/** Ageing in air goes by the steady temperature and its hours alone: nothing that scatters here moves it. */
function agesAt(context: CheckContext, width: number): Condition | undefined {
  const { heat } = context.brief.asks;
  if (heat?.steadyC === undefined) return undefined;
  const limit = ownHeatLimit(context, steadyHours(context.brief.asks) ?? Infinity);
  if ('gaps' in limit) return undefined;
  return {
    checkId: 'heat-steady',
    logReserve: Math.log(Math.max(1e-9, temperatureReserve(limit.ageingC, heat.steadyC))),
    slopes: new Float64Array(width),
  };
}

interface AskedOf {
  checkId: string;
  check: CaseCheck;
  load: PreparedLoad;
  temperatureC: number;
  durationH: number;
  width: number;
  indexOf: IndexOf;
}

function conditionOf(context: CheckContext, asked: AskedOf): Condition | undefined {
  const { checkId, check, load, temperatureC, durationH, width, indexOf } = asked;
  const logAt = (where: CheckContext, what: PreparedLoad, atC: number): number | undefined => {
    const outcome = check.at(where, what, atC, durationH);
    return outcome.kind === 'known' ? Math.log(Math.max(1e-9, reserveOf(outcome))) : undefined;
  };
  const logReserve = logAt(context, load, temperatureC);
  if (logReserve === undefined) return undefined;
  const strands = context.part.fibre ? 1 : 0;
  const slopes = new Float64Array(width);
  const step = Math.log1p(STEP);
  const slope = (moved: number | undefined, by: number) => (moved === undefined ? 0 : (moved - logReserve) / by);
  MATERIAL_FACTORS.forEach((factor, k) => {
    slopes[k] = slope(logAt(scaledContext(context, factor, 1 + STEP), load, temperatureC), step);
  });
  // A grade whose curve lies higher is as one that is cooler; below room temperature its heat points say nothing.
  if (temperatureC > ROOM_C) slopes[HEAT] = slope(logAt(context, load, temperatureC - HEAT_STEP_K), HEAT_STEP_K);
  const heat =
    temperatureC > ROOM_C ? heatTable(context, temperatureC, logReserve, (c) => logAt(context, load, c)) : undefined;
  for (const one of load.together ?? [load])
    slopes[indexOf(one)] = slope(logAt(context, withScaled(load, one, 1 + STEP), temperatureC), step);
  if (strands > 0)
    slopes[slopes.length - 1] = slope(logAt(strongerStrands(context, 1 + STEP), load, temperatureC), step);
  // What turns brittle in the cold does so for all knocks at once.
  const own =
    check.scatter === 'brittleness'
      ? { luck: BRITTLE_LUCK, table: brittleTable(context, logReserve, (where) => logAt(where, load, temperatureC)) }
      : undefined;
  return { checkId, logReserve, slopes, ...(heat ? { heat } : {}), ...(own ? { own } : {}) };
}

/** A load, or a combination, with one of its loads larger. */
const withScaled = (load: PreparedLoad, one: PreparedLoad, by: number): PreparedLoad =>
  load.together
    ? { ...load, together: load.together.map((other) => (other === one ? scaledLoad(other, by) : other)) }
    : scaledLoad(load, by);

function heatTable(
  { material }: CheckContext,
  temperatureC: number,
  logReserve: number,
  logAt: (temperatureC: number) => number | undefined,
): Float64Array {
  const spreadK = heatScatterK(material);
  return tableOver(logReserve, (deviations) => logAt(Math.max(ROOM_C, temperatureC - deviations * spreadK)));
}
