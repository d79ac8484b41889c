import {
  ALONG,
  angleToLayersDeg,
  dot,
  type Direction,
  type PartResponse,
  type StressPlace,
} from '@anvilstone/core/shapes';

/** How a place is stressed, seen from the layers. */
type LayerStressMode = 'pull' | 'squeeze' | 'shear' | 'pull-apart' | 'slide';

/** One stress that one strength has to bear. */
export interface LayerStress {
  place: StressPlace;
  mode: LayerStressMode;
  /** MPa per unit of the action. */
  stressPerUnit: number;
  /** Of the stress to the layer plane, 0 … 90°. */
  angleDeg: number;
  /** Share of the bending that the print is left with beside continuous strands. */
  relief?: number;
}

/** What the material bears within its layers, and what tries to part them. */
export interface LayerStressPlaces {
  inPlane: readonly LayerStress[];
  across: readonly LayerStress[];
}

/** Less than this out of the layer plane is within it. */
const IN_PLANE_DEG = 0.5;

/**
 * Sorts a part's stressed places by what must bear them when it is built up along `up`. Of several within the layers that
 * the same strength bears, only the largest is kept: the others can never govern.
 */
export function layerStressesOf(response: PartResponse, up: Direction): LayerStressPlaces {
  const inPlane = new Map<LayerStressMode, LayerStress>();
  const across: LayerStress[] = [];
  const keepWorst = (layerStress: LayerStress) => {
    const known = inPlane.get(layerStress.mode);
    if (!known || known.stressPerUnit < layerStress.stressPerUnit) inPlane.set(layerStress.mode, layerStress);
  };
  for (const place of response.places) {
    const angleDeg = angleToLayersDeg(place.direction, up);
    if (place.tensionPerUnit > 0) {
      const stressPerUnit = place.tensionPerUnit;
      if (angleDeg < IN_PLANE_DEG) keepWorst({ place, mode: 'pull', stressPerUnit, angleDeg: 0 });
      else across.push({ place, mode: 'pull-apart', stressPerUnit, angleDeg });
    }
    // A fibre bent to and fro across the layers parts in tension long before it is crushed.
    const partsFirst = angleDeg >= IN_PLANE_DEG && place.tensionPerUnit >= place.compressionPerUnit;
    if (place.compressionPerUnit > 0 && !partsFirst)
      keepWorst({ place, mode: 'squeeze', stressPerUnit: place.compressionPerUnit, angleDeg });
    if (place.shearPerUnit > 0) {
      const sheared = shearOnLayers(place, up);
      if (sheared.length === 0) keepWorst({ place, mode: 'shear', stressPerUnit: place.shearPerUnit, angleDeg: 0 });
      else across.push(...sheared);
    }
  }
  return { inPlane: [...inPlane.values()], across };
}

/** Less of a direction than this, the sine of half a degree, is none of it. */
const NOT_AT_ALL = Math.sin((IN_PLANE_DEG * Math.PI) / 180);

/**
 * What a shear does to the layers: it slides them by its share on their plane, the length of the traction it leaves there.
 * Layers that lie askew between the two planes of a shear are also pulled apart by its tension at 45° (τ along (a ± b)/√2,
 * Mohr’s circle); which of the two diagonals is pulled depends on the load’s sign, so the one steeper to the layers is taken.
 */
function shearOnLayers(place: StressPlace, up: Direction): LayerStress[] {
  const shares = place.shearPlanes.map((axis) => dot(ALONG[axis], up)).filter((share) => Math.abs(share) > NOT_AT_ALL);
  if (shares.length === 0) return [];
  const share = Math.min(1, Math.hypot(...shares));
  const slide: LayerStress = { place, mode: 'slide', stressPerUnit: place.shearPerUnit * share, angleDeg: 90 };
  if (shares.length === 1) return [slide];
  const [a, b] = [...shares].map(Math.abs).sort((x, y) => y - x) as [number, number];
  const angleDeg = (Math.asin(Math.min(1, (a + b) / Math.SQRT2)) * 180) / Math.PI;
  return [slide, { place, mode: 'pull-apart', stressPerUnit: place.shearPerUnit, angleDeg }];
}
