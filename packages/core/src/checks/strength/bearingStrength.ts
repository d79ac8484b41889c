import { formatNumber as f } from '@anvilstone/core/foundations';
import {
  offAxisStrengthMPa,
  type Material,
  notchSensitivityOf,
  steppedFilletFactor,
  type Resolution,
} from '@anvilstone/core/materials';
import type { LayerStress } from '../engine/layerStress.ts';
import { weakest } from '../engine/outcome.ts';

/**
 * The short-term strength at 23 °C that bears a stress: in the layer plane, straight across it, at an angle to it
 * (Tsai–Hill), in compression, or in shear. Where the grade has no compressive or shear strength of its own, the family's
 * share of its tensile strength stands in (evidence D).
 */
export function bearingStrength(material: Material, bearing: LayerStress): Resolution {
  const { mode, angleDeg, place } = bearing;
  switch (mode) {
    case 'pull':
      return material.strength.inPlane;
    case 'squeeze':
      return material.property('compressiveStrength');
    case 'shear':
      return inPlaneShear(material);
    case 'slide':
      return material.layerShear;
    case 'pull-apart':
      return place.concentration > 1 ? atFillet(material, angleDeg) : partsAt(material, angleDeg);
  }
}

const partsAt = (material: Material, angleDeg: number): Resolution =>
  angleDeg >= 89.5 ? material.strength.across : kept(offAxisOf, material, angleDeg, offAxis);

/** At a fillet the layers make steps, which a notch-sensitive grade feels. */
function atFillet(material: Material, angleDeg: number): Resolution {
  return kept(filletOf, material, angleDeg, () => {
    const plain = partsAt(material, angleDeg);
    if (!plain.known || !material.family) return plain;
    const sensitivity = notchSensitivityOf(material.family, material.filler, material.conditioning);
    const factor = steppedFilletFactor(sensitivity, angleDeg);
    if (factor === 1) return plain;
    const value = plain.value / factor;
    const step = { text: `÷ ${f(factor)}: the fillet is built in steps, notch sensitivity ${sensitivity}`, value };
    return { ...plain, value, steps: plain.steps.length === 0 ? [] : [...plain.steps, step] };
  });
}

/** Off-axis strengths by angle: a part asks for one or two, over and over. */
const offAxisOf: KeptByAngle = new WeakMap();
const filletOf: KeptByAngle = new WeakMap();
type KeptByAngle = WeakMap<Material, Map<number, Resolution>>;

function kept(
  all: KeptByAngle,
  material: Material,
  angleDeg: number,
  compute: (material: Material, angleDeg: number) => Resolution,
): Resolution {
  let known = all.get(material);
  if (!known) all.set(material, (known = new Map<number, Resolution>()));
  let found = known.get(angleDeg);
  if (!found) known.set(angleDeg, (found = compute(material, angleDeg)));
  return found;
}

function inPlaneShear(material: Material): Resolution {
  const tension = material.strength.inPlane;
  if (!tension.known || !material.family)
    return tension.known ? { known: false, gaps: material.behaviourGaps } : tension;
  const share = material.family.shearToTensileStrengthRatio;
  const value = tension.value * share;
  const steps =
    tension.steps.length === 0
      ? []
      : [...tension.steps, { text: `× ${share}, shear over tensile strength of the family`, value }];
  return { known: true, value, cov: Math.max(tension.cov, 0.3), evidence: 'D', steps };
}

function offAxis(material: Material, angleDeg: number): Resolution {
  const { inPlane, across } = material.strength;
  const shear = material.layerShear;
  if (!inPlane.known) return inPlane;
  if (!across.known) return across;
  if (!shear.known) return shear;
  const value = offAxisStrengthMPa(
    { inPlaneMPa: inPlane.value, acrossMPa: across.value, shearMPa: shear.value },
    angleDeg,
  );
  return {
    known: true,
    value,
    cov: Math.max(inPlane.cov, across.cov, shear.cov),
    evidence: weakest(inPlane.evidence, across.evidence, shear.evidence),
    steps:
      inPlane.steps.length === 0
        ? []
        : [
            { text: 'in-plane strength', value: inPlane.value },
            { text: 'interlayer strength', value: across.value },
            { text: 'layer shear strength', value: shear.value },
            { text: `at ${f(angleDeg)}° to the layers, Tsai–Hill (Jones, eq. 2.127)`, value },
          ],
  };
}

export const BEARING_WORDS: Record<LayerStress['mode'], { symbol: string; meaning: string }> = {
  pull: { symbol: 'σxy', meaning: 'In-plane strength, 23 °C' },
  squeeze: { symbol: 'σc', meaning: 'Compressive strength, 23 °C' },
  shear: { symbol: 'τxy', meaning: 'Shear strength within the layers, 23 °C' },
  slide: { symbol: 'τ_layer', meaning: 'Layer shear strength, 23 °C' },
  'pull-apart': { symbol: 'σφ', meaning: 'Strength against parting the layers, 23 °C' },
};
