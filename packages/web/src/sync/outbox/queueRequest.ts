import type { Problem } from '@anvilstone/schema';
import { PREFIX } from '../address/place.ts';
import { drop, allPending, keep, type Kept, type KeptRequest } from './outbox.ts';

type Change = Pick<KeptRequest, 'method' | 'url' | 'body' | 'key'>;

/** What a form is told that was sent while the server was away. */
export const KEPT: Problem = {
  type: 'kept',
  title: 'Stored on this computer',
  status: 0,
  detail:
    'The server does not answer. Saved changes are stored here, also when the page is closed, and sent when it is back.',
};

const NO_ANSWER: readonly unknown[] = ['FETCH_ERROR', 'TIMEOUT_ERROR', 502, 503, 504, 507];

/** Nothing was done, and the same may go through later. */
export const isUnanswered = (error: { status: unknown } | undefined): boolean =>
  error !== undefined && NO_ANSWER.includes(error.status);

/** Of records that are made under an id of the page’s own the address says which; else the form that it is made in does. */
function idOf({ method, url }: Pick<Change, 'method' | 'url'>, who: string | null): string {
  const form = (globalThis as { history?: History }).history?.state as { key?: string } | null | undefined;
  return `${who ?? ''} ${method} ${PREFIX}/${url}${method === 'POST' ? ` ${form?.key ?? ''}` : ''}`;
}

/** Saved once more in the same form it takes the place of what was kept before. */
export function queueRequest(change: Change, what: string, who: string | null): void {
  const place = (globalThis as { location?: Location }).location?.pathname.slice(PREFIX.length) ?? '/';
  keep({
    kind: 'request',
    id: idOf(change, who),
    prefix: PREFIX,
    who,
    atMs: Date.now(),
    what,
    place,
    refused: null,
    ...change,
  });
}

/** The server has it now. */
export const forgetRequest = (change: Pick<Change, 'method' | 'url'>, who: string | null) => drop(idOf(change, who));

/** “Spool S-12”, or by the name that stands in it; ids that say nothing are left out. */
export function wordsFor(kind: string, url: string, body: unknown): string {
  const name = nameIn(body);
  if (name !== undefined) return `${kind} “${name}”`;
  const last = decodeURIComponent(url.split('?')[0]!.split('/').at(-1) ?? '');
  return /^[0-9a-f-]{36}$/.test(last) || !url.includes('/') ? kind : `${kind} ${last}`;
}

/** Bodies are a record with its revision: the name stands in the record. */
function nameIn(body: unknown, depth = 1): string | undefined {
  if (typeof body !== 'object' || body === null) return undefined;
  const { name, title } = body as Record<string, unknown>;
  for (const one of [name, title]) if (typeof one === 'string' && one.trim() !== '') return one;
  if (depth === 0) return undefined;
  for (const within of Object.values(body)) {
    const found = nameIn(within, depth - 1);
    if (found !== undefined) return found;
  }
  return undefined;
}

interface WithSession {
  api?: { queries?: Record<string, { data?: { accountId?: string | null; state?: string } } | undefined> };
}
/** Whoever was signed in last on this page: a session that ends in the middle of work is still theirs. */
let lastWho: string | null = null;

/** Whose account it is; null: there is nobody to sign in. */
export function whoIn(state: unknown): string | null {
  const session = (state as WithSession).api?.queries?.['session(undefined)']?.data;
  lastWho = session?.accountId ?? lastWho;
  return session?.state === 'open' ? null : lastWho;
}

/** What this page may send: of its workspace and its account, and not refused before. */
export const sendable = (who: string | null) =>
  allPending().filter((one) => one.prefix === PREFIX && isOf(one, who) && one.refused === null);

/** What was made before there were accounts is whoever’s signs in here. */
export const isOf = (one: Pick<Kept, 'who'>, who: string | null): boolean => one.who === null || one.who === who;
