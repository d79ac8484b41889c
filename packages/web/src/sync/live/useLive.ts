import type { LiveEvent } from '@anvilstone/schema';
import { useEffect } from 'react';
import { useSessionQuery } from '../api/accessApi.ts';
import { api } from '../api/api.ts';
import { remoteChangeReceived } from '../drafts/draft.ts';
import { TAB } from '../address/place.ts';
import { useAppDispatch, useAppStore } from '../store/store.ts';
import { hearTogether } from './hearTogether.ts';
import { tagsOf, type LiveTag } from './tags.ts';

/** Several changes that come together are read anew together. */
const GATHER_MS = 300;
/** While somebody types elsewhere, lists are read anew this often and no more: what is worked out from them takes a while. */
const LISTS_EVERY_MS = 3000;

/** Hears what others change and has it read anew; an open brief meets the newer one at once. */
export function useLive(): void {
  const { data: session } = useSessionQuery();
  const isIn = session?.state === 'open' || session?.state === 'signed-in';
  const dispatch = useAppDispatch();
  const store = useAppStore();
  useEffect(() => {
    if (!isIn) return;
    let waiting: LiveEvent[] = [];
    let timer: ReturnType<typeof setTimeout> | undefined;
    let listTimer: ReturnType<typeof setTimeout> | undefined;
    let listsReadMs = 0;
    const outdated = new Set<LiveTag>();
    const readLists = () => {
      listTimer = undefined;
      listsReadMs = Date.now();
      dispatch(api.util.invalidateTags([...outdated, 'Change']));
      outdated.clear();
    };
    const meet = async (events: readonly LiveEvent[]) => {
      const { partId, revision } = store.getState().draft;
      const mine = events.filter(
        ({ kind, record, tab }) => kind === '*' || (kind === 'parts' && record === partId && tab !== TAB),
      );
      const isNewer = mine.some((one) => one.kind === '*' || (one.revision ?? 0) > revision);
      if (!partId || !isNewer) return;
      const part = await dispatch(
        api.endpoints.part.initiate(partId, { forceRefetch: true, subscribe: false }),
      ).unwrap();
      dispatch(remoteChangeReceived({ part, who: mine.at(-1)?.who }));
    };
    const take = () => {
      timer = undefined;
      const events = waiting;
      waiting = [];
      for (const tag of tagsOf(events, TAB)) outdated.add(tag);
      if (outdated.size > 0)
        listTimer ??= setTimeout(readLists, Math.max(0, listsReadMs + LISTS_EVERY_MS - Date.now()));
      // A part that was removed meanwhile says so when it is next saved.
      void meet(events).catch(() => undefined);
      const places = events.filter(({ kind }) => kind === 'presence').map(({ record }) => record);
      if (places.length > 0) globalThis.dispatchEvent(new CustomEvent(PRESENCE, { detail: places }));
    };
    const stop = hearTogether((events) => {
      waiting.push(...events);
      timer ??= setTimeout(take, GATHER_MS);
    });
    return () => {
      clearTimeout(timer);
      clearTimeout(listTimer);
      stop();
    };
  }, [isIn, dispatch, store]);
}

/** Somebody came to or left a place: its detail lists the places. */
export const PRESENCE = 'anvilstone-presence';
