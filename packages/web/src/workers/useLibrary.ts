import { useMemo } from 'react';
import { useCompanyRulesQuery, useLibraryQuery } from '../sync/api/api.ts';
import type { Workshop } from './workshop.ts';

/** The workshop's grades, machines and rules, as one object that stays the same until one of them changes. */
export function useLibrary(): { library: Workshop | undefined; error: unknown } {
  const library = useLibraryQuery();
  const rules = useCompanyRulesQuery();
  const workshop = useMemo(
    () => (library.data && rules.data ? { ...library.data, rules: rules.data.rules } : undefined),
    [library.data, rules.data],
  );
  return { library: workshop, error: workshop ? undefined : (library.error ?? rules.error) };
}
