import type { StrandsInBending } from './layFibre.ts';

/** Strands and the print around them in one direction of bending: their moduli and shares. */
export interface Reinforcement extends StrandsInBending {
  strandMPa: number;
  /** Of the print along the part, 23 °C. */
  printMPa: number;
}

/**
 * Bending stiffness with the strands over that of the print alone, the print’s modulus being `share` of that at 23 °C (by
 * heat and creep): share·(1 − s) + s·E_f/E, s the strands’ share of the second moment. Strands keep theirs.
 * Source: transformed section, Gere & Timoshenko, 4th ed., section 6.3.
 */
export const stiffened = ({ secondMomentShare: s, strandMPa, printMPa }: Reinforcement, share = 1): number =>
  share * (1 - s) + (s * strandMPa) / printMPa;

/** The same of a pull: strands by their share of the area, E·A summed. */
export const stiffenedPulled = ({ areaShare: a, strandMPa, printMPa }: Reinforcement, share = 1): number =>
  share * (1 - a) + (a * strandMPa) / printMPa;
