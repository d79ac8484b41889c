/** `count` values from low to high, evenly spaced, ends included. */
export function evenly(low: number, high: number, count: number): number[] {
  return Array.from({ length: count }, (_, i) => low + ((high - low) * i) / (count - 1));
}

/** `count` values from low to high, evenly spaced in the logarithm; low above 0. */
export function byDecades(low: number, high: number, count: number): number[] {
  return evenly(Math.log10(low), Math.log10(high), count).map((power) => 10 ** power);
}
