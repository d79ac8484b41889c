import type { Statement } from '@anvilstone/schema';
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
  failsAs: 'torn',
  testedBy: ['bend-bar', 'bend-1-30-60'],
  unit: '%',
  words: ['Strain', 'allowable'],
  limitsHeat: false,
  appliesTo: (load, body) => isDriven(load) || (body.squeezedHeightMm !== undefined && load.kind !== 'knock'),
  at(context, load, temperatureC, _durationH, working) {
    return context.body.squeezedHeightMm === undefined
      ? bentTooFar(context, load, temperatureC, working)
      : squeezedTooFar(context, load, temperatureC, working);
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

function bentTooFar(
  context: CheckContext,
  load: PreparedLoad,
  temperatureC: number,
  working: Working | undefined,
): CaseOutcome {
  const { material } = context;
  if (!material.behaviour) return { kind: 'unknown', gaps: material.behaviourGaps };
  const acting = actingAt(context, load, temperatureC);
  if (!acting.known) return { kind: 'unknown', gaps: acting.gaps };
  const { yielding, breaking } = elongations(context);
  if (!breaking.known) return { kind: 'unknown', gaps: breaking.gaps };
  const halfOfBreak = SHARE_OF_BREAK * breaking.value;
  const cycles = cycleShare(context, load);
  const allowed = Math.min(yielding.known ? yielding.value : Infinity, halfOfBreak) * cycles;
  const governing = worstFibre(context, load);
  if (!governing) return { kind: 'not-loaded' };
  if ('gaps' in governing) return { kind: 'unknown', gaps: governing.gaps };
  const { layerStress, layers, modulusMPa } = governing;
  const { place, angleDeg, mode } = layerStress;
  const stress = layerStress.stressPerUnit * acting.action;
  const modulusThere = modulusMPa * material.modulusRatio(temperatureC);
  const strainPct = (100 * stress) / modulusThere;
  if (working) {
    working.add('', 'Where', place.title, '');
    working.add('y', load.loadCase.name, load.amount, load.size === 'angleDeg' ? '°' : 'mm');
    working.add('Kt', 'Stress concentration, counted on the strain', place.concentration, '×');
    working.add('ε', 'Strain there, from shape and movement alone', strainPct, '%', {
      expression: `σ / E = ${f(stress)} / ${f(modulusThere)}: the modulus cancels`,
      source: 'beam theory',
    });
    if (yielding.known) showResolved(working, 'ε_y', 'Elongation at yield', yielding, '%');
    showResolved(working, 'ε_b', 'Elongation at break', breaking, '%');
    working.add('', `At most ${SHARE_OF_BREAK} of that at break`, halfOfBreak, '%');
    if (cycles < 1)
      working.add('kN', `Share left after ${f(load.loadCase.cycles ?? 1)} bends`, cycles, '×', {
        source: 'fatigue shares typical of the family',
      });
    if (mode !== 'pull' && layers < 1)
      working.add('kz', `Share at ${f(angleDeg)}° to the layers`, layers, '×', { source: 'ratio of the strengths' });
    working.add('SF', 'Safety factor of the load case', load.loadCase.safetyFactor, '÷');
    showPush(context, acting.action, working);
  }
  return {
    kind: 'known',
    demand: strainPct,
    capacity: (allowed * layers) / load.loadCase.safetyFactor,
    evidence: weakest(
      breaking.evidence,
      yielding.known ? yielding.evidence : 'A',
      load.kind === 'repeated' ? 'D' : 'A',
    ),
    placeId: place.id,
  };
}

type Fibre = { layerStress: LayerStress; layers: number; modulusMPa: number };

/** The fibre with the largest strain for what it can stand: it does not depend on how far the part is bent. */
function worstFibre(
  context: CheckContext,
  load: PreparedLoad,
): Fibre | { layerStress: LayerStress; gaps: readonly Statement[] } | undefined {
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

function squeezedTooFar(
  context: CheckContext,
  load: PreparedLoad,
  temperatureC: number,
  working: Working | undefined,
): CaseOutcome {
  const compliance = context.compliances[load.directionIndex]!;
  if (!compliance.known) return { kind: 'unknown', gaps: compliance.gaps };
  const acting = actingAt(context, load, temperatureC);
  if (!acting.known) return { kind: 'unknown', gaps: acting.gaps };
  const heightMm = context.body.squeezedHeightMm!;
  const squeezeMm = acting.action * movementPerUnit(context, compliance, temperatureC);
  const limit = squeezeLimit(load);
  if (working) {
    const usual = `${f(100 * limit)} % ${limit === SQUEEZE_LASTING ? 'lasting' : 'for a moment'}`;
    working.add('h', 'Height of the cushion', heightMm, 'mm');
    working.add('s', 'Squeezed by', squeezeMm, 'mm');
    working.add('', 'Squeeze that is usual for elastomer pads', usual, '');
  }
  return {
    kind: 'known',
    demand: (100 * squeezeMm) / heightMm,
    capacity: 100 * limit,
    evidence: compliance.evidence,
    placeId: 'pad',
  };
}

/** How far a cushion may be squeezed, share of its height. */
export function squeezeLimit(load: PreparedLoad): number {
  return load.kind === 'lasting' || load.kind === 'held' ? SQUEEZE_LASTING : SQUEEZE_SHORT;
}
