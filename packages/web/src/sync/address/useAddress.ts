import { useCallback, useMemo } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { askFor, newestSearch, usePendingSearch } from './newestAddress.ts';

type AddressChange = Record<string, string | null>;
/** A change may be told from what the address says at that moment: a toggle, a step, a list that grows. */
export type SetAddress = (
  change: AddressChange | ((newest: URLSearchParams) => AddressChange),
  replace?: boolean,
) => void;

/**
 * What is set in the address, and a way to set some of it. Both are the newest: what was set a moment ago shows and counts at
 * once, however long the router takes to follow.
 */
export function useAddress(): [URLSearchParams, SetAddress] {
  const [search, write] = useWholeAddress();
  const set = useCallback<SetAddress>(
    (change, replace = false) => {
      const next = new URLSearchParams(newestSearch());
      const changes = typeof change === 'function' ? change(new URLSearchParams(next)) : change;
      for (const [key, value] of Object.entries(changes)) {
        if (value === null || value === '') next.delete(key);
        else next.set(key, value);
      }
      write(next, replace);
    },
    [write],
  );
  return [search, set];
}

/** The same for a page whose address is written as a whole. */
export function useWholeAddress(): [URLSearchParams, (next: URLSearchParams, replace?: boolean) => void] {
  const { pathname, search: shown } = useLocation();
  const navigate = useNavigate();
  const asked = usePendingSearch(pathname);
  const text = asked ?? shown;
  const search = useMemo(() => new URLSearchParams(text), [text]);
  const write = useCallback(
    (next: URLSearchParams, replace = false) => {
      askFor(next);
      void navigate({ search: next.toString() }, { replace });
    },
    [navigate],
  );
  return [search, write];
}
