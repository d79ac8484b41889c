import type { Material } from '@anvilstone/core/materials';
import { ALONG, type BendingDirection, stiffened, stiffenedPulled, type Reinforcement } from '@anvilstone/core/shapes';
import type { LayerStressPlaces, LayerStress } from './layerStress.ts';
import type { PreparedPart } from './check.ts';
import { modulusAlong } from './compliance.ts';

/** Undefined: no strands are laid, or the print’s modulus is not known. */
export function reinforcementOf(
  { fibre, up }: PreparedPart,
  material: Material,
  direction: BendingDirection,
): Reinforcement | undefined {
  const strands = fibre?.bending[direction];
  if (!fibre || !strands) return undefined;
  const modulus = modulusAlong(material, ALONG.length, up);
  return modulus.known ? { ...strands, strandMPa: fibre.tow.e1Mpa, printMPa: modulus.value } : undefined;
}

/**
 * The stressed places with what the strands take off the bent and pulled ones. Taken at 23 °C and at once, where the print bears the
 * largest share: as it softens, the strands take more.
 */
export function relievedLayerStresses(part: PreparedPart, material: Material): readonly LayerStressPlaces[] {
  if (!part.fibre) return part.layerStresses;
  return part.layerStresses.map((places, index) => {
    const load = part.loads.find(({ directionIndex }) => directionIndex === index);
    const reinforcement = reinforcementOf(part, material, load?.loadCase.direction ?? 'depth');
    if (!reinforcement) return places;
    const [bent, pulled] = [1 / stiffened(reinforcement), 1 / stiffenedPulled(reinforcement)];
    const relieve = (layerStress: LayerStress): LayerStress => {
      const { bentShare } = layerStress.place;
      if (bentShare === undefined) return layerStress;
      const relief = bent * bentShare + pulled * (1 - bentShare);
      return { ...layerStress, stressPerUnit: layerStress.stressPerUnit * relief, relief };
    };
    return { inPlane: places.inPlane.map(relieve), across: places.across.map(relieve) };
  });
}
