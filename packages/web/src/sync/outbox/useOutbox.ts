import { useEffect, useSyncExternalStore } from 'react';
import { useSessionQuery } from '../api/accessApi.ts';
import { useAppSelector, useAppStore } from '../store/store.ts';
import { sendable } from './queueRequest.ts';
import { allPending, onKept, type Kept } from './outbox.ts';

const AGAIN_MS = 4000;
const SOON_MS = 800;

/** What this browser keeps that the server has not taken, but for the open brief, which says so itself. */
export function useKept(): readonly Kept[] {
  const kept = useSyncExternalStore(onKept, allPending);
  const openId = useAppSelector(({ draft }) => draft.partId);
  return kept.filter((one) => one.kind !== 'brief' || one.partId !== openId);
}

/** Sends what is kept: when a page is opened, when the network is back, and again and again while there is anything. */
export function useSending(): void {
  const store = useAppStore();
  const { data: session } = useSessionQuery();
  const isIn = session?.state === 'open' || session?.state === 'signed-in';
  const who = session?.accountId ?? null;
  useEffect(() => {
    if (!isIn) return;
    let isOver = false;
    // Soon, but not with the first screen; and not only when it is needed, since the server may be away by then.
    let soon: ReturnType<typeof setTimeout> | undefined;
    const sending = new Promise((resolve) => (soon = setTimeout(resolve, SOON_MS))).then(() => import('./send.ts'));
    const look = () =>
      void sending
        .then(({ sendPending }) => (!isOver && sendable(who).length > 0 ? sendPending(store) : undefined))
        // The server went away before this could be fetched: it comes with the page, the next time.
        .catch(() => undefined);
    look();
    const timer = setInterval(look, AGAIN_MS);
    globalThis.addEventListener('online', look);
    return () => {
      isOver = true;
      clearTimeout(soon);
      clearInterval(timer);
      globalThis.removeEventListener('online', look);
    };
  }, [isIn, who, store]);
}
