import { MeshError, MOST_TRIANGLES, type TriangleSoup } from './mesh.ts';

const HEADER = 80;
const RECORD = 50;

/**
 * A stereolithography file, binary or text. Stated normals are passed over: the corners' order says which side is outside.
 * @throws MeshError empty, truncated, not such a file, or with corners that are no numbers
 */
export function readStl(bytes: Uint8Array, name: string): TriangleSoup {
  if (bytes.length === 0) throw new MeshError('The file is empty.');
  // Binary files may begin with “solid” too: what decides is whether the length fits the stated count.
  const count = bytes.length >= HEADER + 4 ? new DataView(bytes.buffer, bytes.byteOffset).getUint32(HEADER, true) : 0;
  const fits = bytes.length === HEADER + 4 + count * RECORD;
  if (!fits && startsWithSolid(bytes)) return readText(bytes, name);
  if (bytes.length < HEADER + 4)
    throw new MeshError('The file is too short to be a mesh: an STL has 84 bytes at least.');
  return readBinary(bytes, count, name);
}

function startsWithSolid(bytes: Uint8Array): boolean {
  return new TextDecoder('latin1').decode(bytes.subarray(0, 64)).trimStart().toLowerCase().startsWith('solid');
}

function readBinary(bytes: Uint8Array, count: number, name: string): TriangleSoup {
  const there = Math.floor((bytes.length - HEADER - 4) / RECORD);
  if (count === 0) throw new MeshError('The file holds no triangle.');
  if (there < count)
    throw new MeshError(
      `The file is cut off: it announces ${count.toLocaleString('en')} triangles and holds ${there.toLocaleString('en')}. Export it again.`,
    );
  refuseTooMany(count);
  const view = new DataView(bytes.buffer, bytes.byteOffset);
  const positions = new Float32Array(count * 9);
  for (let triangle = 0; triangle < count; triangle++) {
    // Twelve bytes of normal come first, two of attributes last.
    const from = HEADER + 4 + triangle * RECORD + 12;
    for (let k = 0; k < 9; k++) positions[triangle * 9 + k] = view.getFloat32(from + 4 * k, true);
  }
  refuseNoNumbers(positions);
  return { positions, name };
}

const VERTEX = /vertex\s+(\S+)\s+(\S+)\s+(\S+)/gi;

function readText(bytes: Uint8Array, name: string): TriangleSoup {
  const text = new TextDecoder('utf8').decode(bytes);
  const found: number[] = [];
  for (const [, x, y, z] of text.matchAll(VERTEX)) {
    found.push(Number(x), Number(y), Number(z));
    if (found.length > MOST_TRIANGLES * 9) refuseTooMany(MOST_TRIANGLES + 1);
  }
  if (found.length === 0) throw new MeshError('The file holds no triangle.');
  if (found.length % 9 !== 0 || !/endsolid/i.test(text.slice(-400)))
    throw new MeshError('The file is cut off: its last triangle or its end is missing. Export it again.');
  const positions = Float32Array.from(found);
  refuseNoNumbers(positions);
  return { positions, name };
}

export function refuseTooMany(count: number): void {
  if (count > MOST_TRIANGLES)
    throw new MeshError(
      `More than ${MOST_TRIANGLES.toLocaleString('en')} triangles: export it with a coarser tolerance, 0.05 mm is plenty.`,
    );
}

export function refuseNoNumbers(positions: ArrayLike<number>): void {
  for (let i = 0; i < positions.length; i++)
    if (!Number.isFinite(positions[i]))
      throw new MeshError(`Triangle ${Math.floor(i / 9) + 1} has a corner that is no number. Export it again.`);
}
