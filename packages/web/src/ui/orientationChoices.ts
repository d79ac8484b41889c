import { orientationName, orientationsByName } from '@anvilstone/core/shapes';
import type { BuildOrientation, PartGeometry } from '@anvilstone/schema';

/** Build orientations of a part to choose from, called by how it then lies: flat, on edge, upright. */
export const orientationChoices = (part: PartGeometry): { value: BuildOrientation; label: string }[] =>
  orientationsByName(part).map((value) => ({ value, label: orientationName(part, value) }));
