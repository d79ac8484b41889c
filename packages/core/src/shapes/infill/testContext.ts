import type { SectionGeometry, WallsAndInfill } from '@anvilstone/schema';

/** Walls of 2 × 0.5 mm, top and bottom of 5 × 0.2 mm: a shell of 1 mm; triangles of 30 %: a core of a tenth of the modulus. Used by tests only. */
export const testFilling: WallsAndInfill = {
  lineWidthMm: 0.5,
  layerHeightMm: 0.2,
  walls: 2,
  topBottomLayers: 5,
  pattern: 'triangles',
  infillShare: 0.3,
};

/** Known by its numbers alone: there is no outline to put walls around. */
export const measuredSection: SectionGeometry = {
  kind: 'measured',
  areaMm2: 100,
  secondMomentMm4: 1000,
  weakSecondMomentMm4: 800,
  extremeFibreMm: 5,
  widthMm: 10,
  depthMm: 10,
};
