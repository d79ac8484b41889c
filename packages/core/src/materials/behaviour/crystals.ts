import type { Crystallinity, Observation } from '@anvilstone/schema';
import { annealingOf } from './annealing.ts';
import type { Family } from '../reference/family.ts';
import type { Solidity } from './formLimit.ts';

/** How its crystals came about, or not: as it is laid in a hot chamber, in the oven, or neither. */
export interface Crystallising {
  annealed?: boolean;
  inChamber?: boolean;
}

/** A slow crystalliser needs this much above its glass transition to crystallise within minutes, K. Class D. */
const CHAMBER_ABOVE_TG_K = 15;

/**
 * Chamber temperature at which a family that else comes off the printer amorphous crystallises as it is laid, °C. Null: it crystallises
 * anyhow, or so slowly that no chamber does it. Cold crystallisation takes minutes some 15 K above the glass transition; class D.
 */
export const chamberCrystallisesC = (family: Family | undefined): number | null =>
  family?.printedAmorphous ? family.glassTransitionC + CHAMBER_ABOVE_TG_K : null;

/** How a part of the family is as it is used. */
export function solidityOf(family: Family, { annealed = false, inChamber = false }: Crystallising): Solidity {
  if (family.morphology === 'elastomer') return 'elastomer';
  if (annealed && annealingOf(family)?.crystallises) return 'crystallised';
  if (inChamber && chamberCrystallisesC(family) !== null) return 'crystallised';
  return family.morphology === 'semiCrystalline' && !family.printedAmorphous ? 'crystallised' : 'amorphous';
}

/**
 * The state a test piece was in: as stated, else as its making leaves it. A printed bar of a slow crystalliser is amorphous, a moulded one
 * came out of a hot mould with its crystals. Undefined: of such a family it makes no difference.
 */
export function crystallinityOf(
  { crystallinity, specimen, source }: Pick<Observation, 'crystallinity' | 'specimen' | 'source'>,
  family: Family,
): Crystallinity | undefined {
  if (!family.printedAmorphous) return undefined;
  if (crystallinity) return crystallinity;
  return specimen === 'printed' || source === 'bench' ? 'amorphous' : 'crystallised';
}
