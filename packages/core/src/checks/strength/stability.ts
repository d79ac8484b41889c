import type { EvidenceClass } from '@anvilstone/schema';
import { formatNumber as f } from '@anvilstone/core/foundations';
import { bucklingLoad, ACTION_SYMBOL, ACTION_UNIT, type Buckling } from '@anvilstone/core/shapes';
import { actingAt, growthOf, isDriven, strengthHours, weatheredShare } from '../engine/action.ts';
import type { CaseCheck, CaseOutcome, CheckContext, PreparedLoad } from '../engine/check.ts';
import { modulusAlong } from '../engine/compliance.ts';
import { weakest } from '../engine/outcome.ts';
import { showGrowth, showLines, showModulusRatio, showResolved, showStrengthFactor } from '../engine/showMaterial.ts';
import { evidenceAt } from '../heat/temperatureEvidence.ts';

/**
 * Buckling with the modulus that is left after creep, E(T)/growth: a strut that stands today may bow next month. Euler for
 * slender bars, Johnson for stocky ones. The safety factor divides the critical load.
 */
export const stability: CaseCheck = {
  id: 'stability',
  title: 'Stability',
  asks: 'Does a compressed member stay straight, warm and after creep?',
  unit: ({ action }) => ACTION_UNIT[action],
  words: ['Compression', 'buckling load'],
  limitsHeat: true,
  appliesTo: (load) => load.response.buckling.length > 0 && !isDriven(load) && load.kind !== 'knock',
  at(context, load, temperatureC, durationH) {
    const acting = actingAt(context, load, temperatureC);
    if (!acting.known) return { kind: 'unknown', gaps: acting.gaps };
    let worst: CaseOutcome = { kind: 'not-loaded' };
    for (const buckling of load.response.buckling) {
      const critical = criticalAction(context, load, buckling, temperatureC, durationH);
      if ('gaps' in critical) return { kind: 'unknown', gaps: critical.gaps };
      if (worst.kind === 'known' && critical.action >= worst.capacity) continue;
      worst = {
        kind: 'known',
        demand: acting.action,
        capacity: critical.action,
        evidence: weakest(acting.evidence, critical.evidence),
        placeId: buckling.id,
      };
    }
    return worst;
  },
  show(context, load, temperatureC, durationH, working) {
    const outcome = stability.at(context, load, temperatureC, durationH);
    if (outcome.kind !== 'known') return;
    const buckling = load.response.buckling.find((one) => one.id === outcome.placeId)!;
    const { material, body } = context;
    const unit = ACTION_UNIT[body.action];
    const modulus = modulusAlong(material, buckling.direction, context.part.up);
    const strength = material.property('compressiveStrength');
    if (!modulus.known || !strength.known) return;
    working.add('', 'Where', buckling.title, '');
    working.add(ACTION_SYMBOL[body.action], load.loadCase.name, outcome.demand, unit);
    showLines(working, buckling.lines, outcome.demand);
    showResolved(working, 'E₂₃', 'Modulus along the member, 23 °C', modulus, 'MPa');
    showModulusRatio(working, material, temperatureC);
    showGrowth(working, context, load, temperatureC, durationH);
    const ratio = material.modulusRatio(temperatureC) / growthOf(context, load, temperatureC, durationH);
    const euler = buckling.criticalPerModulus * modulus.value * ratio;
    working.add('P_E', 'Euler load with the modulus left after creep', euler, unit, {
      expression: `${f(buckling.criticalPerModulus)} · ${f(modulus.value * ratio)} MPa`,
      source: 'π²·E·I/(K·L)²',
    });
    showResolved(working, 'σc', 'Compressive strength, 23 °C', strength, 'MPa');
    showStrengthFactor(working, material, temperatureC, strengthHours(load, durationH));
    const crushing =
      buckling.actionPerStress *
      strength.value *
      material.strengthFactor(temperatureC, strengthHours(load, durationH)) *
      weatheredShare(context);
    working.add('P_S', 'Crushing load', crushing, unit);
    working.add(
      'P_cr',
      euler <= crushing / 2 ? 'Slender: Euler decides' : 'Stocky: Johnson decides',
      bucklingLoad(euler, crushing),
      unit,
      {
        expression: euler <= crushing / 2 ? 'P_E' : 'P_S · (1 − P_S / (4 · P_E))',
        source: 'Shigley, 10th ed., sections 4-12 and 4-13',
      },
    );
    working.add('SF', 'Safety factor of the load case', load.loadCase.safetyFactor, '÷');
  },
};

/** Action at which it buckles, ÷ safety factor. */
export function criticalAction(
  context: CheckContext,
  load: PreparedLoad,
  buckling: Buckling,
  temperatureC: number,
  durationH: number,
): { action: number; evidence: EvidenceClass } | { gaps: readonly string[] } {
  const { material } = context;
  if (!material.behaviour) return { gaps: material.behaviourGaps };
  const modulus = modulusAlong(material, buckling.direction, context.part.up);
  if (!modulus.known) return { gaps: modulus.gaps };
  const strength = material.property('compressiveStrength');
  if (!strength.known) return { gaps: strength.gaps };
  const ratio = material.modulusRatio(temperatureC) / growthOf(context, load, temperatureC, durationH);
  const crushing =
    buckling.actionPerStress *
    strength.value *
    material.strengthFactor(temperatureC, strengthHours(load, durationH)) *
    weatheredShare(context);
  const action =
    bucklingLoad(buckling.criticalPerModulus * modulus.value * ratio, crushing) / load.loadCase.safetyFactor;
  const lasting = load.kind === 'lasting' ? material.behaviour.creepEvidence : 'A';
  return { action, evidence: weakest(evidenceAt(material, modulus.evidence, temperatureC), lasting) };
}
