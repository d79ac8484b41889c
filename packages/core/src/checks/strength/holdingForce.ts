import { formatNumber as f } from '@anvilstone/core/foundations';
import { growthOf, movementPerUnit } from '../engine/action.ts';
import type { CaseCheck, CheckContext, PreparedLoad } from '../engine/check.ts';
import type { Compliance } from '../engine/compliance.ts';
import { weakest } from '../engine/outcome.ts';
import { showElastic } from '../movement/deflection.ts';
import { showGrowth } from '../engine/showMaterial.ts';
import { evidenceAt } from '../heat/temperatureEvidence.ts';

/**
 * Force that a held spring, a pushed-on sleeve or a bolted joint still has at the end: what creeps under a steady load
 * relaxes when it is held, F(t) = F₀·(c₂₃ + s)/(c(T)·g(t,T) + s), with the print's movement c per newton, its growth g and the
 * movement s of what is in line and does not creep (a bolt). Without s, the share left is 1/g: heat and time set it, not
 * how stiff the part is. Source: Findley, Lai, Onaran, section 5.7 (relaxation as the inverse of creep, close for small n).
 */
export const holdingForce: CaseCheck = {
  id: 'holding-force',
  title: 'Retained force',
  asks: 'Is enough spring or clamping force left at the end?',
  unit: 'N',
  words: ['Required force', 'retained force'],
  limitsHeat: true,
  temperatureDependence: (load) => (load.response.seriesPerUnit === 0 && !load.fibre ? 'creep' : undefined),
  appliesTo: (load, body) =>
    load.kind === 'held' && load.loadCase.minHoldN !== undefined && body.holdNPerUnit !== undefined,
  at(context, load, temperatureC, durationH) {
    const compliance = context.compliances[load.directionIndex]!;
    if (!compliance.known) return { kind: 'unknown', gaps: compliance.gaps };
    const behaviour = context.material.behaviour!;
    return {
      kind: 'known',
      demand: load.loadCase.minHoldN!,
      capacity: initialN(context, load, compliance) * shareLeft(context, load, temperatureC, durationH),
      evidence: weakest(evidenceAt(context.material, compliance.evidence, temperatureC), behaviour.creepEvidence),
      reason: `Starts with ${f(initialN(context, load, compliance), 3)} N`,
    };
  },
  show(context, load, temperatureC, durationH, working) {
    const compliance = context.compliances[load.directionIndex]!;
    if (!compliance.known) return;
    if (load.size !== 'forceN') showElastic(context, load, 23, working);
    const { perUnit, seriesPerUnit } = compliance;
    working.add('c', 'Movement of the print per newton, 23 °C', perUnit, 'mm/N');
    if (seriesPerUnit > 0)
      working.add('s', 'Movement of the bolt per newton, which does not creep', seriesPerUnit, 'mm/N');
    const perUnit23 = context.body.holdNPerUnit!;
    if (perUnit23 !== 1) working.add('A', 'Contact area', perUnit23, 'mm²');
    working.add('F₀', 'Force at the start, 23 °C', initialN(context, load, compliance), 'N', {
      ...(load.size === 'forceN' ? { source: 'as tightened' } : { expression: `${f(load.amount)} mm / c` }),
    });
    working.add(
      'E(T)/E₂₃',
      `Modulus retained at ${f(temperatureC)} °C`,
      context.material.modulusRatio(temperatureC),
      '×',
    );
    showGrowth(working, context, load, temperatureC, durationH);
    working.add('F/F₀', 'Share of the force that is left', shareLeft(context, load, temperatureC, durationH), '×', {
      expression:
        seriesPerUnit > 0 ? '(c + s) / (c·g / (E/E₂₃) + s)' : '(E/E₂₃) / g: the stiffness of the part cancels',
      source: 'relaxation as the inverse of creep, Findley, Lai, Onaran',
    });
  },
};

function initialAction(
  load: PreparedLoad,
  { perUnit, seriesPerUnit }: { perUnit: number; seriesPerUnit: number },
): number {
  return load.size === 'forceN' ? load.amount : load.amount / (perUnit + seriesPerUnit);
}

function initialN(context: CheckContext, load: PreparedLoad, compliance: Extract<Compliance, { known: true }>): number {
  return initialAction(load, compliance) * context.body.holdNPerUnit!;
}

/** Share of the starting force that is left after a time at a temperature. */
function shareLeft(context: CheckContext, load: PreparedLoad, temperatureC: number, durationH: number): number {
  const compliance = context.compliances[load.directionIndex]!;
  if (!compliance.known) return Number.NaN;
  const growth = growthOf(context, load, temperatureC, durationH);
  return (compliance.perUnit + compliance.seriesPerUnit) / movementPerUnit(context, compliance, temperatureC, growth);
}
