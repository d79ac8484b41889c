import { requirePositiveValue, requireWithin } from '@anvilstone/core/foundations';

/** σa(N) = strength·coefficient·N^(−exponent), fully reversed. */
export interface FatigueLaw {
  coefficient: number;
  exponent: number;
}

/**
 * Power law through the shares of the static strength that survive 1e6 and 1e7 cycles.
 * Example: 0.20 and 0.17 → exponent log10(0.20/0.17) = 0.0706, coefficient 0.20·10^(6·0.0706) = 0.530.
 * @throws InputError a share outside 0 … 1, or the share at 1e7 above that at 1e6
 */
export function fatigueLaw(fraction1e6: number, fraction1e7: number): FatigueLaw {
  requireWithin('fraction1e6', fraction1e6, 1e-6, 1);
  requireWithin('fraction1e7', fraction1e7, 1e-6, fraction1e6);
  const exponent = Math.log10(fraction1e6 / fraction1e7);
  return { coefficient: fraction1e6 * 10 ** (6 * exponent), exponent };
}

/** Stress amplitude that survives N fully reversed cycles, MPa; never above the static strength. @throws InputError N or strength not above 0 */
export function fatigueAmplitudeMPa(law: FatigueLaw, staticStrengthMPa: number, cycles: number): number {
  requirePositiveValue('staticStrengthMPa', staticStrengthMPa);
  requirePositiveValue('cycles', cycles);
  return staticStrengthMPa * Math.min(1, law.coefficient * cycles ** -law.exponent);
}

/**
 * Equivalent static stress of a cyclic one, over its largest stress, by Goodman: σa·(σu/σN) + σm. 1 for a single pull, up to σu/σN where it swings
 * to and fro. `stressRatio`: R, minimum over maximum load, −1 … 1.
 */
export function goodmanWeight(law: FatigueLaw, cycles: number, stressRatio: number): number {
  const left = fatigueAmplitudeMPa(law, 1, cycles);
  return (1 - stressRatio) / 2 / left + (1 + stressRatio) / 2;
}
