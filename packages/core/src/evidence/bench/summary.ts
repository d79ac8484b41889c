import { InputError, requireFiniteValue } from '@anvilstone/core/foundations';
import { tPoint } from './distributions.ts';
import { toleranceFactor } from './toleranceFactor.ts';

export interface Interval {
  low: number;
  high: number;
}

/** Replicates of one measured quantity, in its own unit. */
export interface Summary {
  n: number;
  mean: number;
  median: number;
  /** Sample standard deviation; null: one reading has none. */
  sd: number | null;
  /** sd ÷ mean; null without a scatter, or about a mean of 0. */
  cov: number | null;
  /** Of the mean, 95 %, by Student’s t; null: fewer than two readings. */
  meanInterval: Interval | null;
  /** With 95 % confidence 90 % of all parts lie above; null: fewer than two readings. */
  bBasis: number | null;
  /** With 95 % confidence 99 % of all parts lie above; null: fewer than two readings. */
  aBasis: number | null;
}

const CONFIDENCE = 0.95;

/**
 * Mean, scatter, its interval, and the one-sided normal tolerance limits of some replicates. Readings are taken as a random sample of a
 * normal distribution: of one lot, printed alike.
 * @throws InputError no reading, or one that is not finite
 */
export function summaryOf(values: readonly number[]): Summary {
  if (values.length === 0) throw new InputError('values', [], 'at least one reading is needed');
  values.forEach((value, i) => requireFiniteValue(`values/${i}`, value));
  const n = values.length;
  const mean = meanOf(values);
  const sorted = [...values].sort((a, b) => a - b);
  const median = (sorted[(n - 1) >> 1]! + sorted[n >> 1]!) / 2;
  if (n < 2) return { n, mean, median, sd: null, cov: null, meanInterval: null, bBasis: null, aBasis: null };
  const sd = sdOf(values);
  const half = (tPoint((1 + CONFIDENCE) / 2, n - 1) * sd) / Math.sqrt(n);
  return {
    n,
    mean,
    median,
    sd,
    cov: mean === 0 ? null : sd / Math.abs(mean),
    meanInterval: { low: mean - half, high: mean + half },
    bBasis: mean - toleranceFactor(n, 0.9, CONFIDENCE) * sd,
    aBasis: mean - toleranceFactor(n, 0.99, CONFIDENCE) * sd,
  };
}

export const meanOf = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / values.length;

/** Sample standard deviation, by n − 1. Two values at least. */
export function sdOf(values: readonly number[]): number {
  const mean = meanOf(values);
  return Math.sqrt(values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / (values.length - 1));
}
