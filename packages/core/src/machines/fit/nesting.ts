import type { Machine } from '@anvilstone/schema';
import { fitsRectangle } from './machineFit.ts';
import type { BoxOnBed } from './boxOnBed.ts';

/** Whether a part goes into a machine, and how many of them lie on its bed at once. */
export interface Nesting {
  machineId: string;
  machineName: string;
  fits: boolean;
  /** Side by side in straight rows, all turned alike; 0 where one does not fit. */
  atOnce: number;
}

/** Room left between two parts, mm. Usual. */
const GAP_MM = 5;

/** Boxes side by side on each machine’s bed, in the better of two turns; one that only fits askew counts once. */
export function nestingOn(machines: readonly Machine[], { heightMm, longMm, shortMm }: BoxOnBed): Nesting[] {
  return machines.map(({ id, name, buildVolumeMm: { x, y, z } }) => {
    const [long, short] = x > y ? [x, y] : [y, x];
    const fits = heightMm <= z && fitsRectangle(longMm, shortMm, long, short);
    const rows = (a: number, b: number) => count(long, a) * count(short, b);
    return {
      machineId: id,
      machineName: name,
      fits,
      atOnce: fits ? Math.max(1, rows(longMm, shortMm), rows(shortMm, longMm)) : 0,
    };
  });
}

const count = (roomMm: number, sizeMm: number) => Math.floor((roomMm + GAP_MM) / (sizeMm + GAP_MM));
