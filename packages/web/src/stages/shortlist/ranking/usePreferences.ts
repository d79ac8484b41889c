import { readPreferences, type ChoiceRules, type RankingPreferences } from '@anvilstone/core/evaluation';
import { useMemo } from 'react';
import { useSearchParams } from 'react-router';

/** How one wants to choose, from the address; without it as the company rules say. */
export function usePreferences(rules: ChoiceRules): RankingPreferences {
  const [search] = useSearchParams();
  const [rankingMethod, weights, sure] = ['school', 'weights', 'sure'].map((key) => search.get(key) ?? undefined);
  return useMemo(
    () =>
      readPreferences(
        {
          ...(rankingMethod ? { school: rankingMethod } : {}),
          ...(weights ? { weights } : {}),
          ...(sure ? { sure } : {}),
        },
        rules,
      ),
    [rankingMethod, weights, sure, rules],
  );
}
