import type { Brief, Problem } from '@anvilstone/schema';
import { createStore, entries, type UseStore } from 'idb-keyval';

interface Of {
  id: string;
  /** Workspace it belongs to, as it stands before addresses; empty: the first. */
  prefix: string;
  /** Account that made it, under whose name alone it is sent; null: made before there was anybody to sign in. */
  who: string | null;
  atMs: number;
  /** What it is, in words. */
  what: string;
  /** Where it was made. */
  place: string;
  /** Why the server would not have it; null: it was not asked yet, or did not answer. */
  refused: Problem | null;
}
/** An edit of a brief, with the brief of that revision: what a newer one is brought together by. */
export interface KeptBrief extends Of {
  kind: 'brief';
  partId: string;
  brief: Brief;
  revision: number;
  base: Brief | null;
}
export interface KeptRequest extends Of {
  kind: 'request';
  method: string;
  url: string;
  body: unknown;
  /** Sent again it is the same request and not another. */
  key: string | null;
}
/** What the server has not taken yet. */
export type Kept = KeptBrief | KeptRequest;

type News = { put: Kept } | { drop: string };

const LEGACY = 'anvilstone-unsaved-';
const held = new Map<string, Kept>();
const listeners = new Set<() => void>();
let snapshot: readonly Kept[] = [];
// Not in every place where this runs: then what is kept lasts as long as the page.
let disk: UseStore | undefined;
let line: BroadcastChannel | undefined;

function show(): void {
  snapshot = [...held.values()].sort((a, b) => a.atMs - b.atMs);
  for (const listener of listeners) listener();
}

function apply(news: News): void {
  if ('put' in news) held.set(news.put.id, news.put);
  else held.delete(news.drop);
  show();
}

/** At once, and not only when the page has nothing else to do: it may be closed the next moment. */
function write(change: (store: IDBObjectStore) => void): void {
  void disk?.('readwrite', (store) => {
    change(store);
    store.transaction.commit();
    return Promise.resolve();
  }).catch(() => undefined);
}

/** Reads what earlier visits left. To be waited for before anything is opened. */
export async function loadOutbox(): Promise<void> {
  if (typeof indexedDB === 'undefined') return;
  try {
    const made = createStore('anvilstone-outbox', 'kept');
    for (const [id, one] of await entries<string, Kept>(made)) held.set(id, one);
    disk = made;
  } catch {
    // A browser that keeps nothing: what is typed still lasts as long as the page.
  }
  line = new BroadcastChannel('anvilstone-outbox');
  line.onmessage = ({ data }: MessageEvent<News>) => apply(data);
  takeOverLegacy();
  show();
}

/** Edits of briefs that were kept the old way. */
function takeOverLegacy(): void {
  for (const name of Object.keys(localStorage)) {
    const [, partId] = new RegExp(`^${LEGACY}([0-9a-f-]{36})$`).exec(name) ?? [];
    if (partId === undefined) continue;
    try {
      const { brief, revision, base = null } = JSON.parse(localStorage.getItem(name)!) as KeptBrief;
      const of = { prefix: '', who: null, atMs: Date.now(), what: brief.title, place: `/parts/${partId}/brief` };
      keep({ kind: 'brief', id: briefId(partId, null), ...of, refused: null, partId, brief, revision, base });
    } catch {
      // Not one of ours after all.
    }
    localStorage.removeItem(name);
  }
}

/** Two who share a browser do not write over each other’s. */
export const briefId = (partId: string, who: string | null) => `brief ${partId} ${who ?? ''}`;

export function keep(one: Kept): void {
  apply({ put: one });
  write((store) => store.put(one, one.id));
  line?.postMessage({ put: one } satisfies News);
}

/** Only what it was when it was sent: what was kept under the same name since stays. */
export function drop(id: string, as?: Kept): void {
  if (!held.has(id) || (as && held.get(id) !== as)) return;
  apply({ drop: id });
  write((store) => store.delete(id));
  line?.postMessage({ drop: id } satisfies News);
}

export const keptAs = (id: string) => held.get(id);
export const allPending = () => snapshot;
export function onKept(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}
