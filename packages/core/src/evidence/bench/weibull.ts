import { InputError, requirePositiveValue, bisect } from '@anvilstone/core/foundations';

export interface WeibullFit {
  /** Weibull modulus: the larger, the less scatter. */
  shape: number;
  /** What 63.2 % do not reach, in the readings’ unit. */
  scale: number;
  /** Each reading with the share that has failed by then, for the plot: median ranks by Benard, (i − 0.3)/(n + 0.4). */
  points: readonly { value: number; failedShare: number }[];
}

const FEWEST = 3;
const MOST_SHAPE = 1000;

/**
 * Two-parameter Weibull distribution by maximum likelihood: 1/m = Σxᵐ·ln x/Σxᵐ − mean(ln x), scale = (mean xᵐ)^(1/m). Few readings make
 * the shape too large: at n = 5 by about 40 %. A sample without scatter has no fit: undefined.
 * @throws InputError fewer than three readings, or one not above 0
 */
export function fitWeibull(values: readonly number[]): WeibullFit | undefined {
  if (values.length < FEWEST) throw new InputError('values', values.length, `at least ${FEWEST} readings are needed`);
  values.forEach((value, i) => requirePositiveValue(`values/${i}`, value));
  const sorted = [...values].sort((a, b) => a - b);
  const n = sorted.length;
  const largest = sorted.at(-1)!;
  if (sorted[0] === largest) return undefined;
  // Over the largest, so that no power overflows.
  const logs = sorted.map((value) => Math.log(value / largest));
  const meanLog = logs.reduce((sum, one) => sum + one, 0) / n;
  const excess = (shape: number) => {
    let [powers, weighted] = [0, 0];
    for (const log of logs) {
      const power = Math.exp(shape * log);
      powers += power;
      weighted += power * log;
    }
    return weighted / powers - meanLog - 1 / shape;
  };
  if (excess(MOST_SHAPE) < 0) return undefined;
  const [, high] = bisect((shape) => excess(shape) < 0, 1e-3, MOST_SHAPE, { steps: 100, geometric: true });
  const meanPower = logs.reduce((sum, log) => sum + Math.exp(high * log), 0) / n;
  return {
    shape: high,
    scale: largest * meanPower ** (1 / high),
    points: sorted.map((value, i) => ({ value, failedShare: (i + 1 - 0.3) / (n + 0.4) })),
  };
}

/** What a share of all parts does not reach, in the scale’s unit. */
export const weibullPoint = ({ shape, scale }: Pick<WeibullFit, 'shape' | 'scale'>, share: number): number =>
  scale * (-Math.log1p(-share)) ** (1 / shape);
