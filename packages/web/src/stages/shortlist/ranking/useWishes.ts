import { readWishes, type ChoiceRules, type RankingWishes } from '@anvilstone/core/evaluation';
import { useMemo } from 'react';
import { useSearchParams } from 'react-router';

/** How one wants to choose, from the address; without it as the company rules say. */
export function useWishes(rules: ChoiceRules): RankingWishes {
  const [search] = useSearchParams();
  const [school, weights, sure] = ['school', 'weights', 'sure'].map((key) => search.get(key) ?? undefined);
  return useMemo(
    () =>
      readWishes({ ...(school ? { school } : {}), ...(weights ? { weights } : {}), ...(sure ? { sure } : {}) }, rules),
    [school, weights, sure, rules],
  );
}
