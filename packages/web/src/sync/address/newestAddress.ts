import { useEffect, useSyncExternalStore } from 'react';
import { useLocation } from 'react-router';

/** The search part that was asked for last, while the browser and the router still have one from before it. */
interface Pending {
  path: string;
  /** What the address said since, on the way there: none of it is newer. */
  passed: Set<string>;
  search: string;
}

let pending: Pending | undefined;
const listeners = new Set<() => void>();
const tell = () => listeners.forEach((listener) => listener());

/** Whether `search` differs from another only in how it is written. */
const plain = (search: string) => new URLSearchParams(search).toString();

/**
 * What the address says, or will once the router has caught up. The router shows a change when the page has time for it, so that
 * the next change must not start from what is shown: on a slow page it would take back the one before.
 */
export function newestSearch(): string {
  const { pathname, search } = globalThis.location;
  const now = plain(search);
  return pending && pending.path === pathname && pending.passed.has(now) ? pending.search : now;
}

/** Notes what the router is about to be asked for; what reads the address shows it at once. */
export function askFor(search: URLSearchParams): void {
  const { pathname, search: shown } = globalThis.location;
  const before = newestSearch();
  const passed = pending?.path === pathname && pending.search === before ? pending.passed : new Set<string>();
  pending = { path: pathname, passed: passed.add(plain(shown)).add(before), search: search.toString() };
  pending.passed.delete(pending.search);
  tell();
}

/** For the frame around all pages: what was asked for has arrived once the router shows it, and is void once it shows another page. */
export function useArrivals(): void {
  const { pathname, search } = useLocation();
  useEffect(() => arrived(pathname, search), [pathname, search]);
  // Without the frame nobody will say that it has arrived.
  useEffect(
    () => () => {
      pending = undefined;
    },
    [],
  );
}

function arrived(path: string, search: string): void {
  if (!pending || (pending.path === path && pending.passed.has(plain(search)))) return;
  pending = undefined;
  tell();
}

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** The search part asked for on this page and not shown yet; undefined where there is none. */
export function usePendingSearch(path: string): string | undefined {
  const text = () => (pending?.path === path ? pending.search : undefined);
  return useSyncExternalStore(subscribe, text, () => undefined);
}
