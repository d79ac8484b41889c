import type { EvidenceClass, Statement } from '@anvilstone/schema';
import { formatNumber as f } from '@anvilstone/core/foundations';
import { actingAt } from '../action.ts';
import type { CaseCheck, CheckContext, PreparedLoad } from '../check.ts';
import { weakest } from '../outcome.ts';
import { criticalAction } from '../../strength/stability.ts';

/**
 * A squeezed member under loads at the same time: the shares that they take of the buckling load add up to no more than 1, each with
 * the modulus that creep of its own time leaves. Source: linear interaction, as in AISC 360, section H1.
 */
export const combinedStability: CaseCheck = {
  id: 'combined-stability',
  title: 'Combined stability',
  asks: 'Does a compressed member stay straight under simultaneous loads?',
  failsAs: 'buckled',
  unit: '×',
  words: ['Share of buckling load', 'limit'],
  limitsHeat: true,
  ofCombinations: true,
  appliesTo: ({ together }) => together!.some(({ response, kind }) => response.buckling.length > 0 && kind !== 'knock'),
  at(context, load, temperatureC, durationH, working) {
    const found = sharesOf(context, load, temperatureC, durationH);
    if ('gaps' in found) return { kind: 'unknown', gaps: found.gaps };
    if (working)
      for (const { load: one, share, action, critical } of found.shares)
        working.add('u', one.loadCase.name, share, '×', { expression: `${f(action)} / ${f(critical)}` });
    const demand = found.shares.reduce((sum, { share }) => sum + share, 0);
    if (demand === 0) return { kind: 'not-loaded' };
    return { kind: 'known', demand, capacity: 1, evidence: found.evidence, placeId: found.placeId };
  },
};

interface Shares {
  shares: { load: PreparedLoad; share: number; action: number; critical: number }[];
  evidence: EvidenceClass;
  placeId: string;
}

/** Of the way of buckling that takes the largest share. */
function sharesOf(
  context: CheckContext,
  combination: PreparedLoad,
  temperatureC: number,
  longestH: number,
): Shares | { gaps: readonly Statement[] } {
  const loads = combination.together!.filter(({ kind }) => kind !== 'knock');
  let worst: Shares | undefined;
  let most = -1;
  for (const buckling of loads[0]?.response.buckling ?? []) {
    const found: Shares = { shares: [], evidence: 'A', placeId: buckling.id };
    for (const load of loads) {
      const own = load.response.buckling.find(({ id }) => id === buckling.id);
      if (!own) continue;
      const acting = actingAt(context, load, temperatureC);
      if (!acting.known) return { gaps: acting.gaps };
      const critical = criticalAction(context, load, own, temperatureC, Math.min(load.loadCase.durationH, longestH));
      if ('gaps' in critical) return { gaps: critical.gaps };
      found.shares.push({
        load,
        share: acting.action / critical.action,
        action: acting.action,
        critical: critical.action,
      });
      found.evidence = weakest(found.evidence, acting.evidence, critical.evidence);
    }
    const sum = found.shares.reduce((total, { share }) => total + share, 0);
    if (sum > most) [worst, most] = [found, sum];
  }
  return worst ?? { shares: [], evidence: 'A', placeId: '' };
}
