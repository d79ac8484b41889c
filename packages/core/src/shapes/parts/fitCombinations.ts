import type { Brief, LoadCombination } from '@anvilstone/schema';

/** A combination needs two loads; one that is left with fewer goes. */
const FEWEST = 2;

/** A brief with these combinations, and without the field where there are none. */
export function withCombinations(brief: Brief, combinations: readonly LoadCombination[]): Brief {
  const { combinations: _before, ...rest } = brief;
  return combinations.length === 0 ? rest : { ...rest, combinations: [...combinations] };
}

/** Loads that may act together: forces, torques, pressures and knocks, not what is bent or turned by a set amount. */
export const combinableLoads = ({ loadCases }: Pick<Brief, 'loadCases'>) =>
  loadCases.filter(({ displacementMm, angleDeg }) => displacementMm === undefined && angleDeg === undefined);

/** What is left of the combinations when loads have gone or are no longer forces. */
export function fitCombinations(brief: Brief): Brief {
  if (!brief.combinations) return brief;
  const may = new Set(combinableLoads(brief).map(({ id }) => id));
  const left = brief.combinations
    .map((one) => ({ ...one, loadIds: one.loadIds.filter((id) => may.has(id)) }))
    .filter(({ loadIds }) => loadIds.length >= FEWEST);
  return withCombinations(brief, left);
}
