import { requirePositiveValue, InputError } from '@anvilstone/core/foundations';
import type { Tow } from '@anvilstone/core/materials';

/** A strand that runs round a hole or along a wall and back. */
export interface LoopStrength {
  /** Strength of one pass of one strand, N, straight. */
  strandN: number;
  /** Share of it that is left where it bends. */
  bendFactor: number;
  /** Both legs of all turns together, N. */
  loopN: number;
}

/**
 * What loops of a strand bear when pulled apart: two legs a turn, strength along the fibre × what the bend leaves of it, in
 * straight lines between the reference radii. Tension only: nothing is claimed for the shear that brings the load in.
 * @throws InputError a radius below the smallest that lays, or turns below 1
 */
export function loopStrength(tow: Tow, radiusMm: number, turns: number): LoopStrength {
  requirePositiveValue('radiusMm', radiusMm);
  if (!(turns >= 1)) throw new InputError('turns', turns, 'one turn at least');
  if (radiusMm < tow.minimumBendRadiusMm)
    throw new InputError(
      'radiusMm',
      radiusMm,
      `${tow.minimumBendRadiusMm} mm or more: a tighter path lifts or breaks the strand`,
    );
  const strandN = tow.xtMpa * tow.beadWidthMm * tow.beadHeightMm;
  const bendFactor = factorAt(tow, radiusMm);
  return { strandN, bendFactor, loopN: 2 * turns * strandN * bendFactor };
}

function factorAt({ bendKnockdown }: Tow, radiusMm: number): number {
  const after = bendKnockdown.findIndex((one) => one.radiusMm >= radiusMm);
  if (after < 0) return bendKnockdown.at(-1)!.factor;
  if (after === 0) return bendKnockdown[0]!.factor;
  const [low, high] = [bendKnockdown[after - 1]!, bendKnockdown[after]!];
  const share = (radiusMm - low.radiusMm) / (high.radiusMm - low.radiusMm);
  return low.factor + share * (high.factor - low.factor);
}
