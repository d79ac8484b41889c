export interface BisectOptions {
  /** Ends when the bracket is no wider than this: a difference, or a ratio above 1 where it is halved geometrically. @default never */
  within?: number;
  /** Most halvings. @default 60 */
  steps?: number;
  /** Halves the logarithm: for brackets over decades; both ends above 0. @default false */
  geometric?: boolean;
}

/**
 * The bracket [low, high] round the point up to which a condition holds: it holds at `low` and not at `high`, as far as the caller knows
 * of the ends it gives.
 */
export function bisect(
  holds: (x: number) => boolean,
  low: number,
  high: number,
  { within = 0, steps = 60, geometric = false }: BisectOptions = {},
): [low: number, high: number] {
  for (let i = 0; i < steps && (geometric ? high / low : high - low) > within; i++) {
    const middle = geometric ? Math.sqrt(low * high) : (low + high) / 2;
    if (holds(middle)) low = middle;
    else high = middle;
  }
  return [low, high];
}
