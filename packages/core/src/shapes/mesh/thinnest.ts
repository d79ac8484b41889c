import type { Mesh } from './mesh.ts';
import { meshProperties, type Point } from './properties.ts';

/** Thinnest wall that was found, and where; an estimate from so many places. */
export interface ThinnestWall {
  thicknessMm: number;
  atMm: Point;
  places: number;
}

const CELLS = 64;
const MOST_EACH = 200;
/** A ray starts this share of the box off the skin, so that it does not meet its own triangle. */
const OFF_SHARE = 1e-6;

/**
 * How thin its walls are: from about `places` points of its triangles straight inwards to the next skin; of a mesh of few
 * triangles from many points of each, spread evenly.
 * Sharp edges run out to nothing and are left aside: only skins that face each other within 45° count. An estimate: a thin
 * place between the samples is missed. Undefined: nothing faces anything, as in a mesh that is open.
 * Source: shape diameter, Shapira et al., Visual Computer 24 (2008) 249, with one ray; cells walked as Amanatides & Woo 1987.
 */
export function thinnestWall(mesh: Mesh, places = 2000): ThinnestWall | undefined {
  const grid = gridOf(mesh);
  const { vertices, triangles } = mesh;
  const count = triangles.length / 3;
  const step = Math.max(1, Math.floor(count / places));
  const each = Math.min(MOST_EACH, Math.max(1, Math.floor(places / count)));
  let best: ThinnestWall | undefined;
  let tried = 0;
  for (let triangle = 0; triangle < count; triangle += step) {
    const facet = facetOf(vertices, triangles, triangle);
    if (!facet) continue;
    for (let point = 0; point < each; point++) {
      tried += 1;
      const atMm = each === 1 ? facet.middle : facet.at(...spread(point));
      const hit = grid.firstHit(atMm, [-facet.normal[0], -facet.normal[1], -facet.normal[2]], triangle);
      if (!hit || (best && hit.distance >= best.thicknessMm)) continue;
      const other = facetOf(vertices, triangles, hit.triangle);
      if (!other || facing(facet.normal, other.normal) > -Math.SQRT1_2) continue;
      best = { thicknessMm: hit.distance, atMm, places: 0 };
    }
  }
  return best && { ...best, places: tried };
}

/** Points of a triangle, each new one in the largest gap. Source: M. Roberts, R2 sequence (2018), folded into the triangle. */
function spread(index: number): [number, number] {
  const u = (0.5 + 0.7548776662466927 * index) % 1;
  const v = (0.5 + 0.5698402909980532 * index) % 1;
  return u + v <= 1 ? [u, v] : [1 - u, 1 - v];
}

const facing = (a: Point, b: Point) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];

function facetOf(vertices: Float64Array, triangles: Uint32Array, triangle: number) {
  const corner = (k: number, axis: number) => vertices[triangles[triangle * 3 + k]! * 3 + axis]!;
  const p = [0, 1, 2].map((axis) => corner(1, axis) - corner(0, axis));
  const q = [0, 1, 2].map((axis) => corner(2, axis) - corner(0, axis));
  const raw = [p[1]! * q[2]! - p[2]! * q[1]!, p[2]! * q[0]! - p[0]! * q[2]!, p[0]! * q[1]! - p[1]! * q[0]!];
  const length = Math.hypot(...raw);
  if (length === 0) return undefined;
  const normal: Point = [raw[0]! / length, raw[1]! / length, raw[2]! / length];
  const middle = [0, 1, 2].map((axis) => (corner(0, axis) + corner(1, axis) + corner(2, axis)) / 3);
  const at = (u: number, v: number): Point =>
    [0, 1, 2].map((axis) => corner(0, axis) + u * p[axis]! + v * q[axis]!) as unknown as Point;
  return { normal, middle: middle as unknown as Point, at };
}

