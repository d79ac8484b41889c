import { HOURS_PER_YEAR } from '@anvilstone/core/foundations';
import type { Brief, LoadCase } from '@anvilstone/schema';

type LifeAsks = Pick<Brief['asks'], 'lifeYears' | 'heat'>;

/** Service life asked for, h; undefined: none is stated. */
export const lifeHours = ({ lifeYears }: Pick<Brief['asks'], 'lifeYears'>): number | undefined =>
  lifeYears === undefined ? undefined : lifeYears * HOURS_PER_YEAR;

/** How long it sits at its steady temperature, h: as stated, else its whole service life; undefined: neither is stated. */
export const steadyHours = (asks: LifeAsks): number | undefined => asks.heat?.steadyH ?? lifeHours(asks);

/**
 * Repetitions of a load in its life: as stated, else rate × share of the time it is on × service life. Undefined: neither is stated, or
 * a rate without a life.
 */
export function lifeCycles(
  { cycles, cyclesPerH, onShare = 1 }: Pick<LoadCase, 'cycles' | 'cyclesPerH' | 'onShare'>,
  asks: LifeAsks,
): number | undefined {
  if (cyclesPerH === undefined) return cycles;
  const hours = lifeHours(asks);
  return hours === undefined ? undefined : Math.max(1, cyclesPerH * onShare * hours);
}
