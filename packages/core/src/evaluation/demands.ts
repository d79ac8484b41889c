import type { Brief } from '@anvilstone/schema';
import { partBody } from '../parts/index.ts';

/** What one load asks of any material, before a grade is chosen. */
export interface MaterialDemand {
  loadCaseId: string;
  what: 'tension' | 'shear' | 'stiffness' | 'lasting-stiffness';
  /** MPa. */
  valueMPa: number;
  temperatureC: number;
  durationH: number;
}

/** Poisson ratio for the small shear part of a needed modulus: typical of printed polymers. */
const TYPICAL_POISSON = 0.38;

/**
 * What the loads demand of a material: tension and shear to bear at temperature (safety factor included, stress
 * concentration included) and the modulus the movement limits need. Exact for the bending part; the shear part takes
 * G = E / (2·(1 + 0.38)). @throws InputError when a dimension of the part cannot be used
 */
export function materialDemands(brief: Brief): MaterialDemand[] {
  const body = partBody(brief.part);
  const demands: MaterialDemand[] = [];
  for (const loadCase of brief.loadCases) {
    const { id: loadCaseId, forceN, safetyFactor, temperatureC, durationH } = loadCase;
    const add = (what: MaterialDemand['what'], valueMPa: number) =>
      demands.push({ loadCaseId, what, valueMPa, temperatureC, durationH });
    add('tension', Math.max(...body.places.map((place) => place.normalPerN)) * forceN * safetyFactor);
    add('shear', Math.max(...body.places.map((place) => place.shearPerN)) * forceN * safetyFactor);
    const movementAtUnitModulus = body.deflectionMm(forceN, 1, 1 / (2 * (1 + TYPICAL_POISSON)));
    if (loadCase.maxDeflectionMm !== undefined) add('stiffness', movementAtUnitModulus / loadCase.maxDeflectionMm);
    if (loadCase.maxSagMm !== undefined) add('lasting-stiffness', movementAtUnitModulus / loadCase.maxSagMm);
  }
  return demands;
}
