import type { Statement } from '@anvilstone/schema';
import { formatNumber as f, type Working } from '@anvilstone/core/foundations';
import { fatigueAmplitudeMPa, goodmanWeight } from '@anvilstone/core/materials';
import { actingAt, allowableShare, isDriven, SHORT_H } from '../engine/action.ts';
import type { LayerStress } from '../engine/layerStress.ts';
import { bearingStrength } from './bearingStrength.ts';
import type { CaseCheck, CheckContext, PreparedLoad } from '../engine/check.ts';
import { showLayerStress } from './strengthCheck.ts';

/** Stress ratio R where none is stated: on and off. */
const ON_AND_OFF = 0;

/**
 * Repeated loads, by Goodman: σa·(σu/σN) + σm against the static strength σu at temperature ÷ safety factor, where σN is
 * the fully reversed amplitude that survives the cycles (the family's shares at 1e6 and 1e7). Stresses carry the full
 * concentration. Source: Shigley, 10th ed., section 6-12. Evidence D, since fatigue of prints is rarely measured; C where the grade has
 * fatigue readings of its own.
 */
export const fatigueLife: CaseCheck = {
  id: 'fatigue-life',
  title: 'Fatigue',
  asks: 'Does it survive all its load cycles?',
  failsAs: 'fatigue-crack',
  testedBy: ['pull-bar', 'break-part'],
  unit: 'MPa',
  limitsHeat: true,
  temperatureDependence: () => 'strength',
  appliesTo: (load) => load.kind === 'repeated' && !isDriven(load),
  at(context, load, temperatureC, _durationH, working) {
    const { material } = context;
    if (!material.behaviour || !material.family) return { kind: 'unknown', gaps: material.behaviourGaps };
    const acting = actingAt(context, load, temperatureC);
    if (!acting.known) return { kind: 'unknown', gaps: acting.gaps };
    const factor = allowableShare(context, load, temperatureC, SHORT_H);
    const weight = amplitudeWeight(context, load) * acting.action;
    const { inPlane, across } = context.layerStresses[load.directionIndex]!;
    let worst: LayerStress | undefined;
    let worstReserve = Infinity;
    let capacity = Number.NaN;
    const consider = (layerStress: LayerStress): readonly Statement[] | undefined => {
      if (layerStress.mode === 'squeeze') return undefined;
      const strength = bearingStrength(material, layerStress);
      if (!strength.known) return strength.gaps;
      const reserve = (strength.value * factor) / (layerStress.stressPerUnit * weight);
      if (reserve >= worstReserve) return undefined;
      worstReserve = reserve;
      worst = layerStress;
      capacity = strength.value * factor;
      return undefined;
    };
    for (const layerStresses of [inPlane, across]) {
      for (const layerStress of layerStresses) {
        const gaps = consider(layerStress);
        if (gaps) return { kind: 'unknown', gaps };
      }
    }
    if (!worst) return { kind: 'not-loaded' };
    const layerStress: LayerStress = worst;
    if (working) {
      const stressMPa = layerStress.stressPerUnit * acting.action;
      const shown = { layerStress, stressMPa, allowableMPa: capacity, temperatureC, strengthH: SHORT_H };
      showLayerStress(working, context, load, shown);
      showGoodman(working, context, load, stressMPa, layerStress.stressPerUnit * weight);
    }
    return {
      kind: 'known',
      demand: layerStress.stressPerUnit * weight,
      capacity,
      evidence: material.behaviour.fatigue.evidence,
      layerStress,
    };
  },
};

/** σa·(σu/σN) + σm per largest stress: 1 for a single pull, up to σu/σN where it swings to and fro. */
export function amplitudeWeight({ material }: CheckContext, { loadCase }: PreparedLoad): number {
  return goodmanWeight(material.behaviour!.fatigue.law, loadCase.cycles ?? 1, loadCase.stressRatio ?? ON_AND_OFF);
}

function showGoodman(
  working: Working,
  { material }: CheckContext,
  { loadCase }: PreparedLoad,
  largestMPa: number,
  equivalentMPa: number,
): void {
  const { fatigueFraction1e6, fatigueFraction1e7 } = material.family!;
  const { law, evidence } = material.behaviour!.fatigue;
  const ratio = loadCase.stressRatio ?? ON_AND_OFF;
  const cycles = loadCase.cycles ?? 1;
  working.add('σa', 'Amplitude', (largestMPa * (1 - ratio)) / 2, 'MPa', { expression: `σ · (1 − ${f(ratio)}) / 2` });
  working.add('σm', 'Mean', (largestMPa * (1 + ratio)) / 2, 'MPa', { expression: `σ · (1 + ${f(ratio)}) / 2` });
  working.add(
    'σN/σu',
    `Share of the strength that survives ${f(cycles)} reversals`,
    fatigueAmplitudeMPa(law, 1, cycles),
    '×',
    {
      expression: `${f(fatigueFraction1e6)} at 1e6 and ${f(fatigueFraction1e7)} at 1e7`,
      source: evidence === 'C' ? 'moved in height through the grade’s own fatigue readings' : 'typical of the family',
    },
  );
  working.add('σ_eq', 'Equivalent static load', equivalentMPa, 'MPa', {
    expression: 'σa / (σN/σu) + σm',
    source: 'Goodman, Shigley, 10th ed., section 6-12',
  });
}
