import { ORIENTATIONS, type BuildOrientation, type PartGeometry } from '@anvilstone/schema';
import { partBody } from './models.ts';
import { LAYER_NORMAL, type PartAxis } from './direction.ts';

/** Where two edges are alike, the standard names stay as the models count them. */
const IN_ORDER: readonly PartAxis[] = ['depth', 'width', 'length'];

type Names = Readonly<Record<BuildOrientation, BuildOrientation>>;
const AS_COUNTED: Names = { XY: 'XY', XZ: 'XZ', ZX: 'ZX' };
const known = new WeakMap<PartGeometry, Names>();

/**
 * What a build orientation of a part is called by how the part lies on the bed: XY flat, its shortest edge up; XZ on edge, its middle one;
 * ZX upright, its longest. The models count along their own axes, depth, width and length, whichever of them is the longest.
 * Source: ISO/ASTM 52921, orthogonal orientation notation. A part whose dimensions cannot be used keeps the names as counted.
 */
export function builtAs(part: PartGeometry, orientation: BuildOrientation): BuildOrientation {
  let names = known.get(part);
  if (!names) known.set(part, (names = namesOf(part)));
  return names[orientation];
}

/** The orientation of a part that is called so. */
export const countedAs = (part: PartGeometry, name: BuildOrientation): BuildOrientation =>
  ORIENTATIONS.find((one) => builtAs(part, one) === name)!;

function namesOf(part: PartGeometry): Names {
  let extentMm: Record<PartAxis, number>;
  try {
    ({ extentMm } = partBody(part));
  } catch {
    return AS_COUNTED;
  }
  const up = [...IN_ORDER].sort((a, b) => extentMm[a] - extentMm[b]);
  const nameOf = (orientation: BuildOrientation) => ORIENTATIONS[up.indexOf(LAYER_NORMAL[orientation])]!;
  return { XY: nameOf('XY'), XZ: nameOf('XZ'), ZX: nameOf('ZX') };
}

export const LIES: Readonly<Record<BuildOrientation, string>> = { XY: 'flat', XZ: 'on edge', ZX: 'upright' };

/** Such as “XY flat”. */
export function orientationName(part: PartGeometry, orientation: BuildOrientation): string {
  const name = builtAs(part, orientation);
  return `${name} ${LIES[name]}`;
}

/** All three, in the order flat, on edge, upright. */
export const orientationsByName = (part: PartGeometry): readonly BuildOrientation[] =>
  ORIENTATIONS.map((name) => countedAs(part, name));
