import type { Family } from '../reference/family.ts';

/** What an oven does to printed parts of a family, as it is usually done. Typical of the family: evidence class D. */
export interface Annealing {
  temperatureC: number;
  hours: number;
  /** By how much the part is drawn larger, %. */
  shrinkPct: number;
  /** How much higher its heat deflection points lie afterwards, K. */
  hdtGainC: number;
  /** It was printed amorphous and crystallises: it then carries load beyond its glass transition. */
  crystallises: boolean;
}

/** A gain of this much is more than relieved stress, K. */
const CRYSTALLISED_GAIN_K = 10;

/** Null: annealing does nothing for the family that is worth having. */
export function annealingOf(family: Family | undefined): Annealing | null {
  if (!family?.annealing || family.annealing.hdtGainC <= 0) return null;
  const crystallises =
    family.printedAmorphous !== undefined ||
    (family.morphology === 'amorphous' && family.meltingC !== null && family.annealing.hdtGainC >= CRYSTALLISED_GAIN_K);
  return { ...family.annealing, crystallises };
}
