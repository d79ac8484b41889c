import { requirePositiveValue, requireWithin } from '@anvilstone/core/foundations';

/**
 * Strength at temperature over strength at 23 °C: (E(T)/E23)^m, m about 0.8 amorphous, 0.6 semi-crystalline; at most 1. Yield rises in the
 * cold, but what breaks there breaks from its flaws: nothing is built on the rise.
 * @throws InputError ratio not finite and above 0
 */
export function strengthTemperatureFactor(modulusRatio: number, exponent: number): number {
  requirePositiveValue('modulusRatio', modulusRatio);
  return Math.min(1, modulusRatio ** exponent);
}

/** A short test takes about a minute; static fatigue counts decades of time from there. */
export const SHORT_TEST_H = 1 / 60;
const STRENGTH_NEVER_BELOW = 0.1;

/**
 * Share of the short-term strength left under a load that stays on: 1 − loss × decades beyond a one-minute test,
 * never below 0.1. `durationH` in h; a minute or less gives 1.
 * @throws InputError duration not finite and above 0; loss outside 0 … 1
 */
export function staticFatigueFactor(durationH: number, lossPerDecade: number): number {
  requirePositiveValue('durationH', durationH);
  requireWithin('lossPerDecade', lossPerDecade, 0, 1);
  const decades = Math.max(0, Math.log10(durationH / SHORT_TEST_H));
  return Math.max(STRENGTH_NEVER_BELOW, 1 - lossPerDecade * decades);
}
