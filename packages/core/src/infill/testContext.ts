import type { WallsAndInfill } from '@anvilstone/schema';

/** Walls of 2 × 0.5 mm, top and bottom of 5 × 0.2 mm: a shell of 1 mm; triangles of 30 %: a core of a tenth of the modulus. Used by tests only. */
export const testFilling: WallsAndInfill = {
  lineWidthMm: 0.5,
  layerHeightMm: 0.2,
  walls: 2,
  topBottomLayers: 5,
  pattern: 'triangles',
  infillShare: 0.3,
};
