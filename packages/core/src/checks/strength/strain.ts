import { formatNumber as f, type Working } from '@anvilstone/core/foundations';
import type { Resolution } from '@anvilstone/core/materials';
import { matingForceN } from '@anvilstone/core/shapes';
import { actingAt, isDriven, movementPerUnit } from '../engine/action.ts';
import type { LayerStress } from '../engine/layerStress.ts';
import { bearingStrength } from './bearingStrength.ts';
import type { CaseCheck, CaseOutcome, CheckContext, PreparedLoad } from '../engine/check.ts';
import { modulusAlong } from '../engine/compliance.ts';
import { weakest } from '../engine/outcome.ts';
import { showResolved } from '../engine/showMaterial.ts';

/** Of the elongation at break: nobody wants to bend a brittle part to where bars break. */
const SHARE_OF_BREAK = 0.5;
/** How far a cushion may be squeezed, share of its height: lasting, and for a moment. Usual for elastomer pads. */
const SQUEEZE_LASTING = 0.3;
const SQUEEZE_SHORT = 0.4;

/**
 * Strain of what is bent by a forced movement (hooks, hinges, springs) against the strain it can stand: elongation at
 * yield, at most half of that at break; the family's fatigue share of it where it is bent again and again; less across the
 * layers in the ratio of the strengths. A cushion may be squeezed by 30 % for long and 40 % for a moment.
 */
export const strain: CaseCheck = {
  id: 'strain',
  title: 'Strain',
  asks: 'Does the material take the imposed strain, that often?',
  unit: '%',
  words: ['Strain', 'allowable'],
  limitsHeat: false,
  appliesTo: (load, body) => isDriven(load) || (body.squeezedHeightMm !== undefined && load.kind !== 'knock'),
  at(context, load, temperatureC) {
    return context.body.squeezedHeightMm === undefined
      ? bentTooFar(context, load, temperatureC)
      : squeezedTooFar(context, load, temperatureC);
  },
  show(context, load, temperatureC, _durationH, working) {
    if (context.body.squeezedHeightMm !== undefined) {
      working.add('h', 'Height of the cushion', context.body.squeezedHeightMm, 'mm');
      working.add(
        '',
        'Squeeze that is usual for elastomer pads',
        `${load.kind === 'lasting' ? '30 % lasting' : '40 % for a moment'}`,
        '',
      );
      return;
    }
    const governing = worstFibre(context, load);
    if (!governing) return;
    const { layerStress } = governing;
    const acting = actingAt(context, load, temperatureC);
    if (!acting.known) return;
    const stress = layerStress.stressPerUnit * acting.action;
    const modulus = modulusAlong(context.material, layerStress.place.direction, context.part.up);
    if (!modulus.known) return;
    const ratio = context.material.modulusRatio(temperatureC);
    working.add('', 'Where', layerStress.place.title, '');
    working.add('y', load.loadCase.name, load.amount, load.size === 'angleDeg' ? '°' : 'mm');
    working.add('Kt', 'Stress concentration, counted on the strain', layerStress.place.concentration, '×');
    working.add('ε', 'Strain there, from shape and movement alone', (100 * stress) / (modulus.value * ratio), '%', {
      expression: `σ / E = ${f(stress)} / ${f(modulus.value * ratio)}: the modulus cancels`,
      source: 'beam theory',
    });
    const { yielding, breaking } = elongations(context);
    if (yielding.known) showResolved(working, 'ε_y', 'Elongation at yield', yielding, '%');
    if (breaking.known) {
      showResolved(working, 'ε_b', 'Elongation at break', breaking, '%');
      working.add('', `At most ${SHARE_OF_BREAK} of that at break`, SHARE_OF_BREAK * breaking.value, '%');
    }
    const share = cycleShare(context, load);
    if (share < 1)
      working.add('kN', `Share left after ${f(load.loadCase.cycles ?? 1)} bends`, share, '×', {
        source: 'fatigue shares typical of the family',
      });
    const layers = layerShare(context, layerStress);
    if (layers.known && layers.value < 1)
      working.add('kz', `Share at ${f(layerStress.angleDeg)}° to the layers`, layers.value, '×', {
        source: 'ratio of the strengths',
      });
    working.add('SF', 'Safety factor of the load case', load.loadCase.safetyFactor, '÷');
    showPush(context, acting.action, working);
  },
};

/** What it takes to push a hook over its edge: friction against steel stands in for whatever it closes on. */
function showPush({ body, material }: CheckContext, bendingForceN: number, working: Working): void {
  const friction = material.property('frictionVsSteel');
  if (body.leadAngleDeg === undefined || !friction.known) return;
  working.add('P', 'Force at that deflection', bendingForceN, 'N');
  working.add('µ', 'Friction', friction.value, '×', {
    source: 'against steel; of the family where nothing was measured',
  });
  const locks = friction.value * Math.tan((body.leadAngleDeg * Math.PI) / 180) >= 1;
  const push = locks
    ? 'locks by friction: a flatter slope is needed'
    : matingForceN({ bendingForceN, leadAngleDeg: body.leadAngleDeg, friction: friction.value });
  working.add('W', 'Insertion force of one hook', push, locks ? '' : 'N', {
    expression: `P · (µ + tan ${f(body.leadAngleDeg)}°) / (1 − µ · tan ${f(body.leadAngleDeg)}°)`,
    source: 'wedge with friction',
  });
}

