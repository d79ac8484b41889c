import { formatNumber as f, type Working, say, mm, celsius } from '@anvilstone/core/foundations';
import { ACTION_SYMBOL, ACTION_UNIT, stiffened, type PartBody } from '@anvilstone/core/shapes';
import { actingAt, growthOf, isDriven, movementPerUnit, onShareOf } from '../engine/action.ts';
import type { CaseCheck, CaseOutcome, CheckContext, PreparedLoad } from '../engine/check.ts';
import { modulusAlong, shearModulusMPa } from '../engine/compliance.ts';
import { weakest } from '../engine/outcome.ts';
import { showGrowth, showModulusRatio, showResolved } from '../engine/showMaterial.ts';
import { evidenceAt } from '../heat/temperatureEvidence.ts';

/** Elastic movement at the load, at temperature, against the elastic deflection limit. No safety factor: the limit is the limit. */
export const deflectionAtLoad: CaseCheck = {
  id: 'deflection-at-load',
  isLimit: true,
  title: 'Elastic deflection',
  asks: 'Does the elastic deflection stay within its limit?',
  failsAs: 'sagged',
  testedBy: ['bend-bar', 'break-part', 'bend-1-30-60', 'sag-48h', 'condition'],
  unit: 'mm',
  limitsHeat: true,
  // A knock pushes less hard on a softer part, so its movement has a law of its own.
  temperatureDependence: (load) =>
    load.response.seriesPerUnit === 0 && load.kind !== 'knock' && !load.fibre ? 'stiffness' : undefined,
  appliesTo: (load) => load.loadCase.maxDeflectionMm !== undefined && !isDriven(load),
  at: (context, load, temperatureC, _durationH, working) =>
    movement(context, load, temperatureC, 1, load.loadCase.maxDeflectionMm!, working),
};

/** Movement after the load has stayed on for its duration: elastic deflection × creep growth. */
export const sagAfterDuration: CaseCheck = {
  id: 'sag-after-duration',
  isLimit: true,
  title: 'Creep deflection',
  asks: 'Does the deflection, creep included, stay within its limit at the end of the load?',
  failsAs: 'sagged',
  testedBy: ['bend-1-30-60', 'sag-48h', 'creep-hot', 'leave-out'],
  unit: 'mm',
  limitsHeat: true,
  temperatureDependence: (load) => (load.response.seriesPerUnit === 0 && !load.fibre ? 'creep' : undefined),
  appliesTo: (load) => load.loadCase.maxSagMm !== undefined && load.kind === 'lasting',
  at(context, load, temperatureC, durationH, working) {
    if (!context.material.behaviour) return { kind: 'unknown', gaps: context.material.behaviourGaps };
    const growth = growthOf(context, load, temperatureC, durationH);
    const outcome = movement(context, load, temperatureC, growth, load.loadCase.maxSagMm!, working);
    if (working) showGrowth(working, context, load, temperatureC, durationH);
    if (outcome.kind !== 'known') return outcome;
    return { ...outcome, evidence: weakest(outcome.evidence, context.material.behaviour.creepEvidence) };
  },
};

const RECOVERY_H = 24;

/**
 * What stays after the load has gone and the part has had time to recover: by Boltzmann superposition, elastic movement ×
 * (g(t + r) − g(r)) with the growth g, t under load and r of recovery.
 */
export const movementLeft: CaseCheck = {
  id: 'movement-left',
  isLimit: true,
  title: 'Residual deflection',
  asks: 'Does it recover far enough after unloading?',
  failsAs: 'sagged',
  testedBy: ['sag-48h', 'creep-hot'],
  unit: 'mm',
  words: ['Residual deflection', 'limit'],
  limitsHeat: true,
  appliesTo: (load) => load.loadCase.maxLeftMm !== undefined && load.kind === 'lasting',
  at(context, load, temperatureC, durationH, working) {
    const { material } = context;
    if (!material.behaviour) return { kind: 'unknown', gaps: material.behaviourGaps };
    const { recoveryH = RECOVERY_H, maxLeftMm } = load.loadCase;
    const after = material.creepGrowth(temperatureC, durationH + recoveryH);
    const left = onShareOf(load) * (after - material.creepGrowth(temperatureC, recoveryH));
    const outcome = movement(context, load, temperatureC, left, maxLeftMm!, working);
    working?.add('left/δ', 'Share of the elastic deflection that remains', left, '×', {
      expression: `g(${f(durationH)} + ${f(recoveryH)} h) − g(${f(recoveryH)} h)`,
      source: 'Boltzmann superposition of the creep law; recovery at the temperature of the load',
    });
    if (outcome.kind !== 'known') return outcome;
    return { ...outcome, evidence: weakest(outcome.evidence, material.behaviour.creepEvidence) };
  },
};

