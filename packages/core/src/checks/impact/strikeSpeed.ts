import { GRAVITY_M_PER_S2 } from '@anvilstone/core/foundations';
import type { LoadCase } from '@anvilstone/schema';
import type { Material } from '@anvilstone/core/materials';

/** A pendulum strikes a bar about as fast, and so does a tool in the hand, m/s: what the rises and shares by rate are of. */
const USUAL_M_PER_S = 3;
/** Decades of strain rate between a slow test and that. */
const DECADES = 5;

/** How fast a knock strikes, m/s: as stated, else as it falls, √(2·g·h), else as a tool in the hand does. */
export function strikeSpeedMPerS({ strikeSpeedMPerS: stated, energyJ, dropHeightMm }: LoadCase): number {
  if (stated !== undefined) return stated;
  if (energyJ === undefined && dropHeightMm) return Math.sqrt(2 * 1000 * GRAVITY_M_PER_S2 * dropHeightMm) / 1000;
  return USUAL_M_PER_S;
}

/**
 * What speed does, over what it does at 3 m/s: 1 + log₁₀(v/3)/5, by decades of rate from a slow test. 0.5 at a hundredth of a metre a
 * second, 1.3 at 100 m/s. Ours, class D.
 */
export function rateShare(loadCase: LoadCase): number {
  return 1 + Math.log10(strikeSpeedMPerS(loadCase) / USUAL_M_PER_S) / DECADES;
}

/** How much a grade minds the rate of loading. */
export function rateSensitivityOf({ family, filler }: Material): 'low' | 'medium' | 'high' {
  return (filler?.kind.includes('fibre') ? family!.rateSensitivityFilled : undefined) ?? family!.rateSensitivity;
}