function bentTooFar(context: CheckContext, load: PreparedLoad, temperatureC: number): CaseOutcome {
  const { material } = context;
  if (!material.behaviour) return { kind: 'unknown', gaps: material.behaviourGaps };
  const acting = actingAt(context, load, temperatureC);
  if (!acting.known) return { kind: 'unknown', gaps: acting.gaps };
  const { yielding, breaking } = elongations(context);
  if (!breaking.known) return { kind: 'unknown', gaps: breaking.gaps };
  const allowed =
    Math.min(yielding.known ? yielding.value : Infinity, SHARE_OF_BREAK * breaking.value) * cycleShare(context, load);
  const governing = worstFibre(context, load);
  if (!governing) return { kind: 'not-loaded' };
  if ('gaps' in governing) return { kind: 'unknown', gaps: governing.gaps };
  const { layerStress, layers, modulusMPa } = governing;
  const stress = layerStress.stressPerUnit * acting.action;
  return {
    kind: 'known',
    demand: (100 * stress) / (modulusMPa * material.modulusRatio(temperatureC)),
    capacity: (allowed * layers) / load.loadCase.safetyFactor,
    evidence: weakest(
      breaking.evidence,
      yielding.known ? yielding.evidence : 'A',
      load.kind === 'repeated' ? 'D' : 'A',
    ),
    placeId: layerStress.place.id,
  };
}

type Fibre = { layerStress: LayerStress; layers: number; modulusMPa: number };

/** The fibre with the largest strain for what it can stand: it does not depend on how far the part is bent. */
function worstFibre(
  context: CheckContext,
  load: PreparedLoad,
): Fibre | { layerStress: LayerStress; gaps: readonly string[] } | undefined {
  const { inPlane, across } = context.layerStresses[load.directionIndex]!;
  let worst: Fibre | undefined;
  for (const layerStress of [...inPlane, ...across]) {
    if (layerStress.mode !== 'pull' && layerStress.mode !== 'pull-apart') continue;
    const modulus = modulusAlong(context.material, layerStress.place.direction, context.part.up);
    const layers = layerShare(context, layerStress);
    if (!modulus.known) return { layerStress, gaps: modulus.gaps };
    if (!layers.known) return { layerStress, gaps: layers.gaps };
    const fibre = { layerStress, layers: layers.value, modulusMPa: modulus.value };
    if (!worst || severity(fibre) > severity(worst)) worst = fibre;
  }
  return worst;
}

function severity({ layerStress, layers, modulusMPa }: Fibre): number {
  return layerStress.stressPerUnit / modulusMPa / layers;
}

function layerShare({ material }: CheckContext, layerStress: LayerStress): Resolution {
  if (layerStress.mode === 'pull') return { known: true, value: 1, cov: 0, evidence: 'A', steps: [] };
  const strength = bearingStrength(material, layerStress);
  const inPlane = material.strength.inPlane;
  if (!strength.known) return strength;
  if (!inPlane.known) return inPlane;
  return { ...strength, value: Math.min(1, strength.value / inPlane.value) };
}

function elongations({ material }: CheckContext): { yielding: Resolution; breaking: Resolution } {
  return { yielding: material.property('elongationYield'), breaking: material.property('elongationBreak') };
}

/** What is left of the strain after many bends, by the family's fatigue law; 1 for a single one. */
function cycleShare({ material }: CheckContext, load: PreparedLoad): number {
  const cycles = load.kind === 'repeated' ? (load.loadCase.cycles ?? 1) : 1;
  if (cycles <= 1 || !material.behaviour) return 1;
  const { law } = material.behaviour.fatigue;
  return Math.min(1, law.coefficient * cycles ** -law.exponent);
}

function squeezedTooFar(context: CheckContext, load: PreparedLoad, temperatureC: number): CaseOutcome {
  const compliance = context.compliances[load.directionIndex]!;
  if (!compliance.known) return { kind: 'unknown', gaps: compliance.gaps };
  const acting = actingAt(context, load, temperatureC);
  if (!acting.known) return { kind: 'unknown', gaps: acting.gaps };
  const squeezeMm = acting.action * movementPerUnit(context, compliance, temperatureC);
  return {
    kind: 'known',
    demand: (100 * squeezeMm) / context.body.squeezedHeightMm!,
    capacity: 100 * squeezeLimit(load),
    evidence: compliance.evidence,
    placeId: 'pad',
  };
}

/** How far a cushion may be squeezed, share of its height. */
export function squeezeLimit(load: PreparedLoad): number {
  return load.kind === 'lasting' || load.kind === 'held' ? SQUEEZE_LASTING : SQUEEZE_SHORT;
}
