import { strToU8 } from 'fflate';
import type { TriangleSoup } from './mesh.ts';

/** Exact solids as triangles. Used by tests only. */
export type P = [number, number, number];
export type T = [P, P, P];
export const soupOf = (triangles: readonly T[], name = 'test'): TriangleSoup => ({
  name,
  positions: Float32Array.from(triangles.flat(2)),
});
export const quad = (a: P, b: P, c: P, d: P): T[] => [
  [a, b, c],
  [a, c, d],
];
/** A box with its outside looking out. */
export function box(x0: number, y0: number, z0: number, x1: number, y1: number, z1: number): T[] {
  const p = (i: number): P => [i & 1 ? x1 : x0, i & 2 ? y1 : y0, i & 4 ? z1 : z0];
  return [
    ...quad(p(0), p(2), p(3), p(1)),
    ...quad(p(4), p(5), p(7), p(6)),
    ...quad(p(0), p(1), p(5), p(4)),
    ...quad(p(2), p(6), p(7), p(3)),
    ...quad(p(0), p(4), p(6), p(2)),
    ...quad(p(1), p(3), p(7), p(5)),
  ];
}
export const turned = (triangles: readonly T[]): T[] => triangles.map(([a, b, c]) => [a, c, b]);
/** A tube about z with n flats: outside radius R, inside radius r (0: solid). */
export function tube(outer: number, inner: number, height: number, n: number): T[] {
  const at = (radius: number, k: number, z: number): P => [
    radius * Math.cos((2 * Math.PI * k) / n),
    radius * Math.sin((2 * Math.PI * k) / n),
    z,
  ];
  return Array.from({ length: n }, (_, k) => {
    const sides = quad(at(outer, k, 0), at(outer, k + 1, 0), at(outer, k + 1, height), at(outer, k, height));
    if (inner === 0)
      return [
        ...sides,
        [[0, 0, height], at(outer, k, height), at(outer, k + 1, height)] as T,
        [[0, 0, 0], at(outer, k + 1, 0), at(outer, k, 0)] as T,
      ];
    return [
      ...sides,
      ...quad(at(inner, k + 1, 0), at(inner, k, 0), at(inner, k, height), at(inner, k + 1, height)),
      ...quad(at(outer, k, height), at(outer, k + 1, height), at(inner, k + 1, height), at(inner, k, height)),
      ...quad(at(outer, k + 1, 0), at(outer, k, 0), at(inner, k, 0), at(inner, k + 1, 0)),
    ];
  }).flat();
}
export function binary(triangles: readonly T[], header = 'made by a test'): Uint8Array {
  const bytes = new Uint8Array(84 + triangles.length * 50);
  bytes.set(strToU8(header.slice(0, 80)));
  const view = new DataView(bytes.buffer);
  view.setUint32(80, triangles.length, true);
  triangles.flat(2).forEach((value, i) => view.setFloat32(84 + Math.floor(i / 9) * 50 + 12 + (i % 9) * 4, value, true));
  return bytes;
}
export const text = (triangles: readonly T[]) =>
  `solid test\n${triangles.map((corners) => `facet normal 0 0 0\nouter loop\n${corners.map((p) => `vertex ${p.join(' ')}`).join('\n')}\nendloop\nendfacet`).join('\n')}\nendsolid test\n`;
