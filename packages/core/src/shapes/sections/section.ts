import type { SectionGeometry } from '@anvilstone/schema';
import { InputError, requirePositive } from '@anvilstone/core/foundations';
import { bandProperties } from './bands.ts';
import { loopsOf, polygonBands, rectangleBands } from './outlineBands.ts';
import { rectanglesOf, requireBelow } from './rectangles.ts';

/** What a beam formula needs to know about a cross-section bent about its horizontal axis. */
export interface Section {
  areaMm2: number;
  secondMomentMm4: number;
  /** Distance from the neutral axis to the outermost fibre, mm. */
  extremeFibreMm: number;
  /** F in deflection by shear, F·V·L/(G·A): 6/5 rectangle (Roark, 7th ed., section 8.10); round and tube after Cowper. */
  shearFormFactor: number;
  /** Largest over mean shear stress, V/A: 3/2 rectangle, 4/3 round. */
  peakShearFactor: number;
  widthMm: number;
  depthMm: number;
  /** Which family of notch charts applies. */
  notch: 'flat' | 'round';
}

/** Along the section's depth, or sideways along its width. */
export type BendingDirection = 'depth' | 'width';

/**
 * Properties of a cross-section for bending along its depth (or its width).
 * Source: Roark's Formulas for Stress and Strain, 7th ed., appendix A; composed of slices where there is no short formula.
 * @throws InputError (field, value, what is accepted): a dimension not finite and above 0; walls that leave no hollow
 */
export function section(geometry: SectionGeometry, direction: BendingDirection = 'depth'): Section {
  switch (geometry.kind) {
    case 'rectangle': {
      requirePositive(geometry, ['widthMm', 'depthMm']);
      const { widthMm, depthMm } = geometry;
      return direction === 'depth' ? rectangle(widthMm, depthMm) : rectangle(depthMm, widthMm);
    }
    case 'round':
      requirePositive(geometry, ['diameterMm']);
      return round(geometry.diameterMm, 0);
    case 'tube':
      requirePositive(geometry, ['outerDiameterMm', 'wallMm']);
      requireBelow('wallMm', geometry.wallMm, geometry.outerDiameterMm / 2, 'half of the outer diameter');
      return round(geometry.outerDiameterMm, geometry.outerDiameterMm - 2 * geometry.wallMm);
    case 'measured':
      return measured(geometry, direction);
    case 'polygon': {
      const loops = loopsOf(geometry, direction);
      return fromBands(polygonBands(loops), extent(loops[0]!, 'xMm'), 'corners');
    }
    default: {
      const rectangles = rectanglesOf(geometry).map(([left, right, low, high]) =>
        direction === 'depth' ? ([left, right, low, high] as const) : ([low, high, left, right] as const),
      );
      const width = direction === 'depth' ? geometry.widthMm : geometry.depthMm;
      return fromBands(rectangleBands(rectangles), width, 'depthMm');
    }
  }
}

function fromBands(bands: ReturnType<typeof rectangleBands>, widthMm: number, field: string): Section {
  const depthMm = bands.length === 0 ? 0 : bands.at(-1)!.toMm - bands[0]!.fromMm;
  const found = bands.length === 0 ? undefined : bandProperties(bands);
  if (!found || !(found.areaMm2 > 0) || !(found.secondMomentMm4 > 0)) {
    throw new InputError(field, 'this outline', 'an outline that encloses an area and does not cross itself is needed');
  }
  return {
    areaMm2: found.areaMm2,
    secondMomentMm4: found.secondMomentMm4,
    extremeFibreMm: Math.max(found.centroidMm, depthMm - found.centroidMm),
    shearFormFactor: found.shearFormFactor,
    peakShearFactor: found.peakShearFactor,
    widthMm,
    depthMm,
    notch: 'flat',
  };
}

function measured(geometry: Extract<SectionGeometry, { kind: 'measured' }>, direction: BendingDirection): Section {
  requirePositive(geometry, ['areaMm2', 'secondMomentMm4', 'weakSecondMomentMm4', 'extremeFibreMm']);
  const sideways = direction === 'width';
  return {
    areaMm2: geometry.areaMm2,
    secondMomentMm4: sideways ? geometry.weakSecondMomentMm4 : geometry.secondMomentMm4,
    extremeFibreMm: sideways ? geometry.widthMm / 2 : geometry.extremeFibreMm,
    // How the area is spread is not known: a rectangle's values stand in.
    shearFormFactor: 6 / 5,
    peakShearFactor: 3 / 2,
    widthMm: sideways ? geometry.depthMm : geometry.widthMm,
    depthMm: sideways ? geometry.widthMm : geometry.depthMm,
    notch: 'flat',
  };
}

function rectangle(widthMm: number, depthMm: number): Section {
  return {
    areaMm2: widthMm * depthMm,
    secondMomentMm4: (widthMm * depthMm ** 3) / 12,
    extremeFibreMm: depthMm / 2,
    shearFormFactor: 6 / 5,
    peakShearFactor: 3 / 2,
    widthMm,
    depthMm,
    notch: 'flat',
  };
}

function round(outerMm: number, innerMm: number): Section {
  const k = innerMm / outerMm;
  return {
    areaMm2: (Math.PI / 4) * (outerMm ** 2 - innerMm ** 2),
    secondMomentMm4: (Math.PI / 64) * (outerMm ** 4 - innerMm ** 4),
    extremeFibreMm: outerMm / 2,
    shearFormFactor: hollowRoundFormFactor(k),
    // V·Q/(I·b) at the neutral axis: 4/3 · (1 + k + k²)/(1 + k²), 4/3 solid and 2 thin.
    peakShearFactor: ((4 / 3) * (1 + k + k * k)) / (1 + k * k),
    widthMm: outerMm,
    depthMm: outerMm,
    notch: 'round',
  };
}

const POISSON_TYPICAL = 0.36;

/**
 * Shear form factor of a hollow round, k = inner/outer diameter, for ν = 0.36:
 * [(7 + 6ν)(1 + k²)² + (20 + 12ν)k²] / [6(1 + ν)(1 + k²)²]; 1.12 solid (Roark's simpler 10/9), 1.87 thin (Roark 2).
 * Source: G. R. Cowper, Journal of Applied Mechanics 33 (1966) 335.
 */
function hollowRoundFormFactor(k: number): number {
  const q = (1 + k * k) ** 2;
  return ((7 + 6 * POISSON_TYPICAL) * q + (20 + 12 * POISSON_TYPICAL) * k * k) / (6 * (1 + POISSON_TYPICAL) * q);
}

function extent(corners: readonly { xMm: number; yMm: number }[], axis: 'xMm' | 'yMm'): number {
  const values = corners.map((corner) => corner[axis]);
  return Math.max(...values) - Math.min(...values);
}
