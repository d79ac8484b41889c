import { MeshError, type Mesh } from './mesh.ts';
import type { Point } from './properties.ts';

export interface Plane {
  /** A point on it, mm. */
  at: Point;
  /** Its normal; any length. */
  normal: Point;
}

export type Point2 = readonly [u: number, v: number];

/** A cut through a mesh, in two axes of the plane. */
export interface MeshSection {
  plane: Plane;
  /** The plane’s own axes in space, unit vectors; u × v is the normal. */
  u: Point;
  v: Point;
  /** Outlines, counter-clockwise, and holes, clockwise, mm. */
  loops: readonly (readonly Point2[])[];
  areaMm2: number;
  centroidMm: Point2;
  /** About axes through the centroid along u and v, mm⁴. */
  secondMomentUMm4: number;
  secondMomentVMm4: number;
  productMm4: number;
  /** Largest and smallest, and the angle of the axis of the largest from u, °. */
  principal: { largestMm4: number; smallestMm4: number; angleDeg: number };
  /** Farthest points from the centroid, mm. */
  extremeMm: { u: number; v: number };
}

/** Two triangles share each cut edge of a closed mesh; what does not close is not a section. */
export function sectionOf(mesh: Mesh, plane: Plane): MeshSection {
  const { u, v, n } = axesOf(plane.normal);
  const loops = loopsOf(mesh, plane.at, u, v, n);
  const sums = loops.reduce((total, loop) => add(total, momentsOf(loop)), [0, 0, 0, 0, 0, 0] as Moments);
  // A mesh that is inside out gives every loop the other way round.
  const sign = sums[0] < 0 ? -1 : 1;
  const [area, su, sv, uu, vv, uv] = sums.map((value) => value * sign) as unknown as Moments;
  if (!(area > 0)) throw new MeshError('The plane does not cut the part.');
  const [cu, cv] = [su / area, sv / area];
  const iu = vv - area * cv * cv;
  const iv = uu - area * cu * cu;
  const iuv = uv - area * cu * cv;
  const spread = Math.hypot((iu - iv) / 2, iuv);
  const corners = loops.flat();
  return {
    plane,
    u,
    v,
    loops: sign < 0 ? loops.map((loop) => [...loop].reverse()) : loops,
    areaMm2: area,
    centroidMm: [cu, cv],
    secondMomentUMm4: iu,
    secondMomentVMm4: iv,
    productMm4: iuv,
    principal: {
      largestMm4: (iu + iv) / 2 + spread,
      smallestMm4: (iu + iv) / 2 - spread,
      angleDeg: spread < 1e-12 * (iu + iv) ? 0 : principalAngleDeg(iu, iv, iuv),
    },
    extremeMm: {
      u: corners.reduce((most, [a]) => Math.max(most, Math.abs(a - cu)), 0),
      v: corners.reduce((most, [, b]) => Math.max(most, Math.abs(b - cv)), 0),
    },
  };
}

/** From u to the axis of the largest second moment, in (−90°, 90°]. */
function principalAngleDeg(iu: number, iv: number, iuv: number): number {
  const angleDeg = (Math.atan2(-2 * iuv, iu - iv) / 2) * (180 / Math.PI);
  return angleDeg <= -90 ? angleDeg + 180 : angleDeg;
}

/** Axes of a plane: across x they are y and z, across y z and x, across z x and y. */
function axesOf(normal: Point): { u: Point; v: Point; n: Point } {
  const length = Math.hypot(...normal);
  if (!(length > 0)) throw new MeshError('The plane needs a direction.');
  const n = normal.map((value) => value / length) as unknown as Point;
  const size = n.map(Math.abs);
  const main = size.indexOf(Math.max(...size));
  const next: Point = main === 0 ? [0, 1, 0] : main === 1 ? [0, 0, 1] : [1, 0, 0];
  const along = next[0] * n[0] + next[1] * n[1] + next[2] * n[2];
  const raw = next.map((value, i) => value - along * n[i]!);
  const scale = 1 / Math.hypot(...raw);
  const u = raw.map((value) => value * scale) as unknown as Point;
  const v: Point = [n[1] * u[2] - n[2] * u[1], n[2] * u[0] - n[0] * u[2], n[0] * u[1] - n[1] * u[0]];
  return { u, v, n };
}

