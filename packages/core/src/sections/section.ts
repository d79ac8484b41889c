import type { SectionGeometry } from '@anvilstone/schema';
import { InputError } from '../input/InputError.ts';
import { requirePositive } from '../input/require.ts';

/** What a beam formula needs to know about a cross-section bent about its horizontal axis. */
export interface Section {
  areaMm2: number;
  secondMomentMm4: number;
  /** Distance from the neutral axis to the outer fibre, mm. */
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

/**
 * Properties of a solid rectangle, round bar or round tube.
 * @throws InputError (field, value, what is accepted): a dimension not finite and above 0; a wall of half the diameter or more
 */
export function section(geometry: SectionGeometry): Section {
  switch (geometry.kind) {
    case 'rectangle':
      return rectangle(geometry);
    case 'round':
      requirePositive(geometry, ['diameterMm']);
      return round(geometry.diameterMm, 0);
    case 'tube': {
      requirePositive(geometry, ['outerDiameterMm', 'wallMm']);
      const innerMm = geometry.outerDiameterMm - 2 * geometry.wallMm;
      if (innerMm <= 0) {
        throw new InputError(
          'wallMm',
          geometry.wallMm,
          `less than half of the outer diameter, ${geometry.outerDiameterMm / 2} mm, is needed`,
        );
      }
      return round(geometry.outerDiameterMm, innerMm);
    }
  }
}

function rectangle(size: { widthMm: number; depthMm: number }): Section {
  requirePositive(size, ['widthMm', 'depthMm']);
  return {
    areaMm2: size.widthMm * size.depthMm,
    secondMomentMm4: (size.widthMm * size.depthMm ** 3) / 12,
    extremeFibreMm: size.depthMm / 2,
    shearFormFactor: 6 / 5,
    peakShearFactor: 3 / 2,
    widthMm: size.widthMm,
    depthMm: size.depthMm,
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
