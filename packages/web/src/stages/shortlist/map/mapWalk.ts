import type { MapPoint } from '@anvilstone/core/evaluation';

/** A grade with its place on the screen. */
export interface Placed {
  point: MapPoint;
  x: number;
  y: number;
}

const DIRECTION: Record<string, readonly [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/**
 * The nearest grade in the direction of an arrow key: what lies aside counts as twice as far, so that the walk keeps its way.
 * Home and End go to the outermost. Without a start any key begins at an undominated grade. Undefined: nothing lies there.
 */
export function neighbourOf(placed: readonly Placed[], from: Placed | undefined, key: string): Placed | undefined {
  const byX = [...placed].sort((a, b) => a.x - b.x || a.y - b.y);
  if (key === 'Home') return byX[0];
  if (key === 'End') return byX.at(-1);
  const direction = DIRECTION[key];
  if (!direction) return undefined;
  if (!from) return byX.find(({ point }) => point.undominated) ?? byX[0];
  let best: Placed | undefined;
  let nearest = Infinity;
  for (const one of placed) {
    const [dx, dy] = [one.x - from.x, one.y - from.y];
    const ahead = dx * direction[0] + dy * direction[1];
    if (ahead <= 0) continue;
    const aside = Math.abs(dx * direction[1]) + Math.abs(dy * direction[0]);
    const distance = ahead + 2 * aside;
    if (distance < nearest) [best, nearest] = [one, distance];
  }
  return best;
}
