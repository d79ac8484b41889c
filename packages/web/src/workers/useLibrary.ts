import type { Library } from '@anvilstone/schema';
import { useMemo } from 'react';
import { useGradesQuery, useMachinesQuery } from '../app/api.ts';

/** The workshop's grades and machines, as one object that stays the same until one of them changes. */
export function useLibrary(): { library: Library | undefined; error: unknown } {
  const grades = useGradesQuery();
  const machines = useMachinesQuery();
  const library = useMemo(
    () => (grades.data && machines.data ? { grades: grades.data, machines: machines.data } : undefined),
    [grades.data, machines.data],
  );
  return { library, error: library ? undefined : (grades.error ?? machines.error) };
}
