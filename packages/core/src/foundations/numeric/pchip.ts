import { InputError } from '../input/InputError.ts';

export interface Pchip {
  /** Value at x; outside the knots the end value is held. */
  at(x: number): number;
}

/**
 * Monotone piecewise cubic Hermite interpolation: interior slopes are the weighted harmonic mean of the neighbouring
 * secants, zero where they differ in sign; ends use the one-sided three-point formula, kept shape-preserving.
 * Source: F. N. Fritsch, J. Butland, SIAM J. Sci. Stat. Comput. 5 (1984) 300–304. With two knots it is a straight line.
 * @throws InputError fewer than two knots, or x not strictly rising
 */
export function pchip(x: readonly number[], y: readonly number[]): Pchip {
  const n = x.length;
  if (n < 2 || y.length !== n) throw new InputError('x', n, 'two or more knots with as many values are needed');
  const h = new Float64Array(n - 1);
  const secant = new Float64Array(n - 1);
  for (let i = 0; i < n - 1; i++) {
    h[i] = x[i + 1]! - x[i]!;
    if (!(h[i]! > 0)) throw new InputError('x', x[i + 1], 'knots must rise strictly');
    secant[i] = (y[i + 1]! - y[i]!) / h[i]!;
  }
  const slope = new Float64Array(n);
  if (n === 2) slope.fill(secant[0]!);
  else {
    for (let i = 1; i < n - 1; i++) slope[i] = harmonicMeanSlope(h[i - 1]!, h[i]!, secant[i - 1]!, secant[i]!);
    slope[0] = endSlope(h[0]!, h[1]!, secant[0]!, secant[1]!);
    slope[n - 1] = endSlope(h[n - 2]!, h[n - 3]!, secant[n - 2]!, secant[n - 3]!);
  }
  return {
    at(value) {
      if (value <= x[0]!) return y[0]!;
      if (value >= x[n - 1]!) return y[n - 1]!;
      let i = 0;
      while (value > x[i + 1]!) i++;
      const t = (value - x[i]!) / h[i]!;
      const t2 = t * t;
      const t3 = t2 * t;
      return (
        (2 * t3 - 3 * t2 + 1) * y[i]! +
        (t3 - 2 * t2 + t) * h[i]! * slope[i]! +
        (-2 * t3 + 3 * t2) * y[i + 1]! +
        (t3 - t2) * h[i]! * slope[i + 1]!
      );
    },
  };
}

function harmonicMeanSlope(h0: number, h1: number, s0: number, s1: number): number {
  if (s0 * s1 <= 0) return 0;
  const w0 = 2 * h1 + h0;
  const w1 = h1 + 2 * h0;
  return (w0 + w1) / (w0 / s0 + w1 / s1);
}

function endSlope(h0: number, h1: number, s0: number, s1: number): number {
  const slope = ((2 * h0 + h1) * s0 - h0 * s1) / (h0 + h1);
  if (slope * s0 <= 0) return 0;
  return s0 * s1 <= 0 && Math.abs(slope) > 3 * Math.abs(s0) ? 3 * s0 : slope;
}
