import type { Mesh } from './mesh.ts';

export type Point = readonly [x: number, y: number, z: number];

export interface MeshProperties {
  /** Positive when the triangles look outwards, mm³. Means something only for a closed mesh. */
  volumeMm3: number;
  areaMm2: number;
  centroidMm: Point;
  lowMm: Point;
  highMm: Point;
}

/**
 * Volume and centroid by the divergence theorem, triangle by triangle from the middle of the box, so that a part far from the
 * origin loses no digits. Source: B. Mirtich, J. Graphics Tools 1 (1996) 31.
 */
export function meshProperties({ vertices, triangles }: Mesh): MeshProperties {
  const low = [Infinity, Infinity, Infinity];
  const high = [-Infinity, -Infinity, -Infinity];
  for (let i = 0; i < vertices.length; i++) {
    const axis = i % 3;
    low[axis] = Math.min(low[axis]!, vertices[i]!);
    high[axis] = Math.max(high[axis]!, vertices[i]!);
  }
  const middle = low.map((value, axis) => (value + high[axis]!) / 2);
  const [ox, oy, oz] = [middle[0]!, middle[1]!, middle[2]!];
  let [volume6, area2, mx, my, mz] = [0, 0, 0, 0, 0];
  for (let i = 0; i < triangles.length; i += 3) {
    const a = triangles[i]! * 3;
    const b = triangles[i + 1]! * 3;
    const c = triangles[i + 2]! * 3;
    const ax = vertices[a]! - ox;
    const ay = vertices[a + 1]! - oy;
    const az = vertices[a + 2]! - oz;
    const bx = vertices[b]! - ox;
    const by = vertices[b + 1]! - oy;
    const bz = vertices[b + 2]! - oz;
    const cx = vertices[c]! - ox;
    const cy = vertices[c + 1]! - oy;
    const cz = vertices[c + 2]! - oz;
    const nx = (by - ay) * (cz - az) - (bz - az) * (cy - ay);
    const ny = (bz - az) * (cx - ax) - (bx - ax) * (cz - az);
    const nz = (bx - ax) * (cy - ay) - (by - ay) * (cx - ax);
    area2 += Math.hypot(nx, ny, nz);
    const part = ax * nx + ay * ny + az * nz;
    volume6 += part;
    mx += part * (ax + bx + cx);
    my += part * (ay + by + cy);
    mz += part * (az + bz + cz);
  }
  const scale = volume6 === 0 ? 0 : 1 / (4 * volume6);
  return {
    volumeMm3: volume6 / 6,
    areaMm2: area2 / 2,
    centroidMm: [ox + mx * scale, oy + my * scale, oz + mz * scale],
    lowMm: [low[0]!, low[1]!, low[2]!],
    highMm: [high[0]!, high[1]!, high[2]!],
  };
}

/** How it lies on the bed in one direction of build. */
export interface BedProperties {
  /** Area that looks down more steeply than the overhang angle and does not rest on the bed, mm². */
  overhangMm2: number;
  /** Area that rests on the bed, mm². */
  footprintMm2: number;
  heightMm: number;
}

/** Faces within this of the lowest point rest on the bed, mm. */
const RESTS_MM = 0.05;

/**
 * Overhang and footprint with a direction upwards. A face overhangs when it leans outwards by more than `overhangDeg` from
 * upright, 45° by custom.
 */
export function bedProperties({ vertices, triangles }: Mesh, up: Point, overhangDeg = 45): BedProperties {
  const length = Math.hypot(...up);
  const [ux, uy, uz] = up.map((value) => value / length) as unknown as Point;
  const heightOf = (vertex: number) =>
    vertices[vertex * 3]! * ux + vertices[vertex * 3 + 1]! * uy + vertices[vertex * 3 + 2]! * uz;
  let [lowest, highest] = [Infinity, -Infinity];
  for (let vertex = 0; vertex < vertices.length / 3; vertex++) {
    const height = heightOf(vertex);
    lowest = Math.min(lowest, height);
    highest = Math.max(highest, height);
  }
  const steepest = -Math.sin((overhangDeg * Math.PI) / 180);
  let [overhang, footprint] = [0, 0];
  for (let i = 0; i < triangles.length; i += 3) {
    const a = triangles[i]!;
    const b = triangles[i + 1]!;
    const c = triangles[i + 2]!;
    const at = (vertex: number, axis: number) => vertices[vertex * 3 + axis]!;
    const px = at(b, 0) - at(a, 0);
    const py = at(b, 1) - at(a, 1);
    const pz = at(b, 2) - at(a, 2);
    const qx = at(c, 0) - at(a, 0);
    const qy = at(c, 1) - at(a, 1);
    const qz = at(c, 2) - at(a, 2);
    const nx = py * qz - pz * qy;
    const ny = pz * qx - px * qz;
    const nz = px * qy - py * qx;
    const area2 = Math.hypot(nx, ny, nz);
    if (area2 === 0) continue;
    const down = (nx * ux + ny * uy + nz * uz) / area2;
    if (down >= 0) continue;
    const rests = Math.max(heightOf(a), heightOf(b), heightOf(c)) - lowest <= RESTS_MM;
    if (rests) footprint += (area2 / 2) * -down;
    else if (down < steepest) overhang += area2 / 2;
  }
  return { overhangMm2: overhang, footprintMm2: footprint, heightMm: highest - lowest };
}
