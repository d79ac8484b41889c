import type { BuildOrientation } from '@anvilstone/schema';
import type { Stiffness } from '../checks/check.ts';
import type { Material } from '../materials/material.ts';
import { LAYER_NORMAL } from '../parts/partModel.ts';

/** Modulus along the part and shear modulus of its bending plane in one build orientation, 23 °C. */
export function stiffnessOf(material: Material, orientation: BuildOrientation): Stiffness {
  const normal = LAYER_NORMAL[orientation];
  const { inPlane, across } = material.modulus;
  const modulus = normal === 'length' ? across : inPlane;
  if (!inPlane.known || !across.known || !material.behaviour) return { modulus, shearModulusMPa: Number.NaN };
  const inPlaneShearMPa = inPlane.value / (2 * (1 + material.behaviour.poisson));
  // Sideways layers leave the bending plane within a layer; otherwise the shear works between layers, which is softer.
  const between = normal !== 'width';
  return {
    modulus,
    shearModulusMPa: between ? inPlaneShearMPa * Math.sqrt(across.value / inPlane.value) : inPlaneShearMPa,
  };
}
