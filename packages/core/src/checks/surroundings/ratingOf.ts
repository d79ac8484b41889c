import type { Agent } from '@anvilstone/schema';
import type { Material } from '@anvilstone/core/materials';

const ORDER = ['resistant', 'limited', 'unsuitable', 'unknown'];

/**
 * How a material’s family stands an agent, as it is used: a slow crystalliser off the printer is as open to fluids as its amorphous
 * sister, of whose rating and its own the worse counts. Undefined: the table does not tell.
 */
export function ratingOf({ family, behaviour }: Material, agent: Agent): Agent['ratings'][string] | undefined {
  const own = family && agent.ratings[family.id];
  const sisterId = behaviour?.solidity === 'amorphous' ? family?.printedAmorphous?.fluidsAs : undefined;
  const sister = sisterId === undefined ? undefined : agent.ratings[sisterId];
  if (!own || !sister) return own;
  const worse = ORDER.indexOf(sister.rating) > ORDER.indexOf(own.rating) ? sister : own;
  return { ...worse, stressCrack: own.stressCrack || sister.stressCrack };
}
