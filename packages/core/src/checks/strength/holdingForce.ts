import { formatNumber, ROOM_C, say, celsius, newtons } from '@anvilstone/core/foundations';
import { growthOf, movementPerUnit } from '../engine/action.ts';
import type { CaseCheck } from '../engine/check.ts';
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
  failsAs: 'lost-hold',
  testedBy: ['sag-48h', 'creep-hot'],
  unit: 'N',
  words: ['Required force', 'retained force'],
  limitsHeat: true,
  temperatureDependence: (load) => (load.response.seriesPerUnit === 0 && !load.fibre ? 'creep' : undefined),
  appliesTo: (load, body) =>
    load.kind === 'held' && load.loadCase.minHoldN !== undefined && body.holdNPerUnit !== undefined,
  at(context, load, temperatureC, durationH, working) {
    const compliance = context.compliances[load.directionIndex]!;
    if (!compliance.known) return { kind: 'unknown', gaps: compliance.gaps };
    const { perUnit, seriesPerUnit } = compliance;
    const { material, body } = context;
    const action = load.size === 'forceN' ? load.amount : load.amount / (perUnit + seriesPerUnit);
    const initialN = action * body.holdNPerUnit!;
    const growth = growthOf(context, load, temperatureC, durationH);
    const shareLeft = (perUnit + seriesPerUnit) / movementPerUnit(context, compliance, temperatureC, growth);
    if (working) {
      if (load.size !== 'forceN') showElastic(working, context, load, { action, temperatureC: ROOM_C });
      working.add('c', 'Movement of the print per newton, 23 °C', perUnit, 'mm/N');
      if (seriesPerUnit > 0)
        working.add('s', 'Movement of the bolt per newton, which does not creep', seriesPerUnit, 'mm/N');
      if (body.holdNPerUnit !== 1) working.add('A', 'Contact area', body.holdNPerUnit!, 'mm²');
      working.add('F₀', 'Force at the start, 23 °C', initialN, 'N', {
        ...(load.size === 'forceN'
          ? { source: 'as tightened' }
          : { expression: `${formatNumber(load.amount)} mm / c` }),
      });
      working.add(
        'E(T)/E₂₃',
        say`Modulus retained at ${celsius(temperatureC)}`,
        material.modulusRatio(temperatureC),
        '×',
      );
      showGrowth(working, context, load, temperatureC, durationH);
      working.add('F/F₀', 'Share of the force that is left', shareLeft, '×', {
        expression:
          seriesPerUnit > 0 ? '(c + s) / (c·g / (E/E₂₃) + s)' : '(E/E₂₃) / g: the stiffness of the part cancels',
        source: 'relaxation as the inverse of creep, Findley, Lai, Onaran',
      });
    }
    return {
      kind: 'known',
      demand: load.loadCase.minHoldN!,
      capacity: initialN * shareLeft,
      evidence: weakest(evidenceAt(material, compliance.evidence, temperatureC), material.behaviour!.creepEvidence),
      reason: say`Starts with ${newtons(initialN, 3)}`,
    };
  },
};
