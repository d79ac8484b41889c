import { waterUptakeFraction } from './sorption.ts';

/** Hours until a wall open on both faces has taken up a share of what it will, by bisection on Crank’s series. */
export function timeToFraction(thicknessMm: number, diffusionMm2PerH: number, share: number): number {
  let [low, high] = [0, thicknessMm ** 2 / diffusionMm2PerH];
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (waterUptakeFraction(thicknessMm, diffusionMm2PerH, middle) < share) low = middle;
    else high = middle;
  }
  return high;
}
