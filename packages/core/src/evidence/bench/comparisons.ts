import { InputError, requirePositiveValue } from '@anvilstone/core/foundations';
import { tPoint, tTails } from './distributions.ts';
import { meanOf, sdOf, type Interval } from './summary.ts';

const CONFIDENCE = 0.95;
const MOST_SPECIMENS = 200;

/** Two samples of different specimens. */
export interface WelchComparison {
  /** Mean of the first less mean of the second. */
  difference: number;
  interval: Interval;
  t: number;
  dof: number;
  /** Chance of a difference as large when there is none. */
  chance: number;
  /** Too few to tell: the interval holds 0. */
  undecided: boolean;
  /** Of each, so that a difference as seen would be told; null: not with 200 either. It counts on the scatter seen. */
  enough: number | null;
}

/**
 * Difference of two means by Welch’s t: no equal scatter is taken for granted. Source: Welch 1947; degrees of freedom by
 * Welch–Satterthwaite.
 * @throws InputError fewer than two readings on a side, or no scatter on either
 */
export function compareMeans(first: readonly number[], second: readonly number[]): WelchComparison {
  for (const [name, values] of [
    ['first', first],
    ['second', second],
  ] as const)
    if (values.length < 2) throw new InputError(name, values.length, 'at least two readings are needed');
  const [va, vb] = [sdOf(first) ** 2, sdOf(second) ** 2];
  const [ea, eb] = [va / first.length, vb / second.length];
  if (!(ea + eb > 0)) throw new InputError('first', first, 'readings with some scatter are needed');
  const dof = (ea + eb) ** 2 / (ea ** 2 / (first.length - 1) + eb ** 2 / (second.length - 1));
  const difference = meanOf(first) - meanOf(second);
  const error = Math.sqrt(ea + eb);
  const half = tPoint((1 + CONFIDENCE) / 2, dof) * error;
  return {
    difference,
    interval: { low: difference - half, high: difference + half },
    t: difference / error,
    dof,
    chance: tTails(difference / error, dof),
    undecided: Math.abs(difference) <= half,
    enough: fewestThat(
      (n) => tPoint((1 + CONFIDENCE) / 2, 2 * (n - 1)) * Math.sqrt((va + vb) / n) < Math.abs(difference),
    ),
  };
}

/** Pairs that share a maker: filled over its neat base, one pair a maker. */
export interface PairedRatio {
  /** Geometric mean of the ratios. */
  ratio: number;
  /** 95 %, by t on the logarithms. */
  interval: Interval;
  pairs: number;
  /** The interval holds 1. */
  undecided: boolean;
  enough: number | null;
}

/**
 * Ratio of pairs, first over second, by the logarithms of each pair’s ratio. Unpaired numbers are refused: their scatter from maker to
 * maker would pass for the effect.
 * @throws InputError sides of different length, fewer than two pairs, or a reading not above 0
 */
export function pairedRatio(first: readonly number[], second: readonly number[]): PairedRatio {
  if (first.length !== second.length)
    throw new InputError('second', second.length, `as many as the first, ${first.length}: they are pairs`);
  if (first.length < 2) throw new InputError('first', first.length, 'at least two pairs are needed');
  const logs = first.map((value, i) => {
    requirePositiveValue(`first/${i}`, value);
    requirePositiveValue(`second/${i}`, second[i]!);
    return Math.log(value / second[i]!);
  });
  const mean = meanOf(logs);
  const sd = sdOf(logs);
  const half = (tPoint((1 + CONFIDENCE) / 2, logs.length - 1) * sd) / Math.sqrt(logs.length);
  return {
    ratio: Math.exp(mean),
    interval: { low: Math.exp(mean - half), high: Math.exp(mean + half) },
    pairs: logs.length,
    undecided: Math.abs(mean) <= half,
    enough: fewestThat((n) => (tPoint((1 + CONFIDENCE) / 2, n - 1) * sd) / Math.sqrt(n) < Math.abs(mean)),
  };
}

/**
 * Fewest specimens whose mean is known to ± a share of itself with 95 % confidence, at a scatter (CoV). Null: more than 200.
 * @throws InputError scatter or half-width not above 0
 */
export function specimensFor(cov: number, halfWidthShare: number): number | null {
  requirePositiveValue('cov', cov);
  requirePositiveValue('halfWidthShare', halfWidthShare);
  return fewestThat((n) => (tPoint((1 + CONFIDENCE) / 2, n - 1) * cov) / Math.sqrt(n) <= halfWidthShare);
}

function fewestThat(holds: (n: number) => boolean): number | null {
  for (let n = 2; n <= MOST_SPECIMENS; n++) if (holds(n)) return n;
  return null;
}
