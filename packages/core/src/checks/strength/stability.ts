import type { EvidenceClass, Statement } from '@anvilstone/schema';
import { formatNumber as f, type Working } from '@anvilstone/core/foundations';
import type { Resolved } from '@anvilstone/core/materials';
import { bucklingLoad, ACTION_SYMBOL, ACTION_UNIT, type Buckling } from '@anvilstone/core/shapes';
import { actingAt, growthOf, isDriven, strengthHours, weatheredShare } from '../engine/action.ts';
import type { CaseCheck, CheckContext, PreparedLoad } from '../engine/check.ts';
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
  failsAs: 'buckled',
  testedBy: ['pull-bar', 'bend-bar', 'break-part', 'bend-1-30-60', 'twist-90'],
  breaksUnder: 'force',
  unit: ({ action }) => ACTION_UNIT[action],
  words: ['Compression', 'buckling load'],
  limitsHeat: true,
  appliesTo: (load) => load.response.buckling.length > 0 && !isDriven(load) && load.kind !== 'knock',
  at(context, load, temperatureC, durationH, working) {
    const acting = actingAt(context, load, temperatureC);
    if (!acting.known) return { kind: 'unknown', gaps: acting.gaps };
    let worst: { buckling: Buckling; critical: Critical } | undefined;
    for (const buckling of load.response.buckling) {
      const critical = criticalAction(context, load, buckling, temperatureC, durationH);
      if ('gaps' in critical) return { kind: 'unknown', gaps: critical.gaps };
      if (!worst || critical.action < worst.critical.action) worst = { buckling, critical };
    }
    if (!worst) return { kind: 'not-loaded' };
    const { buckling, critical } = worst;
    if (working) showBuckling(working, context, load, { acting, buckling, critical, temperatureC, durationH });
    return {
      kind: 'known',
      demand: acting.action,
      capacity: critical.action,
      evidence: weakest(acting.evidence, critical.evidence),
      placeId: buckling.id,
    };
  },
};

/** How a critical load came about. */
interface Critical {
  /** Action at which it buckles, ÷ safety factor. */
  action: number;
  evidence: EvidenceClass;
  modulus: Resolved;
  strength: Resolved;
  /** Modulus left by heat and creep, MPa. */
  modulusLeftMPa: number;
  euler: number;
  crushing: number;
  unfactored: number;
}

function showBuckling(
  working: Working,
  context: CheckContext,
  load: PreparedLoad,
  found: {
    acting: { action: number };
    buckling: Buckling;
    critical: Critical;
    temperatureC: number;
    durationH: number;
  },
): void {
  const { material, body } = context;
  const { acting, buckling, critical, temperatureC, durationH } = found;
  const { euler, crushing } = critical;
  const unit = ACTION_UNIT[body.action];
  const isSlender = euler <= crushing / 2;
  working.add('', 'Where', buckling.title, '');
  working.add(ACTION_SYMBOL[body.action], load.loadCase.name, acting.action, unit);
  showLines(working, buckling.lines, acting.action);
  showResolved(working, 'E₂₃', 'Modulus along the member, 23 °C', critical.modulus, 'MPa');
  showModulusRatio(working, material, temperatureC);
  showGrowth(working, context, load, temperatureC, durationH);
  working.add('P_E', 'Euler load with the modulus left after creep', euler, unit, {
    expression: `${f(buckling.criticalPerModulus)} · ${f(critical.modulusLeftMPa)} MPa`,
    source: 'π²·E·I/(K·L)²',
  });
  showResolved(working, 'σc', 'Compressive strength, 23 °C', critical.strength, 'MPa');
  showStrengthFactor(working, material, temperatureC, strengthHours(load, durationH));
  working.add('P_S', 'Crushing load', crushing, unit);
  working.add('P_cr', isSlender ? 'Slender: Euler decides' : 'Stocky: Johnson decides', critical.unfactored, unit, {
    expression: isSlender ? 'P_E' : 'P_S · (1 − P_S / (4 · P_E))',
    source: 'Shigley, 10th ed., sections 4-12 and 4-13',
  });
  working.add('SF', 'Safety factor of the load case', load.loadCase.safetyFactor, '÷');
}

/** Action at which it buckles, ÷ safety factor. */
export function criticalAction(
  context: CheckContext,
  load: PreparedLoad,
  buckling: Buckling,
  temperatureC: number,
  durationH: number,
): Critical | { gaps: readonly Statement[] } {
  const { material } = context;
  if (!material.behaviour) return { gaps: material.behaviourGaps };
  const modulus = modulusAlong(material, buckling.direction, context.part.up);
  if (!modulus.known) return { gaps: modulus.gaps };
  const strength = material.property('compressiveStrength');
  if (!strength.known) return { gaps: strength.gaps };
  const ratio = material.modulusRatio(temperatureC) / growthOf(context, load, temperatureC, durationH);
  const modulusLeftMPa = modulus.value * ratio;
  const euler = buckling.criticalPerModulus * modulusLeftMPa;
  const crushing =
    buckling.actionPerStress *
    strength.value *
    material.strengthFactor(temperatureC, strengthHours(load, durationH)) *
    weatheredShare(context);
  const unfactored = bucklingLoad(euler, crushing);
  const lasting = load.kind === 'lasting' ? material.behaviour.creepEvidence : 'A';
  return {
    action: unfactored / load.loadCase.safetyFactor,
    evidence: weakest(evidenceAt(material, modulus.evidence, temperatureC), lasting),
    modulus,
    strength,
    modulusLeftMPa,
    euler,
    crushing,
    unfactored,
  };
}
