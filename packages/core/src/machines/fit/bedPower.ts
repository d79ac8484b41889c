import { ROOM_C } from '@anvilstone/core/foundations';
import type { Machine } from '@anvilstone/schema';

/** Loss of a bed to still air from its top and through its insulated underside, W/(m²·K). Ours, class D. */
const OPEN_LOSS = 17;
/** An enclosure keeps about a third of it. */
const ENCLOSED_SHARE = 0.65;
/** A hot nozzle, motors and fans, W. */
const REST_W = 60;

/**
 * Power to hold a bed at a temperature while printing, W: loss coefficient × area × rise over the room, and 60 W for the rest.
 * Source: Newton's law of cooling. Range: 23 … 300 °C; warming up takes more.
 */
export function holdingPowerW({ buildVolumeMm, enclosure }: Machine, bedC: number): number {
  const areaM2 = (buildVolumeMm.x * buildVolumeMm.y) / 1e6;
  const loss = OPEN_LOSS * (enclosure === 'open' ? 1 : ENCLOSED_SHARE);
  return loss * areaM2 * Math.max(0, bedC - ROOM_C) + REST_W;
}
