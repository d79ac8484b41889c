import type { Mesh, TriangleSoup } from './mesh.ts';

/** Corners closer than this share of the largest coordinate are one: the files keep about seven digits. */
const SAME_SHARE = 2e-6;

/** Makes one vertex of all corners at one place; triangles that shrink to a line or a point by it are left out. */
export function weld({ positions, name }: TriangleSoup): { mesh: Mesh; degenerate: number } {
  const corners = positions.length / 3;
  let largest = 0;
  for (let i = 0; i < positions.length; i++) largest = Math.max(largest, Math.abs(positions[i]!));
  const cell = Math.max(largest * SAME_SHARE, 1e-9);
  const size = 2 ** Math.ceil(Math.log2(Math.max(16, corners * 2)));
  const table = new Int32Array(size).fill(-1);
  const vertexOf = new Uint32Array(corners);
  const vertices = new Float64Array(positions.length);
  const keys = new Int32Array(positions.length);
  let count = 0;
  for (let corner = 0; corner < corners; corner++) {
    // No lists in here: a million triangles would make millions of them.
    const x = positions[corner * 3]!;
    const y = positions[corner * 3 + 1]!;
    const z = positions[corner * 3 + 2]!;
    const kx = Math.round(x / cell);
    const ky = Math.round(y / cell);
    const kz = Math.round(z / cell);
    let slot = hash(kx, ky, kz) & (size - 1);
    for (;;) {
      const known = table[slot]!;
      if (known < 0) {
        table[slot] = count;
        vertices[count * 3] = x;
        vertices[count * 3 + 1] = y;
        vertices[count * 3 + 2] = z;
        keys[count * 3] = kx;
        keys[count * 3 + 1] = ky;
        keys[count * 3 + 2] = kz;
        vertexOf[corner] = count++;
        break;
      }
      if (keys[known * 3] === kx && keys[known * 3 + 1] === ky && keys[known * 3 + 2] === kz) {
        vertexOf[corner] = known;
        break;
      }
      slot = (slot + 1) & (size - 1);
    }
  }
  const triangles = new Uint32Array(corners);
  let used = 0;
  for (let i = 0; i < corners; i += 3) {
    const a = vertexOf[i]!;
    const b = vertexOf[i + 1]!;
    const c = vertexOf[i + 2]!;
    if (a === b || b === c || c === a) continue;
    triangles[used++] = a;
    triangles[used++] = b;
    triangles[used++] = c;
  }
  return {
    mesh: { vertices: vertices.slice(0, count * 3), triangles: triangles.slice(0, used), name },
    degenerate: (corners - used) / 3,
  };
}

function hash(x: number, y: number, z: number): number {
  return (Math.imul(x, 73856093) ^ Math.imul(y, 19349663) ^ Math.imul(z, 83492791)) >>> 0;
}
