import { ageingLimitC } from '../materials/ageingLimit.ts';
import type { CheckContext, HeatLimit } from './check.ts';
import { heatAsks, hotLoads, reserveByTemperature, worstAsk, type HeatAsk } from './heatAsks.ts';
import { heldForm } from './heldForm.ts';
import { lastPassing } from './lastPassing.ts';

const COLDEST_C = -80;
export const TOLERANCE_K = 0.05;
const ROOM_C = 23;

/**
 * The part's own heat limit, the lowest of three. What its loads leave: the hot loads' temperature is raised until the first
 * check of strength or movement reaches reserve 1, by bracketing to 0.05 K. Its form limit, whatever it carries. And what air
 * ages it at for as long as it is hot: the hours asked for, else the longest of its hot loads.
 * `longestH` caps how long each load acts (a peak's duration). Gaps instead of a limit when a needed property is unknown.
 */
export function ownHeatLimit(context: CheckContext, longestH = Infinity): HeatLimit | { gaps: readonly string[] } {
  let limit = context.heatLimits.get(longestH);
  if (!limit) {
    limit = findHeatLimit(context, longestH);
    context.heatLimits.set(longestH, limit);
  }
  return limit;
}

type Fading = Pick<HeatLimit, 'limitC' | 'first' | 'loadCaseId' | 'evidence'>;

function findHeatLimit(context: CheckContext, longestH: number): HeatLimit | { gaps: readonly string[] } {
  const fading = findFading(context, longestH);
  if ('gaps' in fading) return fading;
  const hours = hotHours(context, longestH);
  const ageingC = ageingLimitC(context.material.behaviour!.continuousServiceC, hours);
  const fadesC = fading.limitC;
  const facts = { fadesC, ageingC, hours };
  if (ageingC < fadesC)
    return { ...fading, ...facts, limitC: ageingC, governs: 'ageing', first: 'Ageing', evidence: 'D' };
  return { ...fading, ...facts, governs: fading.first === heldForm.title ? 'form' : 'load' };
}

/** How long it is hot, h: as asked, capped by the peak's length; without either, as long as its hot loads act. */
function hotHours({ part, brief }: CheckContext, longestH: number): number {
  if (Number.isFinite(longestH)) return longestH;
  const acts = Math.max(...hotLoads(part.loads).map(({ loadCase }) => loadCase.durationH));
  return Math.max(acts, brief.asks.heat?.steadyH ?? 0);
}

function findFading(context: CheckContext, longestH: number): Fading | { gaps: readonly string[] } {
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
function describe(context: CheckContext, ask: HeatAsk | undefined, temperatureC: number): Omit<Fading, 'limitC'> {
  if (!ask) return { first: '', loadCaseId: context.part.loads[0]!.loadCase.id, evidence: 'D' };
  const outcome = ask.check.at(context, ask.load, temperatureC, ask.durationH);
  return {
    first: ask.check.title,
    loadCaseId: ask.load.loadCase.id,
    evidence: outcome.kind === 'known' ? outcome.evidence : 'D',
  };
}

export interface SmallestReserve extends Omit<Fading, 'limitC'> {
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
