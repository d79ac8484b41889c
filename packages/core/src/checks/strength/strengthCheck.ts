import type { EvidenceClass } from '@anvilstone/schema';
import { formatNumber as f, type Working } from '@anvilstone/core/foundations';
import { ACTION_SYMBOL, ACTION_UNIT } from '@anvilstone/core/shapes';
import { actingAt, isDriven, strengthHours, weatheredShare } from '../engine/action.ts';
import type { LayerStress, LayerStressPlaces } from '../engine/layerStress.ts';
import { BEARING_WORDS, bearingStrength } from './bearingStrength.ts';
import type { CaseCheck, CaseOutcome, CheckContext, PreparedLoad } from '../engine/check.ts';
import { weakest } from '../engine/outcome.ts';
import { showLines, showResolved, showStrengthFactor, showWeathering } from '../engine/showMaterial.ts';
import { evidenceAt } from '../heat/temperatureEvidence.ts';

/** A check of stress against strength over the places that `which` picks; the place with the minimum reserve decides. */
export function strengthCheck(
  about: Pick<CaseCheck, 'id' | 'title' | 'asks'>,
  which: (layerStresses: LayerStressPlaces) => readonly LayerStress[],
): CaseCheck {
  return {
    ...about,
    unit: 'MPa',
    limitsHeat: true,
    temperatureDependence: () => 'strength',
    // What is bent by a forced movement is judged by its strain, what is struck by its energy.
    appliesTo: (load) => !isDriven(load) && load.kind !== 'knock',
    at(context, load, temperatureC, durationH) {
      const layerStresses = which(context.layerStresses[load.directionIndex]!);
      if (layerStresses.length === 0) return NOT_LOADED;
      return worstLayerStress(context, layerStresses, load, temperatureC, durationH);
    },
    show(context, load, temperatureC, durationH, working) {
      const layerStresses = which(context.layerStresses[load.directionIndex]!);
      const outcome = worstLayerStress(context, layerStresses, load, temperatureC, durationH);
      if (outcome.kind !== 'known' || !outcome.layerStress) return;
      showLayerStress(context, outcome.layerStress, load, temperatureC, strengthHours(load, durationH), working);
    },
  };
}

function worstLayerStress(
  context: CheckContext,
  layerStresses: readonly LayerStress[],
  load: PreparedLoad,
  temperatureC: number,
  durationH: number,
): CaseOutcome {
  const { material } = context;
  const first = bearingStrength(material, layerStresses[0]!);
  if (!first.known) return { kind: 'unknown', gaps: first.gaps };
  if (!material.behaviour) return { kind: 'unknown', gaps: material.behaviourGaps };
  const acting = actingAt(context, load, temperatureC);
  if (!acting.known) return { kind: 'unknown', gaps: acting.gaps };
  const factor =
    (material.strengthFactor(temperatureC, strengthHours(load, durationH)) * weatheredShare(context)) /
    load.loadCase.safetyFactor;
  let worst: LayerStress | undefined;
  let worstReserve = Infinity;
  let evidence: EvidenceClass = 'A';
  let capacity = Number.NaN;
  for (const layerStress of layerStresses) {
    const strength = bearingStrength(material, layerStress);
    if (!strength.known) return { kind: 'unknown', gaps: strength.gaps };
    const bears = strength.value * factor;
    const reserve = bears / (layerStress.stressPerUnit * acting.action);
    if (reserve >= worstReserve) continue;
    worstReserve = reserve;
    worst = layerStress;
    capacity = bears;
    evidence = strength.evidence;
  }
  if (!worst) return NOT_LOADED;
  return {
    kind: 'known',
    demand: worst.stressPerUnit * acting.action,
    capacity,
    evidence: weakest(acting.evidence, evidenceAt(material, evidence, temperatureC), context.weathering?.evidence),
    layerStress: worst,
  };
}

const NOT_LOADED: CaseOutcome = { kind: 'not-loaded' };

/** The arithmetic of one stressed place: what acts, the stress there, and the strength that bears it. */
export function showLayerStress(
  context: CheckContext,
  layerStress: LayerStress,
  load: PreparedLoad,
  temperatureC: number,
  strengthH: number,
  working: Working,
): void {
  const acting = actingAt(context, load, temperatureC);
  if (!acting.known) return;
  const { action } = context.body;
  working.add('', 'Where', layerStress.place.title, '');
  working.add(ACTION_SYMBOL[action], load.loadCase.name, acting.action, ACTION_UNIT[action]);
  showLines(working, layerStress.place.lines, acting.action);
  if (layerStress.relief !== undefined) {
    working.add('k', 'Share of the stress left to the print beside the strands', layerStress.relief, '×', {
      expression: '1 / (1 − s + s · E_f/E)',
      source: 'transformed section, 23 °C',
    });
    working.add('σ_k', 'Stress left to the print', layerStress.stressPerUnit * acting.action, 'MPa', {
      expression: 'k · σ',
    });
  }
  const strength = bearingStrength(context.material, layerStress);
  const { symbol, meaning } = BEARING_WORDS[layerStress.mode];
  if (layerStress.mode === 'squeeze') {
    working.add('σ', 'Compression there', layerStress.stressPerUnit * acting.action, 'MPa');
  }
  if (layerStress.mode === 'pull-apart')
    working.add('φ', 'Angle of the stress to the layers', layerStress.angleDeg, '°');
  if (!strength.known) return;
  showResolved(working, symbol, meaning, strength, 'MPa');
  showStrengthFactor(working, context.material, temperatureC, strengthH);
  showWeathering(working, context);
  working.add('SF', 'Safety factor of the load case', load.loadCase.safetyFactor, '÷');
  working.add(
    'σ_allow',
    'Allowable stress',
    (strength.value * context.material.strengthFactor(temperatureC, strengthH) * weatheredShare(context)) /
      load.loadCase.safetyFactor,
    'MPa',
    {
      expression: `${f(strength.value)} · kT · kt${context.weathering ? ' · kUV' : ''} / ${f(load.loadCase.safetyFactor)}`,
    },
  );
}
