import { formatNumber as f } from '../units/formatQuantity.ts';
import type { Working } from '../working/Working.ts';
import type { Check, CheckContext, HeatLimit } from './check.ts';
import { known, unknown, weakest } from './outcome.ts';
import { hotLoads } from './heatAsks.ts';
import { ownHeatLimit, smallestReserve, TOLERANCE_K } from './ownHeatLimit.ts';

/** Below this rise over 23 °C a ratio of rises would explode; the reserve then moves 0.1 per K. */
const LEAST_RISE_K = 10;

/**
 * Reserve of a temperature, never below 0: (limit − 23) over (required − 23), continued straight below a requirement of
 * 33 °C. A ratio of the temperatures themselves would depend on where the scale starts.
 */
export function temperatureReserve(limitC: number, requiredC: number): number {
  return Math.max(0, 1 + (limitC - requiredC) / Math.max(LEAST_RISE_K, requiredC - 23));
}

function heatCheck(which: 'steady' | 'peak', title: string, asks: string): Check {
  return {
    id: `heat-${which}`,
    title,
    asks,
    applies: ({
      brief: {
        asks: { heat },
      },
    }) => (which === 'steady' ? heat?.steadyC : heat?.peak) !== undefined,
    evaluate(context, working) {
      const heat = context.brief.asks.heat!;
      const requiredC = which === 'steady' ? heat.steadyC! : heat.peak!.temperatureC;
      const longestH = which === 'steady' ? (heat.steadyH ?? Infinity) : heat.peak!.durationH;
      const limit = ownHeatLimit(context, longestH);
      if ('gaps' in limit) return unknown('°C', limit.gaps);
      const ageingC = which === 'steady' ? context.material.behaviour!.continuousServiceC : Infinity;
      const aged = ageingC < limit.limitC;
      const capacity = Math.min(ageingC, limit.limitC);
      // Short of the required temperature the loads say more than degrees do: how much of them is still carried there.
      const there = limit.limitC >= requiredC ? CARRIES_ALL : smallestReserve(context, requiredC, longestH);
      if ('gaps' in there) return unknown('°C', there.gaps);
      const reserve = there.reserve < 1 ? there.reserve : temperatureReserve(capacity, requiredC);
      if (working) {
        showLimit(working, context, limit);
        if (which === 'steady') {
          working.add('T_age', 'Ageing limit in air under light load', ageingC, '°C', {
            source: 'typical of the family, about 20 000 h',
          });
        }
        const expression =
          there.reserve < 1
            ? `${there.first.toLowerCase()} at ${f(requiredC)} °C`
            : `1 + (${f(capacity)} − ${f(requiredC)}) / max(${LEAST_RISE_K}, ${f(requiredC)} − 23)`;
        working.add('', 'How the reserve is counted', expression, '');
      }
      return known({
        demand: requiredC,
        capacity,
        unit: '°C',
        reserve,
        evidence: aged ? weakest(limit.evidence, 'D') : limit.evidence,
        reason: aged && there.reserve >= 1 ? 'Ageing limit of the family in air' : `${limit.first} gives out first`,
        loadCaseId: limit.loadCaseId,
      });
    },
  };
}

const CARRIES_ALL = { reserve: Infinity, first: '' };

function showLimit(working: Working, { part, material }: CheckContext, limit: HeatLimit): void {
  const loads = hotLoads(part.loads).map(({ loadCase }) => loadCase.name);
  working.add('T_limit', `Own heat limit: ${limit.first.toLowerCase()} reaches reserve 1`, limit.limitC, '°C', {
    expression: `bracketed to ${TOLERANCE_K} K with: ${loads.join(', ')}`,
  });
  const { curve, hdtNote } = material.behaviour!;
  const hdt = curve.knots
    .filter((knot) => knot.kind === 'hdt' || knot.kind === 'family')
    .map((knot) => `${f(knot.temperatureC)} °C, ${knot.note}`);
  working.add('HDT', 'For comparison', hdt.join(' · ') || 'none', '', { source: hdtNote });
}

export const heatSteady = heatCheck(
  'steady',
  'Own heat limit, steady',
  'Does the part still do its work, loaded, at the highest steady temperature?',
);
export const heatPeak = heatCheck(
  'peak',
  'Own heat limit, peak',
  'Does the part still do its work, loaded, through the hottest excursion?',
);
