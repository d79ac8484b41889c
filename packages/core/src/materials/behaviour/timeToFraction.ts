import { bisect } from '@anvilstone/core/foundations';
import { waterUptakeFraction } from './sorption.ts';

/** Hours until a wall open on both faces has taken up a share of what it will, by bisection on Crank’s series. */
export function timeToFraction(thicknessMm: number, diffusionMm2PerH: number, share: number): number {
  const isShort = (hours: number) => waterUptakeFraction(thicknessMm, diffusionMm2PerH, hours) < share;
  return bisect(isShort, 0, thicknessMm ** 2 / diffusionMm2PerH)[1];
}
