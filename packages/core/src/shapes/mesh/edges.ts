import type { Mesh } from './mesh.ts';

/** How the triangles hang together. A closed solid has every edge twice, once each way. */
export interface Closure {
  /** Edges with one triangle only: a hole runs along them. */
  openEdges: number;
  /** Edges with more than two triangles. */
  crowdedEdges: number;
  /** Edges whose two triangles are wound alike: one of them is inside out. */
  flippedEdges: number;
  /** Separate pieces. */
  bodies: number;
  /** Body of each triangle, from 0. */
  bodyOf: Uint32Array;
  watertight: boolean;
}

/** Counts every edge by its two vertices. */
export function closureOf({ triangles, vertices }: Mesh): Closure {
  const faces = triangles.length / 3;
  const size = 2 ** Math.ceil(Math.log2(Math.max(16, faces * 3)));
  const low = new Int32Array(size).fill(-1);
  const high = new Int32Array(size);
  // Uses in the direction low → high, and against it.
  const along = new Uint8Array(size);
  const against = new Uint8Array(size);
  const parent = new Uint32Array(vertices.length / 3).map((_, i) => i);
  const find = (vertex: number): number => {
    let at = vertex;
    while (parent[at] !== at) {
      parent[at] = parent[parent[at]!]!;
      at = parent[at]!;
    }
    return at;
  };
  for (let i = 0; i < triangles.length; i += 3) {
    for (let k = 0; k < 3; k++) {
      const from = triangles[i + k]!;
      const to = triangles[i + ((k + 1) % 3)]!;
      const a = Math.min(from, to);
      const b = Math.max(from, to);
      let slot = ((Math.imul(a, 73856093) ^ Math.imul(b, 19349663)) >>> 0) & (size - 1);
      while (low[slot]! >= 0 && (low[slot] !== a || high[slot] !== b)) slot = (slot + 1) & (size - 1);
      low[slot] = a;
      high[slot] = b;
      const uses = from < to ? along : against;
      if (uses[slot]! < 255) uses[slot]! += 1;
      parent[find(a)] = find(b);
    }
  }
  let [openEdges, crowdedEdges, flippedEdges] = [0, 0, 0];
  for (let slot = 0; slot < size; slot++) {
    if (low[slot]! < 0) continue;
    const total = along[slot]! + against[slot]!;
    if (total === 1) openEdges += 1;
    else if (along[slot] !== against[slot]) {
      if (total === 2) flippedEdges += 1;
      else crowdedEdges += 1;
    } else if (total > 2) crowdedEdges += 1;
  }
  const numbers = new Map<number, number>();
  const bodyOf = new Uint32Array(faces);
  for (let face = 0; face < faces; face++) {
    const root = find(triangles[face * 3]!);
    let body = numbers.get(root);
    if (body === undefined) numbers.set(root, (body = numbers.size));
    bodyOf[face] = body;
  }
  return {
    openEdges,
    crowdedEdges,
    flippedEdges,
    bodies: numbers.size,
    bodyOf,
    // Four triangles along one edge still enclose a volume: two bodies that touch there.
    watertight: openEdges === 0 && flippedEdges === 0,
  };
}
