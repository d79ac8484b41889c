import type { Material } from '../materials/material.ts';
import type { BearingPlaces, Bearing } from '../checks/bearings.ts';
import type { PreparedPart } from '../checks/check.ts';
import { modulusAlong } from '../checks/movability.ts';
import { ALONG } from '../parts/partModel.ts';
import type { BendingDirection } from '../sections/section.ts';
import type { StrandsInBending } from './layFibre.ts';

/** Strands and the print around them in one direction of bending: their moduli and shares. */
export interface Reinforcement extends StrandsInBending {
  strandMPa: number;
  /** Of the print along the part, 23 °C. */
  printMPa: number;
}

/** Undefined: no strands are laid, or the print’s modulus is not known. */
export function reinforcementOf(
  { fibre, up }: PreparedPart,
  material: Material,
  direction: BendingDirection,
): Reinforcement | undefined {
  const strands = fibre?.bending[direction];
  if (!fibre || !strands) return undefined;
  const modulus = modulusAlong(material, ALONG.length, up);
  return modulus.known ? { ...strands, strandMPa: fibre.tow.e1Mpa, printMPa: modulus.value } : undefined;
}

/**
 * Bending stiffness with the strands over that of the print alone, the print’s modulus being `share` of that at 23 °C (by
 * heat and creep): share·(1 − s) + s·E_f/E, s the strands’ share of the second moment. Strands keep theirs.
 * Source: transformed section, Gere & Timoshenko, 4th ed., section 6.3.
 */
export const stiffened = ({ secondMomentShare: s, strandMPa, printMPa }: Reinforcement, share = 1): number =>
  share * (1 - s) + (s * strandMPa) / printMPa;

/**
 * The stressed places with what the strands take off the bent ones. Taken at 23 °C and at once, where the print bears the
 * largest share: as it softens, the strands take more.
 */
export function relievedBearings(part: PreparedPart, material: Material): readonly BearingPlaces[] {
  if (!part.fibre) return part.bearings;
  return part.bearings.map((places, index) => {
    const load = part.loads.find(({ directionIndex }) => directionIndex === index);
    const reinforcement = reinforcementOf(part, material, load?.loadCase.direction ?? 'depth');
    if (!reinforcement) return places;
    const share = 1 / stiffened(reinforcement);
    const relieve = (bearing: Bearing): Bearing =>
      bearing.place.bent ? { ...bearing, stressPerUnit: bearing.stressPerUnit * share, relief: share } : bearing;
    return { inPlane: places.inPlane.map(relieve), across: places.across.map(relieve) };
  });
}
