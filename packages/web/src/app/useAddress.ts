import { useCallback } from 'react';
import { useSearchParams } from 'react-router';

export type SetAddress = (change: Record<string, string | null>, replace?: boolean) => void;

/**
 * What is set in the address, and a way to set some of it. A change starts from the address as it stands in the browser and
 * not from the last picture of it: two changes shortly after each other both hold, where the router alone would let the
 * second bring back what the first took away.
 */
export function useAddress(): [URLSearchParams, SetAddress] {
  const [search, setSearch] = useSearchParams();
  const set = useCallback<SetAddress>(
    (change, replace = false) => {
      const next = new URLSearchParams(globalThis.location.search);
      for (const [key, value] of Object.entries(change)) {
        if (value === null || value === '') next.delete(key);
        else next.set(key, value);
      }
      setSearch(next, { replace });
    },
    [setSearch],
  );
  return [search, set];
}
