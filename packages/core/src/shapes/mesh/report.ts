import type { Statement } from '@anvilstone/schema';
import { mm, say } from '@anvilstone/core/foundations';
import { closureOf } from './edges.ts';
import { MeshError, type Mesh, type TriangleSoup } from './mesh.ts';
import { bedProperties, meshProperties, type BedProperties, type MeshProperties } from './properties.ts';
import { read3mf } from './read3mf.ts';
import { readStl } from './readStl.ts';
import { turnAlike } from './turnAlike.ts';
import { weld } from './weld.ts';

/** Everything that is said of a mesh before anybody cuts it. */
export interface MeshReport extends MeshProperties {
  name: string;
  triangles: number;
  vertices: number;
  bodies: number;
  watertight: boolean;
  /** On the bed as it is drawn, z upwards. */
  bed: BedProperties;
  /** Plain sentences: what is wrong with it, and what that means. */
  notes: readonly Statement[];
}

/** A file that may have been drawn in other units: parts smaller or larger than this are asked about. */
const SMALL_MM = 2;
const LARGE_MM = 2000;

/** Reads a mesh file by what is in it, not by its name. @throws MeshError */
export function readMesh(bytes: Uint8Array, name: string): TriangleSoup {
  // “PK” begins every archive.
  return bytes[0] === 0x50 && bytes[1] === 0x4b ? read3mf(bytes, name) : readStl(bytes, name);
}

/**
 * Welds a mesh, turns it the right way round where it is closed and inside out, and tells what there is to tell.
 * @throws MeshError nothing is left of it
 */
export function meshReport(soup: TriangleSoup): { mesh: Mesh; report: MeshReport } {
  const { mesh: asWelded, degenerate } = weld(soup);
  if (asWelded.triangles.length === 0)
    throw new MeshError('Every triangle has shrunk to a line or a point: nothing is left.');
  const found = closureOf(asWelded);
  // Nothing is made up where the skin has holes.
  const alike = found.flippedEdges > 0 && found.openEdges === 0 ? turnAlike(asWelded) : undefined;
  const welded = alike?.mesh ?? asWelded;
  const closure = alike ? closureOf(welded) : found;
  const asRead = meshProperties(welded);
  const inverted = closure.watertight && asRead.volumeMm3 < 0;
  const mesh = inverted ? turnedInsideOut(welded) : welded;
  const properties = inverted ? meshProperties(mesh) : asRead;
  const notes: Statement[] = [];
  const tell = (count: number, one: string, many: string) => {
    if (count > 0) notes.push(count === 1 ? one : many.replace('#', count.toLocaleString('en')));
  };
  tell(
    closure.openEdges,
    'One edge has a triangle on one side only: the skin has a hole. Volume and mass are not to be trusted.',
    '# edges have a triangle on one side only: the skin has holes. Volume and mass are not to be trusted.',
  );
  tell(
    closure.flippedEdges,
    'Along one edge the triangles face opposite ways: part of the skin is inside out.',
    'Along # edges the triangles face opposite ways: part of the skin is inside out.',
  );
  tell(
    closure.crowdedEdges,
    'More than two triangles meet along one edge: bodies touch there.',
    'More than two triangles meet along # edges: bodies touch there.',
  );
  tell(
    alike?.turned ?? 0,
    'One triangle looked inwards where its neighbours look outwards; it has been turned.',
    '# triangles looked inwards where their neighbours look outwards; they have been turned.',
  );
  if (inverted) notes.push('It was inside out throughout and has been turned.');
  tell(degenerate, 'One triangle without area was left out.', '# triangles without area were left out.');
  if (closure.bodies > 1) notes.push(`It is ${closure.bodies} separate bodies; they are taken together.`);
  const largest = Math.max(...properties.highMm.map((high, axis) => high - properties.lowMm[axis]!));
  if (largest < SMALL_MM)
    notes.push(
      say`Its longest side is ${mm(largest)}. Was it drawn in metres or inches? This kind of file does not say.`,
    );
  if (largest > LARGE_MM)
    notes.push(
      say`Its longest side is ${mm(Math.round(largest))}. Was it drawn in micrometres? This kind of file does not say.`,
    );
  return {
    mesh,
    report: {
      name: soup.name,
      triangles: mesh.triangles.length / 3,
      vertices: mesh.vertices.length / 3,
      bodies: closure.bodies,
      watertight: closure.watertight,
      ...properties,
      bed: bedProperties(mesh, [0, 0, 1]),
      notes,
    },
  };
}

function turnedInsideOut({ vertices, triangles, name }: Mesh): Mesh {
  const turned = triangles.slice();
  for (let i = 0; i < turned.length; i += 3) [turned[i + 1], turned[i + 2]] = [turned[i + 2]!, turned[i + 1]!];
  return { vertices, triangles: turned, name };
}
