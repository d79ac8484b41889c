import type { Statement } from '@anvilstone/schema';
import { ROOM_C } from '@anvilstone/core/foundations';
import { formLimitAfter, ageingLimitC } from '@anvilstone/core/materials';
import { steadyHours } from '@anvilstone/core/shapes';
import type {
  CheckContext,
  CheckUnderLoad,
  HeatLimit,
  HeatLimitCause,
  PreparedPart,
  ReserveByTemperature,
} from '../engine/check.ts';
import { checksUnderLoad, hotLoads, loadAsks, reserveByTemperature, worstAsk } from './checksUnderLoad.ts';
import { heldForm } from './heldForm.ts';
import { lastPassing } from '../engine/lastPassing.ts';

const COLDEST_C = -80;
export const TOLERANCE_K = 0.05;

/**
 * The part's service temperature limit, the lowest of three. What its loads leave: the hot loads' temperature is raised until the first
 * check of strength or movement reaches reserve 1, by bracketing to 0.05 K. Its form limit, whatever it carries. And what air
 * ages it at for as long as it is hot: the hours asked for, else the longest of its hot loads.
 * `longestH` caps how long each load acts (a peak's duration). Gaps instead of a limit when a needed property is unknown.
 */
export function ownHeatLimit(context: CheckContext, longestH = Infinity): HeatLimit | { gaps: readonly Statement[] } {
  const { heatLimits } = context;
  for (const found of heatLimits.limits ?? []) if (found.longestH === longestH) return found.limit;
  const limit = findHeatLimit(context, longestH);
  (heatLimits.limits ??= []).push({ longestH, limit });
  return limit;
}

/** Where loads or form fail, and what does. */
type Fading = Pick<HeatLimit, 'limitC' | 'decides'>;

function findHeatLimit(context: CheckContext, longestH: number): HeatLimit | { gaps: readonly Statement[] } {
  const { behaviour, behaviourGaps } = context.material;
  if (!behaviour) return { gaps: behaviourGaps };
  const longest = longestHot(context.part);
  const hours = Number.isFinite(longestH) ? longestH : longest.hours;
  const formC = formLimitAfter(behaviour.form, hours);
  const byLoad = loadLimit(context, longestH, formC);
  if ('gaps' in byLoad) return byLoad;
  const isForm = byLoad.limitC >= formC;
  const unagedC = isForm ? formC : byLoad.limitC;
  const ageingC = ageingLimitC(behaviour.continuousServiceC, hours);
  const governs = ageingC < unagedC ? 'ageing' : isForm ? 'form' : 'load';
  const { loadCaseId } = longest;
  return {
    limitC: Math.min(ageingC, unagedC),
    governs,
    unagedC,
    ageingC,
    hours,
    decides() {
      if (governs === 'load') return byLoad.decides();
      if (governs === 'form') return { first: heldForm.title, loadCaseId, evidence: behaviour.form.evidence };
      return { first: 'Ageing', loadCaseId: isForm ? loadCaseId : byLoad.decides().loadCaseId, evidence: 'D' };
    },
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
  longest = { hours: steadyHours(part.brief.asks) ?? 0, loadCaseId: part.loads[0]!.loadCase.id };
  for (const { loadCase } of hotLoads(part.loads))
    if (loadCase.durationH > longest.hours) longest = { hours: loadCase.durationH, loadCaseId: loadCase.id };
  longestOf.set(part, longest);
  return longest;
}

/** Where its loads are too much; nothing is sought beyond the form limit, which then stands for all that lies there. */
function loadLimit(context: CheckContext, longestH: number, formC: number): Fading | { gaps: readonly Statement[] } {
  const asks = loadAsks(context.part, longestH);
  const toC = Math.max(ROOM_C, Math.min(context.material.behaviour!.curve.endC, formC));
  const before = context.heatLimits.search;
  if (before?.asks === asks && (before.toC === toC || before.found.limitC < Math.min(before.toC, toC)))
    return before.found;
  const reserves = before?.asks === asks ? before.reserves : reserveByTemperature(context, asks);
  if ('gaps' in reserves) return reserves;
  const found = findLoadLimit(context, reserves, toC);
  context.heatLimits.search = { asks, reserves, toC, found };
  return found;
}

/** Sought between the coldest temperature and `hottestC`, which stands for all that is hotter. */
function findLoadLimit(context: CheckContext, reserves: ReserveByTemperature, hottestC: number): Fading {
  let cause: HeatLimitCause | undefined;
  const decidedAt = (temperatureC: number) => () =>
    (cause ??= describe(context, reserves.leastAt(temperatureC), temperatureC));
  const room = { x: ROOM_C, logReserve: reserves.logAtRoom };
  const passesAtRoom = room.logReserve >= 0;
  const otherC = passesAtRoom ? hottestC : COLDEST_C;
  const other = { x: otherC, logReserve: reserves.logAt(otherC) };
  if (passesAtRoom && other.logReserve >= 0) {
    const { id: loadCaseId } = context.part.loads[0]!.loadCase;
    return { limitC: hottestC, decides: () => ({ first: 'Softening', loadCaseId, evidence: 'D' }) };
  }
  if (!passesAtRoom && other.logReserve < 0) return { limitC: COLDEST_C, decides: decidedAt(ROOM_C) };
  const limitC = lastPassing(reserves.logAt, passesAtRoom ? room : other, passesAtRoom ? other : room, TOLERANCE_K);
  return { limitC, decides: decidedAt(limitC + TOLERANCE_K) };
}

/** What fails at a temperature. */
function describe(context: CheckContext, ask: CheckUnderLoad | undefined, temperatureC: number): HeatLimitCause {
  if (!ask) return { first: '', loadCaseId: context.part.loads[0]!.loadCase.id, evidence: 'D' };
  const outcome = ask.check.at(context, ask.load, temperatureC, ask.durationH);
  return {
    first: ask.check.title,
    loadCaseId: ask.load.loadCase.id,
    evidence: outcome.kind === 'known' ? outcome.evidence : 'D',
  };
}

export interface SmallestReserve extends HeatLimitCause {
  reserve: number;
}

/** The first check to fail when the hot loads act at one temperature; `longestH` caps how long each acts. */
export function smallestReserve(
  context: CheckContext,
  temperatureC: number,
  longestH: number,
): SmallestReserve | { gaps: readonly Statement[] } {
  const worst = worstAsk(context, checksUnderLoad(context.part, longestH), temperatureC);
  if ('gaps' in worst) return worst;
  return { reserve: worst.reserve, ...describe(context, worst.ask, temperatureC) };
}
