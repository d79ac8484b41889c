import { ROOM_C } from '@anvilstone/core/foundations';
import type { PropertyId } from '@anvilstone/schema';
import type { Resolution } from './resolution.ts';

type Direction = 'in-plane' | 'across';
type Resolve = (id: PropertyId, direction: Direction, temperatureC: number) => Resolution;

/** Directions and temperatures remembered beside the usual ones; a search asks for many temperatures, each only once. */
const MOST = 8;

/**
 * Remembers what a property resolved to: in the plane at 23 °C for good, since nearly all is asked for there, and the last
 * few answers elsewhere.
 */
export function recentProperties(compute: Resolve) {
  const usual = new Map<PropertyId, Resolution>();
  const others: { id: PropertyId; direction: Direction; temperatureC: number; resolution: Resolution }[] = [];
  let next = 0;
  return (id: PropertyId, direction: Direction = 'in-plane', temperatureC = ROOM_C): Resolution => {
    if (direction === 'in-plane' && temperatureC === ROOM_C) {
      let found = usual.get(id);
      if (!found) usual.set(id, (found = compute(id, direction, temperatureC)));
      return found;
    }
    for (const one of others)
      if (one.id === id && one.temperatureC === temperatureC && one.direction === direction) return one.resolution;
    const resolution = compute(id, direction, temperatureC);
    others[next] = { id, direction, temperatureC, resolution };
    next = (next + 1) % MOST;
    return resolution;
  };
}
