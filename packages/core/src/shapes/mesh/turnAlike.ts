import type { Mesh } from './mesh.ts';

/**
 * A mesh whose triangles all look the same way, and how many had to be turned: from triangle to triangle over every edge that
 * two share, each wound against its neighbour. Of every piece the side that most of its area looks to stays. Undefined: going
 * round it comes back the other way, as on a strip with a half twist, so that it has no inside.
 */
export function turnAlike({ vertices, triangles, name }: Mesh): { mesh: Mesh; turned: number } | undefined {
  const count = vertices.length / 3;
  const faces = triangles.length / 3;
  const along = (face: number, k: number): [key: number, forward: boolean] => {
    const from = triangles[face * 3 + k]!;
    const to = triangles[face * 3 + ((k + 1) % 3)]!;
    return from < to ? [from * count + to, true] : [to * count + from, false];
  };
  // The two sides of each edge, as 3·face + k; an edge of more than two has none.
  const first = new Map<number, number>();
  const other = new Int32Array(faces * 3).fill(-1);
  const crowded = new Set<number>();
  for (let side = 0; side < faces * 3; side++) {
    const [key] = along(Math.floor(side / 3), side % 3);
    const known = first.get(key);
    if (known === undefined) first.set(key, side);
    else if (other[known]! < 0) [other[known], other[side]] = [side, known];
    else crowded.add(known);
  }
  for (const side of crowded) {
    const partner = other[side]!;
    [other[side], other[partner]] = [-1, -1];
  }
  const flip = new Int8Array(faces).fill(-1);
  let turned = 0;
  const result = triangles.slice();
  for (let start = 0; start < faces; start++) {
    if (flip[start]! >= 0) continue;
    flip[start] = 0;
    const piece = [start];
    let [kept, changed] = [0, 0];
    for (let i = 0; i < piece.length; i++) {
      const face = piece[i]!;
      if (flip[face] === 1) changed += area2(vertices, triangles, face);
      else kept += area2(vertices, triangles, face);
      for (let k = 0; k < 3; k++) {
        const side = other[face * 3 + k]!;
        if (side < 0) continue;
        const next = Math.floor(side / 3);
        const alike = along(face, k)[1] === along(next, side % 3)[1];
        const wanted = alike ? 1 - flip[face]! : flip[face]!;
        if (flip[next]! < 0) {
          flip[next] = wanted;
          piece.push(next);
        } else if (flip[next] !== wanted) return undefined;
      }
    }
    const turnsThese = changed > kept ? 0 : 1;
    for (const face of piece) {
      if (flip[face] !== turnsThese) continue;
      turned += 1;
      [result[face * 3 + 1], result[face * 3 + 2]] = [result[face * 3 + 2]!, result[face * 3 + 1]!];
    }
  }
  return { mesh: { vertices, triangles: result, name }, turned };
}

/** Twice the area of a triangle. */
function area2(vertices: Float64Array, triangles: Uint32Array, face: number): number {
  const at = (k: number, axis: number) => vertices[triangles[face * 3 + k]! * 3 + axis]!;
  const [px, py, pz] = [at(1, 0) - at(0, 0), at(1, 1) - at(0, 1), at(1, 2) - at(0, 2)];
  const [qx, qy, qz] = [at(2, 0) - at(0, 0), at(2, 1) - at(0, 1), at(2, 2) - at(0, 2)];
  return Math.hypot(py * qz - pz * qy, pz * qx - px * qz, px * qy - py * qx);
}
