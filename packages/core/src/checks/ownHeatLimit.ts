import type { Brief, LoadCase } from '@anvilstone/schema';
import { caseChecks } from './caseChecks.ts';
import { reserveOf } from './caseCheck.ts';
import type { CheckContext, HeatLimit } from './check.ts';

const COLDEST_C = -80;
export const TOLERANCE_K = 0.05;

/** The loads that act when the part is hot; when none is marked so, all of them are taken to. */
export function hotLoadCases(brief: Brief): readonly LoadCase[] {
  const marked = brief.loadCases.filter((loadCase) => loadCase.actsWhenHot);
  return marked.length > 0 ? marked : brief.loadCases;
}

/**
 * The part's own heat limit: raises the hot loads' temperature until the first check of strength or movement reaches
 * reserve 1, by bracketing and bisection to 0.05 K. `longestH` caps how long each load acts (a peak's duration).
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
  const cases = hotLoadCases(context.brief);
  const startC = 23;
  const atStart = smallestReserve(context, cases, startC, longestH);
  if ('gaps' in atStart) return atStart;
  let passesC: number;
  let failsC: number;
  if (atStart.reserve >= 1) {
    passesC = startC;
    failsC = material.behaviour.curve.endC;
    const atEnd = smallestReserve(context, cases, failsC, longestH);
    if ('gaps' in atEnd || atEnd.reserve >= 1)
      return { limitC: failsC, first: 'Softening', loadCaseId: atStart.loadCaseId, evidence: 'D' };
  } else {
    passesC = COLDEST_C;
    failsC = startC;
    const atColdest = smallestReserve(context, cases, passesC, longestH);
    if ('gaps' in atColdest || atColdest.reserve < 1) return { ...atStart, limitC: COLDEST_C };
  }
  let first = atStart;
  while (failsC - passesC > TOLERANCE_K) {
    const middleC = (passesC + failsC) / 2;
    const outcome = smallestReserve(context, cases, middleC, longestH);
    if ('gaps' in outcome) return outcome;
    if (outcome.reserve >= 1) passesC = middleC;
    else {
      failsC = middleC;
      first = outcome;
    }
  }
  return { limitC: passesC, first: first.first, loadCaseId: first.loadCaseId, evidence: first.evidence };
}

export interface SmallestReserve extends Omit<HeatLimit, 'limitC'> {
  reserve: number;
}

/** The first check to give out when the given loads act at one temperature; `longestH` caps how long each acts. */
export function smallestReserve(
  context: CheckContext,
  cases: readonly LoadCase[],
  temperatureC: number,
  longestH: number,
): SmallestReserve | { gaps: readonly string[] } {
  let smallest: SmallestReserve = { reserve: Infinity, first: '', loadCaseId: cases[0]!.id, evidence: 'A' };
  for (const loadCase of cases) {
    for (const check of caseChecks) {
      if (!check.appliesTo(loadCase)) continue;
      const outcome = check.at(context, loadCase, temperatureC, Math.min(loadCase.durationH, longestH));
      if (outcome.kind === 'unknown') return { gaps: outcome.gaps };
      if (outcome.kind === 'not-loaded') continue;
      const reserve = reserveOf(outcome);
      if (reserve < smallest.reserve)
        smallest = { reserve, first: check.title, loadCaseId: loadCase.id, evidence: outcome.evidence };
    }
  }
  return smallest;
}
