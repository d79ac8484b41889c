import { LAYER_NORMAL, type PartAxis, type PartBody, type StressPlace } from '../parts/partModel.ts';
import type { CaseCheck, CheckContext } from './check.ts';
import { weakest } from './outcome.ts';
import { showResolved, showStrengthFactor } from './showMaterial.ts';
import { evidenceAt } from './temperatureEvidence.ts';

interface LayerLoad {
  place: StressPlace;
  /** Pull straight across the layers or slide between them: the standard orientations give one or the other. */
  mode: 'pull' | 'slide';
  stressPerN: number;
}

/**
 * What tries to part the layers: tension straight across them (φ = 90°, so the off-axis strength is σz) or shear between
 * them, against the layer strength or layer shear strength at temperature and under lasting load.
 */
export const strengthAcrossLayers: CaseCheck = {
  id: 'strength-across-layers',
  title: 'Strength across layers',
  asks: 'Do the layers hold together where the load pulls or slides them apart?',
  unit: 'MPa',
  appliesTo: () => true,
  at(context, loadCase, temperatureC, durationH) {
    const { material } = context;
    let worst: ReturnType<CaseCheck['at']> | undefined;
    let worstReserve = Infinity;
    for (const load of layerLoads(context.body, LAYER_NORMAL[context.orientation])) {
      const strength = layerStrength(context, load);
      if (!strength.known) return { kind: 'unknown', gaps: strength.gaps };
      if (!material.behaviour) return { kind: 'unknown', gaps: material.behaviourGaps };
      const demand = load.stressPerN * loadCase.forceN;
      const capacity = (strength.value * material.strengthFactor(temperatureC, durationH)) / loadCase.safetyFactor;
      if (capacity / demand >= worstReserve) continue;
      worstReserve = capacity / demand;
      worst = {
        kind: 'known',
        demand,
        capacity,
        evidence: weakest(evidenceAt(material, strength.evidence, temperatureC)),
      };
    }
    return worst ?? { kind: 'not-loaded' };
  },
  show(context, loadCase, temperatureC, durationH, working) {
    const ranked = layerLoads(context.body, LAYER_NORMAL[context.orientation])
      .map((load) => ({ load, strength: layerStrength(context, load) }))
      .sort((a, b) => ratio(a) - ratio(b));
    const governing = ranked[0];
    if (!governing || !governing.strength.known) return;
    const { load, strength } = governing;
    context.body.showStress(working, load.place, loadCase.forceN);
    const symbol = load.mode === 'pull' ? 'σz' : 'τ_layer';
    showResolved(
      working,
      symbol,
      load.mode === 'pull' ? 'Strength across layers, 23 °C' : 'Layer shear strength, 23 °C',
      strength,
      'MPa',
    );
    showStrengthFactor(working, context.material, temperatureC, durationH);
    working.add('SF', 'Safety factor of the load case', loadCase.safetyFactor, '÷');
  },
};

function ratio({ load, strength }: { load: LayerLoad; strength: ReturnType<typeof layerStrength> }): number {
  return strength.known ? strength.value / load.stressPerN : 0;
}

function layerStrength({ material }: CheckContext, load: LayerLoad) {
  return load.mode === 'pull' ? material.strength.across : material.layerShear;
}

function layerLoads(body: PartBody, normal: PartAxis): LayerLoad[] {
  const loads: LayerLoad[] = [];
  for (const place of body.places) {
    if (place.axis === normal && place.normalPerN > 0)
      loads.push({ place, mode: 'pull', stressPerN: place.normalPerN });
    if (place.shearPerN > 0 && place.shearPlanes.includes(normal)) {
      loads.push({ place, mode: 'slide', stressPerN: place.shearPerN });
    }
  }
  return loads;
}
