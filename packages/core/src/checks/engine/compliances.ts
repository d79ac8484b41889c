import type { PreparedPart } from './check.ts';
import { complianceOf, type Compliance } from './compliance.ts';
import type { Material } from '@anvilstone/core/materials';
import { reinforcementOf } from './reinforced.ts';

/** How far a part moves in each direction of its loads, with the strands it has. */
export function compliancesOf(part: PreparedPart, material: Material): Compliance[] {
  // Asked for every grade in every build orientation, and hardly any part has strands.
  if (!part.fibre) return part.responses.map((response) => complianceOf(response, material, part.up));
  return part.responses.map((response, index) => {
    const load = part.loads.find(({ directionIndex }) => directionIndex === index);
    const reinforcement = reinforcementOf(part, material, load?.loadCase.direction ?? 'depth');
    return complianceOf(response, material, part.up, reinforcement);
  });
}
