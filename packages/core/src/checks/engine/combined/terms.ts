import type { Direction } from '@anvilstone/core/shapes';
import { layerStressesOf, type LayerStress } from '../layerStress.ts';
import type { PreparedLoad, PreparedPart } from '../check.ts';

/** What one load of a combination does at a place. `index` is its number in the combination. */
export interface Term {
  index: number;
  layerStress: LayerStress;
}

/** One stress at one place, and every load that adds to it. */
export interface StressedPlace {
  terms: readonly Term[];
}

const known = new WeakMap<PreparedPart, Map<string, readonly StressedPlace[]>>();

/** The places that a combination stresses, each with what every load adds there; the same for every grade. */
export function stressedPlaces(part: PreparedPart, combination: PreparedLoad): readonly StressedPlace[] {
  let ofPart = known.get(part);
  if (!ofPart) known.set(part, (ofPart = new Map<string, readonly StressedPlace[]>()));
  const { id } = combination.loadCase;
  let places = ofPart.get(id);
  if (!places) ofPart.set(id, (places = placesOf(combination.together!, part.up)));
  return places;
}

function placesOf(loads: readonly PreparedLoad[], up: Direction): StressedPlace[] {
  const places = new Map<string, Term[]>();
  loads.forEach((load, index) => {
    // Place by place: the largest within the layers need not be where another load is at its largest.
    for (const place of load.response.places) {
      const { inPlane, across } = layerStressesOf({ ...load.response, places: [place] }, up);
      for (const layerStress of [...inPlane, ...across]) {
        const key = `${place.id} ${layerStress.mode}`;
        const terms = places.get(key);
        if (terms) terms.push({ index, layerStress });
        else places.set(key, [{ index, layerStress }]);
      }
    }
  });
  return [...places.values()].map((terms) => ({ terms }));
}
