/** Triangles as they come from a file: nine numbers each, mm. */
export interface TriangleSoup {
  /** x, y, z of each corner, triangle after triangle. */
  positions: Float32Array;
  name: string;
}

/** A mesh whose equal corners are one: what can be asked whether it is closed. */
export interface Mesh {
  /** x, y, z of each vertex, mm. */
  vertices: Float64Array;
  /** Three vertices a triangle, counter-clockwise seen from outside. */
  triangles: Uint32Array;
  name: string;
}

/** A file that cannot be read as a mesh: what is wrong, and what would help. */
export class MeshError extends Error {
  constructor(detail: string) {
    super(detail);
    this.name = 'MeshError';
  }
}

export const MOST_TRIANGLES = 5_000_000;