/**
 * Each triangle that crosses the plane gives a step from the edge by which its winding leaves the upper side to the edge by
 * which it comes back; the neighbour goes on from there. A vertex on the plane counts as just above it.
 */
function loopsOf({ vertices, triangles }: Mesh, at: Point, u: Point, v: Point, n: Point): Point2[][] {
  const count = vertices.length / 3;
  const height = new Float64Array(count);
  for (let i = 0; i < count; i++)
    height[i] =
      (vertices[i * 3]! - at[0]) * n[0] + (vertices[i * 3 + 1]! - at[1]) * n[1] + (vertices[i * 3 + 2]! - at[2]) * n[2];
  const next = new Map<number, number>();
  let crowded = false;
  for (let i = 0; i < triangles.length; i += 3) {
    let [from, to] = [-1, -1];
    for (let k = 0; k < 3; k++) {
      const [a, b] = [triangles[i + k]!, triangles[i + ((k + 1) % 3)]!];
      const [above, below] = [height[a]! >= 0, height[b]! < 0];
      if (above === !below) continue;
      const key = a < b ? a * count + b : b * count + a;
      if (above) from = key;
      else to = key;
    }
    if (from < 0) continue;
    if (next.has(from)) crowded = true;
    next.set(from, to);
  }
  const pointOn = (key: number): Point2 => {
    const [a, b] = [Math.floor(key / count), key % count];
    const share = height[a]! / (height[a]! - height[b]!);
    const p = [0, 1, 2].map((axis) => {
      const start = vertices[a * 3 + axis]!;
      return start + share * (vertices[b * 3 + axis]! - start) - at[axis]!;
    });
    return [p[0]! * u[0] + p[1]! * u[1] + p[2]! * u[2], p[0]! * v[0] + p[1]! * v[1] + p[2]! * v[2]];
  };
  const loops: Point2[][] = [];
  while (next.size > 0) {
    const [start] = next.keys() as unknown as Iterable<number>;
    const loop: Point2[] = [];
    let edge: number | undefined = start;
    do {
      loop.push(pointOn(edge!));
      const following: number | undefined = next.get(edge!);
      next.delete(edge!);
      edge = following;
    } while (edge !== undefined && edge !== start);
    if (edge === undefined)
      throw new MeshError(
        crowded
          ? 'The mesh touches itself where the plane cuts it, so that the outline is not clear. Move the plane a little, or mend the mesh.'
          : 'The mesh is open where the plane cuts it, so that the outline does not close. Mend the holes first.',
      );
    loops.push(loop);
  }
  return loops;
}

/** Area, first moments and second moments about the plane’s own origin. */
type Moments = readonly [area: number, su: number, sv: number, uu: number, vv: number, uv: number];

/** Of a closed polygon by Green’s theorem, positive counter-clockwise. */
function momentsOf(loop: readonly Point2[]): Moments {
  let [area, su, sv, uu, vv, uv] = [0, 0, 0, 0, 0, 0];
  for (let i = 0; i < loop.length; i++) {
    const [a, b] = loop[i]!;
    const [c, d] = loop[(i + 1) % loop.length]!;
    const cross = a * d - c * b;
    area += cross / 2;
    su += (cross * (a + c)) / 6;
    sv += (cross * (b + d)) / 6;
    uu += (cross * (a * a + a * c + c * c)) / 12;
    vv += (cross * (b * b + b * d + d * d)) / 12;
    uv += (cross * (a * d + 2 * a * b + 2 * c * d + c * b)) / 24;
  }
  return [area, su, sv, uu, vv, uv];
}

function add(a: Moments, b: Moments): Moments {
  return a.map((value, i) => value + b[i]!) as unknown as Moments;
}
