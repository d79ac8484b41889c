/** Volume, area and closedness of a binary STL, triangle by triangle, with an object for each. */
interface Point {
  x: number;
  y: number;
  z: number;
}
export interface PlainMesh {
  triangles: number;
  volumeMm3: number;
  areaMm2: number;
  closed: boolean;
}

export function readPlainly(bytes: Uint8Array): PlainMesh {
  const view = new DataView(bytes.buffer, bytes.byteOffset);
  const count = view.getUint32(80, true);
  const triangles: [Point, Point, Point][] = [];
  for (let i = 0; i < count; i++) {
    const corner = (k: number): Point => {
      const at = 84 + 50 * i + 12 + 12 * k;
      return { x: view.getFloat32(at, true), y: view.getFloat32(at + 4, true), z: view.getFloat32(at + 8, true) };
    };
    triangles.push([corner(0), corner(1), corner(2)]);
  }
  let volumeMm3 = 0;
  let areaMm2 = 0;
  const edges = new Map<string, number>();
  const name = ({ x, y, z }: Point) => `${x},${y},${z}`;
  for (const [a, b, c] of triangles) {
    const cross = {
      x: (b.y - a.y) * (c.z - a.z) - (b.z - a.z) * (c.y - a.y),
      y: (b.z - a.z) * (c.x - a.x) - (b.x - a.x) * (c.z - a.z),
      z: (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x),
    };
    areaMm2 += Math.hypot(cross.x, cross.y, cross.z) / 2;
    volumeMm3 += (a.x * (b.y * c.z - b.z * c.y) + a.y * (b.z * c.x - b.x * c.z) + a.z * (b.x * c.y - b.y * c.x)) / 6;
    for (const [from, to] of [
      [a, b],
      [b, c],
      [c, a],
    ] as const) {
      const there = `${name(from)} ${name(to)}`;
      const back = `${name(to)} ${name(from)}`;
      if (edges.has(back)) edges.delete(back);
      else edges.set(there, 1);
    }
  }
  return { triangles: count, volumeMm3, areaMm2, closed: edges.size === 0 };
}
