import type { Conditioning } from '@anvilstone/schema';
import type { Family } from '../reference/family.ts';
import type { Reinforcement } from '../reference/reinforcement.ts';

export type NotchSensitivity = 'low' | 'medium' | 'high';

const STEPS: readonly NotchSensitivity[] = ['low', 'medium', 'high'];
/** Water that lifts the notched energy by this much has made the polymer more tolerant of notches. */
const TOLERANT_FACTOR = 1.2;
/** Fillers that leave notches of their own in the polymer. */
const STIFF_FILLER = /fibre|mineral|glass/;

/**
 * How much a notch takes from a grade beyond its stress: the family's, a step more with fibre or mineral (their ends are notches), a step
 * less in a polyamide with water in it. Elastomers stay as they are. Typical, class D.
 */
export function notchSensitivityOf(
  family: Family,
  filler: Reinforcement | undefined,
  conditioning: Conditioning,
): NotchSensitivity {
  if (family.morphology === 'elastomer') return family.notchSensitivity;
  let step = STEPS.indexOf(family.notchSensitivity);
  if (filler && STIFF_FILLER.test(filler.kind)) step += 1;
  if (conditioning !== 'dry' && family.impactFactorConditioned > TOLERANT_FACTOR) step -= 1;
  return STEPS[Math.max(0, Math.min(STEPS.length - 1, step))]!;
}

/** Notched energy across the layers over that in plane: the ratio of the strengths to this power. Ours, class D. */
const ENERGY_EXPONENT = { low: 2, medium: 3, high: 4 } as const;

/**
 * Share of the notched energy in plane that is left across the layers, where none is measured. Energy goes with the square of what the
 * bond bears (linear fracture mechanics: G = K²/E), and faster the more the groove between two layers acts as a crack. Range: a ratio
 * of strengths of 0 … 1; class D. Settle it by striking upright bars.
 */
export function acrossEnergyShare(sensitivity: NotchSensitivity, strengthRatio: number): number {
  return Math.min(1, strengthRatio) ** ENERGY_EXPONENT[sensitivity];
}

/** A fillet that is built up in layers is a flight of steps: by how many times more the stress counts there. Ours, class D. */
const STEPPED_FILLET = { low: 1, medium: 1.15, high: 1.3 } as const;

/**
 * How many times the stress at a fillet counts for a grade that feels the steps of its layers, for a stress at `angleDeg` to the layers:
 * nothing more within them, where the walls follow the fillet, all of it straight across.
 */
export function steppedFilletFactor(sensitivity: NotchSensitivity, angleDeg: number): number {
  return 1 + (STEPPED_FILLET[sensitivity] - 1) * Math.sin((angleDeg * Math.PI) / 180) ** 2;
}

/** Work to tear an elastomer that folds in the notched test, kJ/m²: trouser and crescent tear strengths of 50 to 120 kN/m. Class D. */
export const ELASTOMER_TEAR_KJ_PER_M2 = 80;
