/** Below this rise over 23 °C a ratio of rises would explode; the reserve then moves 0.1 per K. */
export const LEAST_RISE_K = 10;

/**
 * Reserve of a temperature, never below 0: (limit − 23) over (required − 23), continued straight below a requirement of
 * 33 °C. A ratio of the temperatures themselves would depend on where the scale starts.
 */
export function temperatureReserve(limitC: number, requiredC: number): number {
  return Math.max(0, 1 + (limitC - requiredC) / Math.max(LEAST_RISE_K, requiredC - 23));
}