/** Elastic movement × growth against a limit. */
function movement(
  context: CheckContext,
  load: PreparedLoad,
  temperatureC: number,
  growth: number,
  limitMm: number,
  working: Working | undefined,
): CaseOutcome {
  const { material } = context;
  const compliance = context.compliances[load.directionIndex]!;
  if (!compliance.known) return { kind: 'unknown', gaps: compliance.gaps };
  const acting = actingAt(context, load, temperatureC);
  if (!acting.known) return { kind: 'unknown', gaps: acting.gaps };
  if (working) showElastic(working, context, load, { action: acting.action, temperatureC });
  const demand = acting.action * movementPerUnit(context, compliance, temperatureC, growth);
  const evidence = evidenceAt(material, compliance.evidence, temperatureC);
  const rangeMm = context.body.movementRangeMm ?? Infinity;
  if (demand <= rangeMm) {
    const outcome: CaseOutcome = { kind: 'known', demand, capacity: limitMm, evidence, placeId: 'movement' };
    return context.body.movementRadiusMm === undefined
      ? outcome
      : { ...outcome, reason: turnsBy(context.body, demand) };
  }
  if (limitMm >= demand) return { kind: 'unknown', gaps: [beyondRange(context, load)] };
  // Too much for certain; how much, the formulas do not tell.
  return {
    kind: 'known',
    demand: rangeMm,
    capacity: limitMm,
    reserve: limitMm / demand,
    evidence,
    placeId: 'movement',
    reason: `Moves by more than ${rangeOf(context.body)}`,
  };
}

/** A turning movement as an angle. */
const turnsBy = ({ movementRadiusMm }: PartBody, movedMm: number) =>
  `Turns by ${f((movedMm / movementRadiusMm! / Math.PI) * 180)}°`;

export const rangeOf = ({ movementRangeOf = 'a tenth of its span' }: PartBody) => movementRangeOf;
export const beyondRange = ({ body }: CheckContext, { loadCase }: PreparedLoad) =>
  say`Under “${loadCase.name}” it moves by more than ${mm(body.movementRangeMm!)}, ${rangeOf(body)}: the formulas for small movements end there. Make it stiffer, or test the part`;

/** How far the part moves at once, term by term. */
export function showElastic(
  working: Working,
  context: CheckContext,
  load: PreparedLoad,
  { action, temperatureC }: { action: number; temperatureC: number },
): void {
  const { material, body, part } = context;
  if (!material.behaviour) return;
  const { response } = load;
  const ratio = material.modulusRatio(temperatureC);
  const unit = body.movement.unit;
  working.add(ACTION_SYMBOL[body.action], load.loadCase.name, action, ACTION_UNIT[body.action]);
  const shown = new Set<string>();
  for (const stretch of response.complianceTerms) {
    const modulus = modulusAlong(material, stretch.direction, part.up);
    if (!modulus.known) return;
    const key = String(modulus.value);
    if (!shown.has(key)) {
      shown.add(key);
      showResolved(working, 'E₂₃', 'Modulus in the direction of the stress, 23 °C', modulus, 'MPa');
      if (shown.size === 1) showModulusRatio(working, material, temperatureC);
      working.add('E', say`Modulus at ${celsius(temperatureC)}`, modulus.value * ratio, 'MPa', {
        expression: `${f(modulus.value)} · ${f(ratio)}`,
      });
    }
    working.add('δ', stretch.title, (stretch.perModulus * action) / (modulus.value * ratio), unit, {
      expression: stretch.formula,
      source: stretch.source,
    });
  }
  if (response.shear) {
    const shear = shearModulusMPa(material, part.up, response);
    if (!shear.known) return;
    working.add('G', say`Shear modulus at ${celsius(temperatureC)}`, shear.value * ratio, 'MPa', {
      source: 'Exy/(2(1 + ν)), × √(Ez/Exy) between layers',
    });
    working.add('δs', 'Shear part', (response.shear.perModulus * action) / (shear.value * ratio), unit, {
      expression: response.shear.formula,
      source: response.shear.source,
    });
    if (body.movementRadiusMm !== undefined) {
      const turned = (response.shear.perModulus * action) / (shear.value * ratio) / body.movementRadiusMm;
      working.add('θ', 'Twist', (turned / Math.PI) * 180, '°', { expression: say`δs / ${mm(body.movementRadiusMm)}` });
    }
  }
  const compliance = context.compliances[load.directionIndex]!;
  if (!compliance.known || !compliance.reinforced) return;
  const { by, bendingPerUnit } = compliance.reinforced;
  working.add('s', 'Share of the strands in the second moment', by.secondMomentShare, '×');
  working.add('E_f', 'Modulus along the strands', by.strandMPa, 'MPa', { source: 'typical of the strand' });
  working.add('δf', 'Bending part with the strands', (bendingPerUnit * action) / stiffened(by, ratio), unit, {
    expression: 'δ(23 °C) / (E/E₂₃ · (1 − s) + s · E_f/E₂₃)',
    source: 'transformed section',
  });
}
