import type { EvidenceClass } from '@anvilstone/schema';
import { formatNumber as f, type Working } from '@anvilstone/core/foundations';
import { ACTION_SYMBOL, ACTION_UNIT } from '@anvilstone/core/shapes';
import { actingAt, allowableShare, isDriven, strengthHours } from '../engine/action.ts';
import type { LayerStress, LayerStressPlaces } from '../engine/layerStress.ts';
import { BEARING_WORDS, bearingStrength } from './bearingStrength.ts';
import type { CaseCheck, CaseOutcome, CheckContext, PreparedLoad } from '../engine/check.ts';
import type { CheckFacts } from '../engine/checkFacts.ts';
import { weakest } from '../engine/outcome.ts';
import { showLines, showResolved, showStrengthFactor, showWeathering } from '../engine/showMaterial.ts';
import { evidenceAt } from '../heat/temperatureEvidence.ts';

/** A check of stress against strength over the places that `which` picks; the place with the minimum reserve decides. */
export function strengthCheck(
  about: Pick<CaseCheck, 'id' | 'title' | 'asks' | keyof CheckFacts>,
  which: (layerStresses: LayerStressPlaces) => readonly LayerStress[],
): CaseCheck {
  return {
    ...about,
    unit: 'MPa',
    limitsHeat: true,
    temperatureDependence: () => 'strength',
    // What is bent by a forced movement is judged by its strain, what is struck by its energy.
    appliesTo: (load) => !isDriven(load) && load.kind !== 'knock',
    at(context, load, temperatureC, durationH, working) {
      const layerStresses = which(context.layerStresses[load.directionIndex]!);
      if (layerStresses.length === 0) return NOT_LOADED;
      const outcome = worstLayerStress(context, layerStresses, load, temperatureC, durationH);
      if (working && outcome.kind === 'known')
        showLayerStress(working, context, load, {
          layerStress: outcome.layerStress!,
          stressMPa: outcome.demand,
          allowableMPa: outcome.capacity,
          temperatureC,
          strengthH: strengthHours(load, durationH),
        });
      return outcome;
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
  const share = allowableShare(context, load, temperatureC, strengthHours(load, durationH));
  let worst: LayerStress | undefined;
  let worstReserve = Infinity;
  let evidence: EvidenceClass = 'A';
  let capacity = Number.NaN;
  for (const layerStress of layerStresses) {
    const strength = bearingStrength(material, layerStress);
    if (!strength.known) return { kind: 'unknown', gaps: strength.gaps };
    const bears = strength.value * share;
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
  working: Working,
  context: CheckContext,
  load: PreparedLoad,
  found: { layerStress: LayerStress; stressMPa: number; allowableMPa: number; temperatureC: number; strengthH: number },
): void {
  const { layerStress, stressMPa, allowableMPa, temperatureC, strengthH } = found;
  const { place, relief, mode, angleDeg } = layerStress;
  const { action } = context.body;
  const acts = stressMPa / layerStress.stressPerUnit;
  working.add('', 'Where', place.title, '');
  working.add(ACTION_SYMBOL[action], load.loadCase.name, acts, ACTION_UNIT[action]);
  showLines(working, place.lines, acts);
  if (relief !== undefined) {
    working.add('k', 'Share of the stress left to the print beside the strands', relief, '×', {
      expression: '1 / (1 − s + s · E_f/E)',
      source: 'transformed section, 23 °C',
    });
    working.add('σ_k', 'Stress left to the print', stressMPa, 'MPa', { expression: 'k · σ' });
  }
  const strength = bearingStrength(context.material, layerStress);
  const { symbol, meaning } = BEARING_WORDS[mode];
  if (mode === 'squeeze') working.add('σ', 'Compression there', stressMPa, 'MPa');
  if (mode === 'pull-apart') working.add('φ', 'Angle of the stress to the layers', angleDeg, '°');
  if (!strength.known) return;
  showResolved(working, symbol, meaning, strength, 'MPa');
  showStrengthFactor(working, context.material, temperatureC, strengthH);
  showWeathering(working, context);
  const { safetyFactor } = load.loadCase;
  working.add('SF', 'Safety factor of the load case', safetyFactor, '÷');
  working.add('σ_allow', 'Allowable stress', allowableMPa, 'MPa', {
    expression: `${f(strength.value)} · kT · kt${context.weathering ? ' · kUV' : ''} / ${f(safetyFactor)}`,
  });
}
