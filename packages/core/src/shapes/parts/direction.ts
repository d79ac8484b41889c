import type { BuildOrientation } from '@anvilstone/schema';

/** Axes of a part model; each model says in `axes` what they are on it. */
export type PartAxis = 'length' | 'depth' | 'width';

/** A direction by its components along length, depth and width. */
export type Direction = readonly [length: number, depth: number, width: number];

export const ALONG: Record<PartAxis, Direction> = { length: [1, 0, 0], depth: [0, 1, 0], width: [0, 0, 1] };

/** Which way the layers are stacked in each build orientation. */
export const LAYER_NORMAL: Record<BuildOrientation, PartAxis> = { XY: 'depth', XZ: 'width', ZX: 'length' };

/** Which way a part grows layer by layer in each build orientation, as a direction of the part. */
export const BUILT_UP: Record<BuildOrientation, Direction> = {
  XY: ALONG[LAYER_NORMAL.XY],
  XZ: ALONG[LAYER_NORMAL.XZ],
  ZX: ALONG[LAYER_NORMAL.ZX],
};

export const dot = (a: Direction, b: Direction): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];

/** Angle of a direction to the layer plane of a part that is built up along `up`, 0 … 90°: 0 within the layers, 90 straight across. */
export function angleToLayersDeg(direction: Direction, up: Direction): number {
  const across = Math.min(1, Math.abs(dot(direction, up)));
  // Exactly along an axis, so that rounding does not make 89.999° of it.
  if (across === 0 || across === 1) return across * 90;
  return (Math.asin(across) * 180) / Math.PI;
}
