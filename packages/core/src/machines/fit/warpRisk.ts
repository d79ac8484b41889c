import { ROOM_C } from '@anvilstone/core/foundations';
import type { Machine } from '@anvilstone/schema';
import { fillerEffects, type Family, type Reinforcement } from '@anvilstone/core/materials';

const REFERENCE_LENGTH_MM = 100;

/** What is left of the tendency in warmer surroundings. Ours, class D. */
export const ENCLOSURE_FACTOR: Readonly<Record<Machine['enclosure'], number>> = {
  open: 1,
  enclosed: 0.8,
  heated: 0.55,
};

/** How strongly a grade warps, 1 (hardly) to 5: its family’s tendency and what its filler takes from it. */
export function warpTendency(family: Family, filler: Reinforcement | undefined): number {
  const delta = fillerEffects(family, filler)?.mechanical.warpTendencyDelta ?? 0;
  return Math.min(5, Math.max(1, family.warpTendency1to5 + delta));
}

/** Tendency × √(longest edge on the bed / 100 mm) × what an enclosure leaves of it. A ranking, not a lift in mm. */
export const warpIndex = (tendency1to5: number, longMm: number, enclosure: Machine['enclosure']): number =>
  tendency1to5 * Math.sqrt(longMm / REFERENCE_LENGTH_MM) * ENCLOSURE_FACTOR[enclosure];

/** Air round a part, °C: the room’s, half of the way to the bed in a passive enclosure, or what a heater reaches. */
export function airC(
  { enclosure, maximumChamberC }: Pick<Machine, 'enclosure' | 'maximumChamberC'>,
  bedC: number,
): number {
  if (enclosure === 'open') return ROOM_C;
  const passiveC = ROOM_C + (bedC - ROOM_C) / 2;
  return enclosure === 'heated' ? Math.max(passiveC, maximumChamberC ?? 0) : passiveC;
}

/** Share of prints that warp or crack by the warp index, where the surroundings that a grade needs are missing. Ours, class D. */
const SHARES: readonly (readonly [index: number, share: number])[] = [
  [0, 0.02],
  [2, 0.05],
  [3, 0.15],
  [4, 0.35],
  [5, 0.6],
  [7, 0.95],
];

/** Range: index 0 or more; held at 0.95 from 7 on. */
export function failedByWarp(index: number): number {
  const next = SHARES.findIndex(([from]) => from >= index);
  if (next === -1) return SHARES.at(-1)![1];
  if (next === 0) return SHARES[0]![1];
  const [[a, shareA], [b, shareB]] = [SHARES[next - 1]!, SHARES[next]!];
  return shareA + ((shareB - shareA) * (index - a)) / (b - a);
}
