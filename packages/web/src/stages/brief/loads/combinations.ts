import { combinableLoads, withCombinations } from '@anvilstone/core/shapes';
import type { Brief, LoadCombination } from '@anvilstone/schema';

/** All loads at the same time, under an id that neither a load nor another combination has. */
export function withNewCombination(brief: Brief): Brief {
  const { combinations = [], loadCases } = brief;
  const taken = new Set([...combinations, ...loadCases].map(({ id }) => id));
  let number = combinations.length + 1;
  while (taken.has(`together-${number}`)) number += 1;
  const loadIds = combinableLoads(brief).map(({ id }) => id);
  return withCombinations(brief, [...combinations, { id: `together-${number}`, loadIds }]);
}

export function withCombination(brief: Brief, id: string, change: Partial<LoadCombination>): Brief {
  const next = (brief.combinations ?? []).map((one) => {
    if (one.id !== id) return one;
    const { maxMovementMm: _limit, ...others } = one;
    return 'maxMovementMm' in change && change.maxMovementMm === undefined ? others : { ...one, ...change };
  });
  return withCombinations(brief, next);
}

export const withoutCombination = (brief: Brief, id: string): Brief =>
  withCombinations(
    brief,
    (brief.combinations ?? []).filter((one) => one.id !== id),
  );
