import { formLimitAfter } from '../materials/formLimit.ts';
import { ageingLimitC } from '../materials/ageingLimit.ts';
import type { CheckContext, HeatLimit, PreparedPart } from './check.ts';
import { heatAsks, hotLoads, loadAsks, reserveByTemperature, worstAsk, type HeatAsk } from './heatAsks.ts';
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
  const { behaviour, behaviourGaps } = context.material;
  if (!behaviour) return { gaps: behaviourGaps };
  const longest = longestHot(context.part);
  const hours = Number.isFinite(longestH) ? longestH : longest.hours;
  const formC = formLimitAfter(behaviour.form, hours);
  const byLoad = findLoadLimit(context, longestH, formC);
  if ('gaps' in byLoad) return byLoad;
  const isForm = byLoad.limitC >= formC;
  const fadesC = isForm ? formC : byLoad.limitC;
  const ageingC = ageingLimitC(behaviour.continuousServiceC, hours);
  const ages = ageingC < fadesC;
  return {
    limitC: ages ? ageingC : fadesC,
    governs: ages ? 'ageing' : isForm ? 'form' : 'load',
    fadesC,
    ageingC,
    hours,
    first: ages ? 'Ageing' : isForm ? heldForm.title : byLoad.first,
    loadCaseId: isForm ? longest.loadCaseId : byLoad.loadCaseId,
    evidence: ages ? 'D' : isForm ? behaviour.form.evidence : byLoad.evidence,
  };
}

interface Longest {
  hours: number;
  loadCaseId: string;
}
/** The same for every grade. */
const longestOf = new WeakMap<PreparedPart, Longest>();

/** How long it is hot altogether, h: as long as asked, or as its hot loads act, and the one that acts longest. */
function longestHot(part: PreparedPart): Longest {
  let longest = longestOf.get(part);
  if (longest) return longest;
  longest = { hours: part.brief.asks.heat?.steadyH ?? 0, loadCaseId: part.loads[0]!.loadCase.id };
  for (const { loadCase } of hotLoads(part.loads))
    if (loadCase.durationH > longest.hours) longest = { hours: loadCase.durationH, loadCaseId: loadCase.id };
  longestOf.set(part, longest);
  return longest;
}

/** Where its loads are too much; nothing is sought beyond the form limit, which then stands for all that lies there. */
function findLoadLimit(context: CheckContext, longestH: number, formC: number): Fading | { gaps: readonly string[] } {
  const reserves = reserveByTemperature(context, loadAsks(context.part, longestH));
  if ('gaps' in reserves) return reserves;
  const room = { x: ROOM_C, logReserve: reserves.logAtRoom };
  const passesAtRoom = room.logReserve >= 0;
  const { endC } = context.material.behaviour!.curve;
  const hottestC = Math.max(ROOM_C, Math.min(endC, formC));
  const otherC = passesAtRoom ? hottestC : COLDEST_C;
  const other = { x: otherC, logReserve: reserves.logAt(otherC) };
  if (passesAtRoom && other.logReserve >= 0) {
    const first = hottestC < formC ? 'Softening' : heldForm.title;
    return { limitC: hottestC, first, loadCaseId: context.part.loads[0]!.loadCase.id, evidence: 'D' };
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
