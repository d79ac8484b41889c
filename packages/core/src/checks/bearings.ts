import type { BuildOrientation } from '@anvilstone/schema';
import { angleToLayersDeg, LAYER_NORMAL, type PartResponse, type StressPlace } from '../parts/partModel.ts';

/** How a place is stressed, seen from the layers. */
export type BearingMode = 'pull' | 'squeeze' | 'shear' | 'pull-apart' | 'slide';

/** One stress that one strength has to bear. */
export interface Bearing {
  place: StressPlace;
  mode: BearingMode;
  /** MPa per unit of the action. */
  stressPerUnit: number;
  /** Of the stress to the layer plane, 0 … 90°. */
  angleDeg: number;
}

/** What the material bears within its layers, and what tries to part them. */
export interface BearingPlaces {
  inPlane: readonly Bearing[];
  across: readonly Bearing[];
}

/** Less than this out of the layer plane is within it. */
const IN_PLANE_DEG = 0.5;

/**
 * Sorts a part's stressed places by what must bear them in one build orientation. Of several within the layers that the
 * same strength bears, only the largest is kept: the others can never govern.
 */
export function bearingsOf(response: PartResponse, orientation: BuildOrientation): BearingPlaces {
  const normal = LAYER_NORMAL[orientation];
  const inPlane = new Map<BearingMode, Bearing>();
  const across: Bearing[] = [];
  const keepWorst = (bearing: Bearing) => {
    const known = inPlane.get(bearing.mode);
    if (!known || known.stressPerUnit < bearing.stressPerUnit) inPlane.set(bearing.mode, bearing);
  };
  for (const place of response.places) {
    const angleDeg = angleToLayersDeg(place.direction, normal);
    if (place.tensionPerUnit > 0) {
      const stressPerUnit = place.tensionPerUnit;
      if (angleDeg < IN_PLANE_DEG) keepWorst({ place, mode: 'pull', stressPerUnit, angleDeg: 0 });
      else across.push({ place, mode: 'pull-apart', stressPerUnit, angleDeg });
    }
    // A fibre bent to and fro across the layers parts in tension long before it is crushed.
    const partsFirst = angleDeg >= IN_PLANE_DEG && place.tensionPerUnit >= place.compressionPerUnit;
    if (place.compressionPerUnit > 0 && !partsFirst)
      keepWorst({ place, mode: 'squeeze', stressPerUnit: place.compressionPerUnit, angleDeg });
    if (place.shearPerUnit > 0) {
      const stressPerUnit = place.shearPerUnit;
      if (place.shearPlanes.includes(normal)) across.push({ place, mode: 'slide', stressPerUnit, angleDeg: 90 });
      else keepWorst({ place, mode: 'shear', stressPerUnit, angleDeg: 0 });
    }
  }
  return { inPlane: [...inPlane.values()], across };
}