/** Triangles by the cells their boxes touch. */
function gridOf(mesh: Mesh) {
  const { vertices, triangles } = mesh;
  const { lowMm, highMm } = meshProperties(mesh);
  const largest = Math.max(...highMm.map((high, axis) => high - lowMm[axis]!));
  const size = largest / CELLS + 1e-12;
  const counts = highMm.map((high, axis) => Math.max(1, Math.ceil((high - lowMm[axis]!) / size)));
  const [nx, ny, nz] = counts as [number, number, number];
  const cellOf = (value: number, axis: number) =>
    Math.min(counts[axis]! - 1, Math.max(0, Math.floor((value - lowMm[axis]!) / size)));
  const ranges = (triangle: number, axis: number) => {
    const values = [0, 1, 2].map((k) => vertices[triangles[triangle * 3 + k]! * 3 + axis]!);
    return [cellOf(Math.min(...values), axis), cellOf(Math.max(...values), axis)] as const;
  };
  const each = (visit: (cell: number, triangle: number) => void) => {
    for (let triangle = 0; triangle < triangles.length / 3; triangle++) {
      const [[x0, x1], [y0, y1], [z0, z1]] = [ranges(triangle, 0), ranges(triangle, 1), ranges(triangle, 2)];
      for (let x = x0; x <= x1; x++)
        for (let y = y0; y <= y1; y++) for (let z = z0; z <= z1; z++) visit((x * ny + y) * nz + z, triangle);
    }
  };
  const starts = new Uint32Array(nx * ny * nz + 1);
  each((cell) => starts[cell + 1]!++);
  for (let i = 1; i < starts.length; i++) starts[i]! += starts[i - 1]!;
  const filled = starts.slice();
  const members = new Uint32Array(starts.at(-1)!);
  each((cell, triangle) => (members[filled[cell]!++] = triangle));

  /** The nearest other triangle along a ray, walking from cell to cell. */
  function firstHit(from: Point, along: Point, own: number): { distance: number; triangle: number } | undefined {
    const cell = [0, 1, 2].map((axis) => cellOf(from[axis]!, axis)) as [number, number, number];
    const step = along.map((value) => (value > 0 ? 1 : -1));
    const per = along.map((value) => (value === 0 ? Infinity : size / Math.abs(value)));
    const next = along.map((value, axis) => {
      if (value === 0) return Infinity;
      const edge = lowMm[axis]! + (cell[axis]! + (value > 0 ? 1 : 0)) * size;
      return (edge - from[axis]!) / value;
    });
    let best: { distance: number; triangle: number } | undefined;
    for (;;) {
      const index = (cell[0] * ny + cell[1]) * nz + cell[2];
      for (let i = starts[index]!; i < starts[index + 1]!; i++) {
        const triangle = members[i]!;
        if (triangle === own) continue;
        const distance = rayHits(vertices, triangles, triangle, from, along);
        if (distance > largest * OFF_SHARE && (!best || distance < best.distance)) best = { distance, triangle };
      }
      const axis = next[0]! <= next[1]! && next[0]! <= next[2]! ? 0 : next[1]! <= next[2]! ? 1 : 2;
      if (best && best.distance <= next[axis]!) return best;
      cell[axis] += step[axis]!;
      next[axis]! += per[axis]!;
      if (cell[axis] < 0 || cell[axis] >= counts[axis]!) return best;
    }
  }
  return { firstHit };
}

/** Distance to a triangle along a ray; −1: it misses. Source: Möller & Trumbore, J. Graphics Tools 2 (1997) 21. */
function rayHits(vertices: Float64Array, triangles: Uint32Array, triangle: number, from: Point, along: Point): number {
  const a = triangles[triangle * 3]! * 3;
  const b = triangles[triangle * 3 + 1]! * 3;
  const c = triangles[triangle * 3 + 2]! * 3;
  const [ax, ay, az] = [vertices[a]!, vertices[a + 1]!, vertices[a + 2]!];
  const [px, py, pz] = [vertices[b]! - ax, vertices[b + 1]! - ay, vertices[b + 2]! - az];
  const [qx, qy, qz] = [vertices[c]! - ax, vertices[c + 1]! - ay, vertices[c + 2]! - az];
  const [dx, dy, dz] = along;
  const [hx, hy, hz] = [dy * qz - dz * qy, dz * qx - dx * qz, dx * qy - dy * qx];
  const det = px * hx + py * hy + pz * hz;
  if (Math.abs(det) < 1e-18) return -1;
  const [sx, sy, sz] = [from[0] - ax, from[1] - ay, from[2] - az];
  const u = (sx * hx + sy * hy + sz * hz) / det;
  if (u < 0 || u > 1) return -1;
  const [kx, ky, kz] = [sy * pz - sz * py, sz * px - sx * pz, sx * py - sy * px];
  const v = (dx * kx + dy * ky + dz * kz) / det;
  if (v < 0 || u + v > 1) return -1;
  return (qx * kx + qy * ky + qz * kz) / det;
}
