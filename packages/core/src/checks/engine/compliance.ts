import type { EvidenceClass, Statement } from '@anvilstone/schema';
import { type Material, offAxisModulusMPa, type Resolution } from '@anvilstone/core/materials';
import {
  ALONG,
  angleToLayersDeg,
  dot,
  type Direction,
  type PartResponse,
  stiffened,
  type Reinforcement,
} from '@anvilstone/core/shapes';
import { weakest } from './outcome.ts';

/** How far the part moves per unit of its action at 23 °C, at once; `unknown` where the model or the grade cannot tell. */
export type Compliance =
  | {
      known: true;
      perUnit: number;
      seriesPerUnit: number;
      evidence: EvidenceClass;
      /** Beside strands only the bending part stiffens: movement of the print alone by bending, and by all else. */
      reinforced?: { bendingPerUnit: number; otherPerUnit: number; by: Reinforcement };
    }
  | { known: false; gaps: readonly Statement[] };

const NOT_TOLD = ['How far it moves: this part model does not tell; measure it'];

/** Holds a model's answer against a grade's moduli, built up along `up`. */
export function complianceOf(
  response: PartResponse,
  material: Material,
  up: Direction,
  reinforcement?: Reinforcement,
): Compliance {
  if (response.complianceTerms.length === 0 && !response.shear) return { known: false, gaps: NOT_TOLD };
  if (!material.behaviour) return { known: false, gaps: material.behaviourGaps };
  let perUnit = 0;
  let evidence: EvidenceClass = 'A';
  for (const stretch of response.complianceTerms) {
    const modulus = modulusAlong(material, stretch.direction, up);
    if (!modulus.known) return { known: false, gaps: modulus.gaps };
    perUnit += stretch.perModulus / modulus.value;
    evidence = weakest(evidence, modulus.evidence);
  }
  const bendingPerUnit = perUnit;
  if (response.shear) {
    const shear = shearModulusMPa(material, up, response);
    if (!shear.known) return { known: false, gaps: shear.gaps };
    perUnit += response.shear.perModulus / shear.value;
    if (response.complianceTerms.length === 0) evidence = shear.evidence;
  }
  const { seriesPerUnit } = response;
  if (!reinforcement) return { known: true, perUnit, seriesPerUnit, evidence };
  const otherPerUnit = perUnit - bendingPerUnit;
  const stiffer = bendingPerUnit / stiffened(reinforcement) + otherPerUnit;
  const reinforced = { bendingPerUnit, otherPerUnit, by: reinforcement };
  return { known: true, perUnit: stiffer, seriesPerUnit, evidence: weakest(evidence, 'D'), reinforced };
}

/** Modulus along a direction of a part that is built up along `up`, 23 °C. */
export function modulusAlong(material: Material, direction: Direction, up: Direction): Resolution {
  const angleDeg = angleToLayersDeg(direction, up);
  const { inPlane, across } = material.modulus;
  if (angleDeg < 0.5) return inPlane;
  if (angleDeg > 89.5) return across;
  return kept(material, angleDeg);
}

/** Moduli at an angle to the layers, by angle: a part asks for one or two, over and over. */
const offAxisOf = new WeakMap<Material, Map<number, Resolution>>();

function kept(material: Material, angleDeg: number): Resolution {
  let known = offAxisOf.get(material);
  if (!known) offAxisOf.set(material, (known = new Map<number, Resolution>()));
  let found = known.get(angleDeg);
  if (!found) known.set(angleDeg, (found = offAxisModulus(material, angleDeg)));
  return found;
}

function offAxisModulus(material: Material, angleDeg: number): Resolution {
  const { inPlane, across } = material.modulus;
  if (!inPlane.known) return inPlane;
  if (!across.known) return across;
  if (!material.behaviour) return { known: false, gaps: material.behaviourGaps };
  const value = offAxisModulusMPa(
    {
      inPlaneMPa: inPlane.value,
      acrossMPa: across.value,
      shearMPa: betweenLayersMPa(inPlane.value, across.value, material.behaviour.poisson),
      poisson: material.behaviour.poisson,
    },
    angleDeg,
  );
  const steps =
    inPlane.steps.length === 0
      ? []
      : [
          { text: 'modulus in plane', value: inPlane.value },
          { text: 'modulus across layers', value: across.value },
          { text: `at ${Math.round(angleDeg)}° to the layers (Jones, eq. 2.97)`, value },
        ];
  return {
    known: true,
    value,
    cov: Math.max(inPlane.cov, across.cov),
    evidence: weakest(inPlane.evidence, across.evidence),
    steps,
  };
}

/**
 * Shear modulus of the planes a model shears, 23 °C: softer where it works between layers. Of tilted layers the shear works
 * partly between them and partly within: their compliances add by the squares of their shares.
 */
export function shearModulusMPa(material: Material, up: Direction, response: PartResponse): Resolution {
  const { inPlane, across } = material.modulus;
  if (!inPlane.known) return inPlane;
  if (!material.behaviour) return { known: false, gaps: material.behaviourGaps };
  const { poisson } = material.behaviour;
  const planes = response.shear?.planes ?? [];
  const share = Math.min(1, Math.hypot(...planes.map((axis) => dot(ALONG[axis], up))) ** 2);
  const within = inPlane.value / (2 * (1 + poisson));
  if (share < 1e-12) {
    const value = within;
    return { known: true, value, cov: inPlane.cov, evidence: inPlane.evidence, steps: [] };
  }
  if (!across.known) return across;
  const between = betweenLayersMPa(inPlane.value, across.value, poisson);
  const value = share === 1 ? between : 1 / (share / between + (1 - share) / within);
  return { known: true, value, cov: across.cov, evidence: weakest(inPlane.evidence, across.evidence), steps: [] };
}

/** Isotropic shear modulus in plane, lowered by the root of the modulus ratio between layers. */
function betweenLayersMPa(inPlaneMPa: number, acrossMPa: number, poisson: number): number {
  return (inPlaneMPa / (2 * (1 + poisson))) * Math.sqrt(acrossMPa / inPlaneMPa);
}
