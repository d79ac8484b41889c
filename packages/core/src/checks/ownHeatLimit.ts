import type { CheckContext, HeatLimit } from './check.ts';
import { heatAsks, reserveByTemperature, worstAsk, type HeatAsk } from './heatAsks.ts';
import { lastPassing } from './lastPassing.ts';

const COLDEST_C = -80;
export const TOLERANCE_K = 0.05;
const ROOM_C = 23;

/**
 * The part's own heat limit: raises the hot loads' temperature until the first check of strength or movement reaches
 * reserve 1, by bracketing to 0.05 K. `longestH` caps how long each load acts (a peak's duration).
 * Gaps instead of a limit when a needed property is unknown.
 */
export function ownHeatLimit(context: CheckContext, longestH = Infinity): HeatLimit | { gaps: readonly string[] } {
  let limit = context.heatLimits.get(longestH);
  if (!limit) {
    limit = findHeatLimit(context, longestH);
    context.heatLimits.set(longestH, limit);
  }
  return limit;
}

function findHeatLimit(context: CheckContext, longestH: number): HeatLimit | { gaps: readonly string[] } {
  const { material } = context;
  if (!material.behaviour) return { gaps: material.behaviourGaps };
  const reserves = reserveByTemperature(context, heatAsks(context.part, longestH));
  if ('gaps' in reserves) return reserves;
  const room = { x: ROOM_C, logReserve: reserves.logAtRoom };
  const passesAtRoom = room.logReserve >= 0;
  const otherC = passesAtRoom ? material.behaviour.curve.endC : COLDEST_C;
  const other = { x: otherC, logReserve: reserves.logAt(otherC) };
  if (passesAtRoom && other.logReserve >= 0) {
    return {
      ...describe(context, reserves.leastAt(otherC), otherC),
      limitC: otherC,
      first: 'Softening',
      evidence: 'D',
    };
  }
  if (!passesAtRoom && other.logReserve < 0) {
    return { ...describe(context, reserves.leastAt(ROOM_C), ROOM_C), limitC: COLDEST_C };
  }
  const limitC = lastPassing(reserves.logAt, passesAtRoom ? room : other, passesAtRoom ? other : room, TOLERANCE_K);
  const beyondC = limitC + TOLERANCE_K;
  return { ...describe(context, reserves.leastAt(beyondC), beyondC), limitC };
}

/** What gives out at a temperature. */
function describe(context: CheckContext, ask: HeatAsk | undefined, temperatureC: number): Omit<HeatLimit, 'limitC'> {
  if (!ask) return { first: '', loadCaseId: context.part.loads[0]!.loadCase.id, evidence: 'D' };
  const outcome = ask.check.at(context, ask.load, temperatureC, ask.durationH);
  return {
    first: ask.check.title,
    loadCaseId: ask.load.loadCase.id,
    evidence: outcome.kind === 'known' ? outcome.evidence : 'D',
  };
}

export interface SmallestReserve extends Omit<HeatLimit, 'limitC'> {
  reserve: number;
}

/** The first check to give out when the hot loads act at one temperature; `longestH` caps how long each acts. */
export function smallestReserve(
  context: CheckContext,
  temperatureC: number,
  longestH: number,
): SmallestReserve | { gaps: readonly string[] } {
  const worst = worstAsk(context, heatAsks(context.part, longestH), temperatureC);
  if ('gaps' in worst) return worst;
  return { reserve: worst.reserve, ...describe(context, worst.ask, temperatureC) };
}
