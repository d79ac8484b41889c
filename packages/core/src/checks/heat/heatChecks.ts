import {
  inSentence,
  formatNumber as f,
  type Working,
  say,
  celsius,
  kelvins,
  joined,
  ROOM_C,
} from '@anvilstone/core/foundations';
import { steadyHours } from '@anvilstone/core/shapes';
import type { Check, CheckContext, HeatLimit } from '../engine/check.ts';
import { known, unknown } from '../engine/outcome.ts';
import { hotLoads } from './checksUnderLoad.ts';
import { ownHeatLimit, smallestReserve, TOLERANCE_K, type SmallestReserve } from './ownHeatLimit.ts';
import { LEAST_RISE_K, temperatureReserve } from './temperatureReserve.ts';

function heatCheck(which: 'steady' | 'peak', title: string, asks: string, testedBy: readonly string[]): Check {
  return {
    id: `heat-${which}`,
    title,
    asks,
    failsAs: 'softened',
    testedBy,
    scatter: 'loads',
    applies: ({
      brief: {
        asks: { heat },
      },
    }) => (which === 'steady' ? heat?.steadyC : heat?.peak) !== undefined,
    evaluate(context, working) {
      const heat = context.brief.asks.heat!;
      const requiredC = which === 'steady' ? heat.steadyC! : heat.peak!.temperatureC;
      const longestH = which === 'steady' ? (steadyHours(context.brief.asks) ?? Infinity) : heat.peak!.durationH;
      const limit = ownHeatLimit(context, longestH);
      if ('gaps' in limit) return unknown('°C', limit.gaps);
      const capacity = limit.limitC;
      // Short of the required temperature the loads say more than degrees do: how much of them is still carried there.
      const there = limit.unagedC >= requiredC ? CARRIES_ALL : smallestReserve(context, requiredC, longestH);
      if ('gaps' in there) return unknown('°C', there.gaps);
      // Where air ages it too, the shorter of both counts: else more load could hide behind ageing.
      const aged = temperatureReserve(limit.ageingC, requiredC);
      const byLoads = there.reserve < Math.min(1, aged);
      const reserve = byLoads ? there.reserve : there.reserve < 1 ? aged : temperatureReserve(capacity, requiredC);
      const governs = byLoads && limit.governs === 'ageing' ? 'load' : limit.governs;
      const { first, loadCaseId, evidence } = governs === limit.governs ? limit.decides() : there;
      if (working) {
        showLimit(working, context, limit, first);
        const expression = byLoads
          ? say`${inSentence(there.first)} at ${celsius(requiredC)}`
          : say`1 + (${celsius(capacity)} − ${celsius(requiredC)}) / max(${kelvins(LEAST_RISE_K)}, ${celsius(requiredC)} − ${celsius(ROOM_C)})`;
        working.add('', 'Reserve factor', expression, '');
      }
      return known({
        demand: requiredC,
        capacity,
        unit: '°C',
        reserve,
        evidence,
        reason: GOVERNS[governs](first),
        loadCaseId,
      });
    },
  };
}

/** Which of the three limits is the lowest. */
const GOVERNS = {
  load: (first: string) => `${first} governs`,
  form: () => 'Form limit first, whatever the stress',
  ageing: () => 'Thermal ageing first',
} as const;

const CARRIES_ALL: SmallestReserve = { reserve: Infinity, first: '', loadCaseId: '', evidence: 'A' };

function showLimit(working: Working, { part, material }: CheckContext, limit: HeatLimit, first: string): void {
  const loads = hotLoads(part.loads).map(({ loadCase }) => loadCase.name);
  working.add('T_load', 'First check to reach RF 1 under load, or form limit', limit.unagedC, '°C', {
    expression: say`bracketed to ${kelvins(TOLERANCE_K)} with: ${loads.join(', ')}`,
  });
  working.add('T_age', `Ageing limit in air for ${f(limit.hours)} h`, limit.ageingC, '°C', {
    expression: say`${celsius(material.behaviour!.continuousServiceC)} stands for 20 000 h; Arrhenius, 100 kJ/mol`,
    source: 'typical of the family unless the grade states its own',
  });
  working.add('T_limit', `Service temperature limit, the lower of both: ${inSentence(first)}`, limit.limitC, '°C');
  const { curve, hdtNote } = material.behaviour!;
  const hdt = curve.knots
    .filter((knot) => knot.kind === 'hdt' || knot.kind === 'family')
    .map((knot) => say`${celsius(knot.temperatureC)}, ${knot.note}`);
  working.add('HDT', 'For comparison', hdt.length > 0 ? joined(hdt, ' · ') : 'none', '', { source: hdtNote });
}

export const heatSteady = heatCheck(
  'steady',
  'Service temperature limit, continuous',
  'Does the loaded part still work at the highest continuous temperature?',
  ['creep-hot', 'heat-ladder', 'leave-out'],
);
export const heatPeak = heatCheck(
  'peak',
  'Service temperature limit, peak',
  'Does the loaded part still work at the highest peak temperature?',
  ['heat-ladder'],
);
