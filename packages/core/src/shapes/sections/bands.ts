/** A horizontal slice of a section: its material width goes straight from one value to another. */
export interface Band {
  fromMm: number;
  toMm: number;
  fromWidthMm: number;
  toWidthMm: number;
}

export interface BandProperties {
  areaMm2: number;
  /** From the lowest fibre, mm. */
  centroidMm: number;
  /** About the horizontal axis through the centroid, mm⁴. */
  secondMomentMm4: number;
  /** F in deflection by shear, F·V·L/(G·A) = A/I²·∫Q²/b: 6/5 for a rectangle. */
  shearFormFactor: number;
  /** Largest over mean shear stress, A·(Q/b)max/I: 3/2 for a rectangle. */
  peakShearFactor: number;
}

// Gauss–Legendre, five points on −1 … 1 (Abramowitz & Stegun, table 25.4): exact up to the ninth power.
const NODES = [-0.906179845938664, -0.5384693101056831, 0, 0.5384693101056831, 0.906179845938664];
const WEIGHTS = [0.2369268850561891, 0.4786286704993665, 0.5688888888888889, 0.4786286704993665, 0.2369268850561891];

/**
 * Properties of a section that is given as slices from bottom to top, for bending about a horizontal axis.
 * Source: Roark's Formulas for Stress and Strain, 7th ed., appendix A and section 8.10 (shear by V·Q/(I·b)).
 * Range: slices adjoin, widths not below 0, at least one of them above 0 (checked by the caller).
 */
export function bandProperties(bands: readonly Band[]): BandProperties {
  const bottom = bands[0]!.fromMm;
  const areaMm2 = sum(bands, (_y, width) => width);
  const centroidMm = sum(bands, (y, width) => width * (y - bottom)) / areaMm2;
  const axis = bottom + centroidMm;
  const secondMomentMm4 = sum(bands, (y, width) => width * (y - axis) ** 2);
  let shearWork = 0;
  let worst = 0;
  // First moment about the axis of everything above a slice, mm³: summed from the top down.
  let above = 0;
  for (let index = bands.length - 1; index >= 0; index--) {
    const band = bands[index]!;
    const half = (band.toMm - band.fromMm) / 2;
    NODES.forEach((node, i) => {
      const y = (band.fromMm + band.toMm) / 2 + half * node;
      const width = widthAt(band, y);
      if (width <= 0) return;
      shearWork += (WEIGHTS[i]! * half * (above + momentWithin(band, y, axis)) ** 2) / width;
    });
    // Largest at the neutral axis or where the width jumps.
    for (const y of [band.fromMm, band.toMm, Math.min(band.toMm, Math.max(band.fromMm, axis))]) {
      const width = widthAt(band, y);
      if (width > 0) worst = Math.max(worst, (above + momentWithin(band, y, axis)) / width);
    }
    above += momentWithin(band, band.fromMm, axis);
  }
  return {
    areaMm2,
    centroidMm,
    secondMomentMm4,
    shearFormFactor: (areaMm2 * shearWork) / secondMomentMm4 ** 2,
    peakShearFactor: (areaMm2 * worst) / secondMomentMm4,
  };
}

function widthAt(band: Band, y: number): number {
  const height = band.toMm - band.fromMm;
  return height === 0
    ? band.fromWidthMm
    : band.fromWidthMm + ((band.toWidthMm - band.fromWidthMm) * (y - band.fromMm)) / height;
}

function integrate(band: Band, from: number, to: number, f: (y: number, width: number) => number): number {
  const half = (to - from) / 2;
  return NODES.reduce((total, node, i) => {
    const y = (from + to) / 2 + half * node;
    return total + WEIGHTS[i]! * half * f(y, widthAt(band, y));
  }, 0);
}

function sum(bands: readonly Band[], f: (y: number, width: number) => number): number {
  return bands.reduce((total, band) => total + integrate(band, band.fromMm, band.toMm, f), 0);
}

function momentWithin(band: Band, from: number, axis: number): number {
  return integrate(band, from, band.toMm, (at, width) => width * (at - axis));
}
