import { unpack, zipEntryNames } from '@anvilstone/core/foundations';
import { MeshError, type TriangleSoup } from './mesh.ts';
import { refuseNoNumbers, refuseTooMany } from './readStl.ts';

/** Millimetres in each unit of the standard. */
const UNIT_MM: Record<string, number> = {
  micron: 0.001,
  millimeter: 1,
  centimeter: 10,
  inch: 25.4,
  foot: 304.8,
  meter: 1000,
};
const MODEL = /(^|\/)3dmodel\.model$|\.model$/i;
const TAG = /<(\/?)(?:\w+:)?(model|object|vertex|triangle|item|component|mesh)\b([^>]*)>/g;

type Matrix = readonly number[];
const IDENTITY: Matrix = [1, 0, 0, 0, 1, 0, 0, 0, 1, 0, 0, 0];

interface Body {
  vertices: number[];
  triangles: number[];
  components: { id: string; matrix: Matrix }[];
}

/**
 * A 3D Manufacturing Format package: its unit, its bodies with the places the build gives them, components of bodies included.
 * Read without an XML tree: a million triangles would make one of gigabytes.
 * @throws MeshError no such package, without a model, or one that refers to what is not there
 */
export function read3mf(bytes: Uint8Array, name: string): TriangleSoup {
  const text = modelText(bytes);
  if (/<!ENTITY|<!DOCTYPE/i.test(text)) throw new MeshError('The model declares entities, which is not read.');
  const { unitMm, bodies, items } = scan(text);
  const soup: number[] = [];
  const place = (id: string, matrix: Matrix, depth: number) => {
    const body = bodies.get(id);
    if (!body) throw new MeshError(`The model refers to object ${id}, which is not in it.`);
    if (depth > 16) throw new MeshError('The model’s components contain each other.');
    for (const component of body.components) place(component.id, times(component.matrix, matrix), depth + 1);
    for (const vertex of body.triangles) {
      const at = vertex * 3;
      if (!(at + 2 < body.vertices.length))
        throw new MeshError(`Object ${id} has a triangle without its corner ${vertex}.`);
      const [x, y, z] = [body.vertices[at]!, body.vertices[at + 1]!, body.vertices[at + 2]!];
      for (let axis = 0; axis < 3; axis++)
        soup.push(unitMm * (x * matrix[axis]! + y * matrix[3 + axis]! + z * matrix[6 + axis]! + matrix[9 + axis]!));
    }
    refuseTooMany(soup.length / 9);
  };
  // Without a build everything is where it was drawn.
  const placed = items.length > 0 ? items : [...bodies.keys()].map((id) => ({ id, matrix: IDENTITY }));
  for (const { id, matrix } of placed) place(id, matrix, 0);
  if (soup.length === 0) throw new MeshError('The model holds no triangle.');
  refuseNoNumbers(soup);
  return { positions: Float32Array.from(soup), name };
}

function modelText(bytes: Uint8Array): string {
  let files: Map<string, Uint8Array>;
  try {
    const [entry] = zipEntryNames(bytes).filter((one) => MODEL.test(one));
    if (entry === undefined) throw new MeshError('The package holds no model.');
    files = unpack(bytes, (one) => one === entry);
    return new TextDecoder('utf8').decode(files.get(entry));
  } catch (error) {
    if (error instanceof MeshError) throw error;
    const detail = error instanceof Error ? error.message.split('. ')[0]! : String(error);
    throw new MeshError(`The package cannot be unpacked. ${detail.replace(/\.?$/, '.')}`);
  }
}

function scan(text: string) {
  let unitMm = 1;
  const bodies = new Map<string, Body>();
  const items: { id: string; matrix: Matrix }[] = [];
  let body: Body | undefined;
  for (const [, closing, tag, attributes] of text.matchAll(TAG)) {
    if (closing) {
      if (tag === 'object') body = undefined;
      continue;
    }
    const value = (name: string) => new RegExp(`\\b${name}\\s*=\\s*["']([^"']*)["']`).exec(attributes!)?.[1];
    switch (tag) {
      case 'model': {
        const unit = value('unit') ?? 'millimeter';
        if (!(unit in UNIT_MM))
          throw new MeshError(
            `The model’s unit “${unit}” is none of the format’s: ${Object.keys(UNIT_MM).join(', ')}.`,
          );
        unitMm = UNIT_MM[unit]!;
        break;
      }
      case 'object':
        body = { vertices: [], triangles: [], components: [] };
        bodies.set(value('id') ?? '', body);
        break;
      case 'vertex':
        body?.vertices.push(Number(value('x')), Number(value('y')), Number(value('z')));
        break;
      case 'triangle':
        body?.triangles.push(Number(value('v1')), Number(value('v2')), Number(value('v3')));
        break;
      case 'component':
        body?.components.push({ id: value('objectid') ?? '', matrix: matrixOf(value('transform')) });
        break;
      case 'item':
        items.push({ id: value('objectid') ?? '', matrix: matrixOf(value('transform')) });
        break;
      default:
        // A mesh only holds the others together.
        break;
    }
  }
  return { unitMm, bodies, items };
}

/** Twelve numbers: three rows of axes, then the move. */
function matrixOf(text: string | undefined): Matrix {
  if (text === undefined) return IDENTITY;
  const numbers = text.trim().split(/\s+/).map(Number);
  if (numbers.length !== 12 || !numbers.every(Number.isFinite))
    throw new MeshError(`The transform “${text.slice(0, 60)}” is not twelve numbers.`);
  return numbers;
}

/** First a, then b. */
function times(a: Matrix, b: Matrix): Matrix {
  const found: number[] = [];
  for (let row = 0; row < 4; row++)
    for (let column = 0; column < 3; column++) {
      let sum = row === 3 ? b[9 + column]! : 0;
      for (let k = 0; k < 3; k++) sum += a[row * 3 + k]! * b[k * 3 + column]!;
      found.push(sum);
    }
  return found;
}
