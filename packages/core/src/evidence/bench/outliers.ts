import { tPoint } from './distributions.ts';
import { meanOf, sdOf } from './summary.ts';

/** A reading that lies farther off than chance explains. It is shown, and never left out by itself. */
export interface Outlier {
  /** Its place in the readings. */
  index: number;
  /** |value − mean| ÷ sd of the readings that were looked at. */
  normedResidual: number;
  /** What chance explains at most. */
  critical: number;
}

/** Fewer tell nothing. */
const FEWEST = 3;
const MOST_SHARE = 1 / 3;

/**
 * Largest normed residual a sample of n has by chance: C = (n − 1)/√n·√(t²/(n − 2 + t²)), t at 1 − α/(2n) with n − 2.
 * Source: CMH-17 volume 1, section 8.3.3.1 (maximum normed residual); Grubbs 1969.
 */
export function criticalResidual(n: number, alpha = 0.05): number {
  const t = tPoint(1 - alpha / (2 * n), n - 2);
  return ((n - 1) / Math.sqrt(n)) * Math.sqrt((t * t) / (n - 2 + t * t));
}

/**
 * Readings that the maximum normed residual flags at 5 %, one after the other: each is set aside before the next is looked for, at most
 * a third of them. Assumes a normal sample; of three to six readings it sees only gross ones.
 */
export function outliersOf(values: readonly number[], alpha = 0.05): Outlier[] {
  const found: Outlier[] = [];
  const left = values.map((value, index) => ({ value, index }));
  while (left.length >= FEWEST && found.length < values.length * MOST_SHARE) {
    const kept = left.map(({ value }) => value);
    const sd = sdOf(kept);
    if (!(sd > 0)) return found;
    const mean = meanOf(kept);
    const residuals = kept.map((value) => Math.abs(value - mean) / sd);
    const worst = residuals.indexOf(Math.max(...residuals));
    const critical = criticalResidual(kept.length, alpha);
    if (residuals[worst]! <= critical) return found;
    found.push({ index: left[worst]!.index, normedResidual: residuals[worst]!, critical });
    left.splice(worst, 1);
  }
  return found;
}
