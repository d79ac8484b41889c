import { ALONG, dot, type Direction, type PartAxis } from '@anvilstone/core/shapes';

/** The upright box that a part fills on the bed: how high it stands, and its footprint, the longer side first. */
export interface BoxOnBed {
  heightMm: number;
  longMm: number;
  shortMm: number;
}

export const longestOf = ({ heightMm, longMm }: BoxOnBed): number => Math.max(heightMm, longMm);

/**
 * The box that a part of this size fills when it is built up along `up`: along each of its sides w the part reaches
 * Σ |wᵢ|·eᵢ. The footprint lies with the part’s length (or its depth, where that is up) along one side.
 */
export function boxOf(extentMm: Readonly<Record<PartAxis, number>>, up: Direction): BoxOnBed {
  const reach = (along: Direction) =>
    Math.abs(along[0]) * extentMm.length + Math.abs(along[1]) * extentMm.depth + Math.abs(along[2]) * extentMm.width;
  const lying = Math.abs(up[0]) < 0.9 ? ALONG.length : ALONG.depth;
  const u = unit(minus(lying, up, dot(lying, up)));
  const v = cross(up, u);
  const [shortMm, longMm] = [reach(u), reach(v)].sort((a, b) => a - b) as [number, number];
  return { heightMm: reach(up), longMm, shortMm };
}

const minus = (a: Direction, b: Direction, times: number): Direction => [
  a[0] - times * b[0],
  a[1] - times * b[1],
  a[2] - times * b[2],
];
const cross = (a: Direction, b: Direction): Direction => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
function unit(a: Direction): Direction {
  const length = Math.hypot(...a);
  return [a[0] / length, a[1] / length, a[2] / length];
}
