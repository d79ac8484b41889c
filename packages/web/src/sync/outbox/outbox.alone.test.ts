import 'fake-indexeddb/auto';
import { lampArm } from '@anvilstone/core/education/sample';
import type { Brief, Part, Problem } from '@anvilstone/schema';
import type * as Api from '../api/api.ts';
import type * as UnsavedModule from '../drafts/unsaved.ts';
import type * as KeepRequest from './queueRequest.ts';
import type * as Outbox from './outbox.ts';
import type * as Send from './send.ts';
import type * as TestStore from './testStore.ts';

const storage = new Map<string, string>();
Object.assign(globalThis, {
  location: { href: 'http://127.0.0.1:4600/spools/S-1', pathname: '/spools/S-1' },
  history: { state: { key: 'form-1' } },
  localStorage: {
    getItem: (name: string) => storage.get(name) ?? null,
    removeItem: (name: string) => storage.delete(name),
  },
});
Object.defineProperty(globalThis, 'navigator', { value: {}, configurable: true });

/** By which a page hears the others: each page of a test has one, and Node does not end while it listens. */
const lines: BroadcastChannel[] = [];
globalThis.BroadcastChannel = class extends BroadcastChannel {
  constructor(name: string) {
    super(name);
    lines.push(this);
  }
};
afterAll(() => lines.forEach((line) => line.close()));

type Answer = { status: number; body: unknown } | 'no answer';
interface Sent {
  method: string;
  path: string;
  key: string | null;
  body: unknown;
}
let answers: Answer[] = [];
let sent: Sent[] = [];

let pages = 0;
/** A page as after it was opened: everything in memory is new, only what is on the disk is there. */
async function open() {
  const page = `fresh=page${++pages}`;
  const anew = <T>(path: string) => import(`${path}?${page}`) as Promise<T>;
  const outbox = await anew<typeof Outbox>('./outbox.ts');
  await outbox.loadOutbox();
  const { makeStore } = await anew<typeof TestStore>('./testStore.ts');
  const { api } = await anew<typeof Api>('../api/api.ts');
  await anew('../../shop/spools/spoolsApi.ts');
  const { sendPending } = await anew<typeof Send>('./send.ts');
  const unsaved = await anew<typeof UnsavedModule>('../drafts/unsaved.ts');
  const queueRequest = await anew<typeof KeepRequest>('./queueRequest.ts');
  return { outbox, store: makeStore(), api, sendPending, unsaved, queueRequest };
}
interface Endpoint {
  initiate(arg: unknown): unknown;
}
const saveSpool = async (page: Awaited<ReturnType<typeof open>>, revision: number, note: string) => {
  const { api } = page;
  const endpoint = (api.endpoints as unknown as Record<string, Endpoint>).saveSpool!;
  const send = page.store.dispatch as unknown as (action: unknown) => Promise<{ error?: { data: Problem } }>;
  return send(endpoint.initiate({ spool: { id: 'S-1', note }, revision }));
};
const createPart = (page: Awaited<ReturnType<typeof open>>, title: string) =>
  page.store.dispatch(page.api.endpoints.createPart.initiate({ ...lampArm, title }));
const conflict = (newer: Part): Answer => ({
  status: 409,
  body: { type: 't', title: 'Changed meanwhile', status: 409, detail: 'D', current: newer },
});
const partOf = (brief: Brief, revision: number): Part => ({ id: 'p', revision, brief, createdAt: '', updatedAt: '' });
const done: Answer = { status: 200, body: {} };

beforeEach(async () => {
  answers = [];
  sent = [];
  const { outbox } = await open();
  for (const { id } of outbox.allPending()) outbox.drop(id);
  globalThis.fetch = async (input) => {
    const request = input as Request;
    const text = await request.text();
    sent.push({
      method: request.method,
      path: new URL(request.url).pathname,
      key: request.headers.get('Idempotency-Key'),
      body: text === '' ? null : JSON.parse(text),
    });
    const answer = answers.shift() ?? 'no answer';
    if (answer === 'no answer') throw new TypeError('no answer');
    return new Response(JSON.stringify(answer.body), {
      status: answer.status,
      headers: { 'Content-Type': 'application/json' },
    });
  };
});

test('what is saved while the server is away is told as kept, outlives the page, and is sent in its order', async () => {
  const first = await open();
  expect((await saveSpool(first, 3, 'half full')).error!.data).toMatchObject({ type: 'kept' });
  await createPart(first, 'Made in a tunnel');
  const key = sent.at(-1)!.key;
  expect(key).toMatch(/\w{8}/);
  await new Promise((resolve) => setTimeout(resolve, 20));

  const next = await open();
  expect(next.outbox.allPending().map(({ what, place }) => [what, place])).toEqual([
    ['Spool S-1', '/spools/S-1'],
    ['Part “Made in a tunnel”', '/spools/S-1'],
  ]);
  sent = [];
  answers = [done, done];
  await next.sendPending(next.store);
  expect(sent.map(({ method, path }) => `${method} ${path}`)).toEqual(['PUT /api/v1/spools/S-1', 'POST /api/v1/parts']);
  // The server may have had it all the same: it is the same request, and not made twice.
  expect(sent[1]!.key).toBe(key);
  expect(next.outbox.allPending()).toEqual([]);
  await new Promise((resolve) => setTimeout(resolve, 20));
  expect((await open()).outbox.allPending()).toEqual([]);
});

test('a dead database counts as no answer; a fault of the server’s own does not, and is not kept', async () => {
  const page = await open();
  answers = [{ status: 503, body: { title: 'The database does not answer', detail: 'D', status: 503, type: 't' } }];
  expect((await saveSpool(page, 1, 'a')).error!.data.type).toBe('kept');
  expect(page.outbox.allPending()).toHaveLength(1);
  answers = [{ status: 500, body: { title: 'T', detail: 'D', status: 500, type: 't' } }];
  await createPart(page, 'x');
  expect(page.outbox.allPending()).toHaveLength(1);
});

test('saved again in the same form it takes the place of the one before; once it goes through nothing is kept', async () => {
  const page = await open();
  await saveSpool(page, 1, 'first');
  await saveSpool(page, 1, 'second');
  await createPart(page, 'first');
  await createPart(page, 'second');
  Object.assign(history.state as object, { key: 'form-2' });
  await createPart(page, 'another');
  expect(page.outbox.allPending()).toHaveLength(3);
  answers = [done];
  await saveSpool(page, 1, 'third');
  expect(page.outbox.allPending().map(({ what }) => what)).toEqual(['Part “second”', 'Part “another”']);
});

test('what were refused by the server stays, with the reason, and does not hold up the rest', async () => {
  const page = await open();
  await saveSpool(page, 1, 'stale');
  await createPart(page, 'fine');
  answers = [{ status: 409, body: { type: 't', title: 'Changed meanwhile', status: 409, detail: 'D' } }, done];
  await page.sendPending(page.store);
  expect(page.outbox.allPending()).toMatchObject([{ what: 'Spool S-1', refused: { title: 'Changed meanwhile' } }]);
  sent = [];
  await page.sendPending(page.store);
  expect(sent).toEqual([]);
});

test('while the server stays away nothing is thrown away, and what comes after waits', async () => {
  const page = await open();
  await saveSpool(page, 1, 'a');
  await createPart(page, 'b');
  for (const answer of ['no answer', { status: 401, body: {} }, { status: 429, body: {} }] as Answer[]) {
    sent = [];
    answers = [answer];
    await page.sendPending(page.store);
    expect(sent).toHaveLength(1);
    expect(page.outbox.allPending().filter(({ refused }) => refused === null)).toHaveLength(2);
  }
});

test('nothing is sent under another’s name or into another workspace', async () => {
  const page = await open();
  await saveSpool(page, 1, 'a');
  const [one] = page.outbox.allPending();
  page.outbox.keep({ ...one!, id: 'other account', who: 'somebody' });
  page.outbox.keep({ ...one!, id: 'other workspace', prefix: '/w/other' });
  sent = [];
  answers = [done, done, done];
  await page.sendPending(page.store);
  expect(sent).toHaveLength(1);
  expect(page.outbox.allPending().map(({ id }) => id)).toEqual(['other account', 'other workspace']);
});

test('two who share a browser keep an edit of the same part each, and open only their own', async () => {
  const { findUnsaved, forgetUnsaved, storeUnsaved } = (await open()).unsaved;
  storeUnsaved('p', { brief: { ...lampArm, title: 'Of Ada' }, revision: 1 }, 'ada');
  storeUnsaved('p', { brief: { ...lampArm, title: 'Of Ben' }, revision: 1 }, 'ben');
  expect(findUnsaved('p', 'ada')?.brief.title).toBe('Of Ada');
  expect(findUnsaved('p', 'cleo')).toBeUndefined();
  forgetUnsaved('p', 'ada');
  expect(findUnsaved('p', 'ben')?.brief.title).toBe('Of Ben');
});

test('a session that ends in the middle of work leaves it with whose it was', async () => {
  const { unsaved, queueRequest } = await open();
  const { sendable, whoIn } = queueRequest;
  const told = (data: object) => ({ api: { queries: { 'session(undefined)': { data } } } });
  expect(whoIn(told({ state: 'open', accountId: null }))).toBeNull();
  expect(whoIn(told({ state: 'signed-in', accountId: 'ada' }))).toBe('ada');
  expect(whoIn(told({ state: 'sign-in', accountId: null }))).toBe('ada');
  const { storeUnsaved } = unsaved;
  storeUnsaved('p', { brief: lampArm, revision: 1 }, 'ada');
  storeUnsaved('q', { brief: lampArm, revision: 1 }, null);
  expect(sendable('ben').map((one) => one.kind === 'brief' && one.partId)).toEqual(['q']);
});

describe('a brief that nobody has open', () => {
  const mine: Brief = { ...lampArm, title: 'Mine' };
  const keepBrief = async (agoMs = 60_000) => {
    const page = await open();
    const { storeUnsaved } = page.unsaved;
    storeUnsaved('p', { brief: mine, revision: 1, base: lampArm });
    const [one] = page.outbox.allPending();
    page.outbox.keep({ ...one!, atMs: one!.atMs - agoMs });
    return page;
  };
  test('is left to the window that it is being typed in, until that has been quiet for a while', async () => {
    const page = await keepBrief(1000);
    await page.sendPending(page.store);
    expect(sent).toEqual([]);
    expect(page.outbox.allPending()).toHaveLength(1);
    const [one] = page.outbox.allPending();
    page.outbox.keep({ ...one!, atMs: Date.now() + 60_000 });
    answers = [{ status: 200, body: partOf(mine, 2) }];
    await page.sendPending(page.store);
    expect(sent).toMatchObject([{ method: 'PUT', body: { brief: mine } }]);
  });
  test('is saved by itself', async () => {
    const page = await keepBrief();
    answers = [{ status: 200, body: partOf(mine, 2) }];
    await page.sendPending(page.store);
    expect(sent[0]).toMatchObject({
      method: 'PUT',
      path: '/api/v1/parts/p',
      body: { revision: 1, brief: { title: 'Mine' } },
    });
    expect(page.outbox.allPending()).toEqual([]);
  });
  test('is brought together with a newer one where both have not changed the same', async () => {
    const page = await keepBrief();
    const newer = partOf({ ...lampArm, purpose: 'Theirs' }, 4);
    answers = [conflict(newer), { status: 200, body: partOf(mine, 5) }];
    await page.sendPending(page.store);
    expect(sent[1]!.body).toMatchObject({ revision: 4, brief: { title: 'Mine', purpose: 'Theirs' } });
    expect(page.outbox.allPending()).toEqual([]);
  });
  test('waits for a choice where they have', async () => {
    const page = await keepBrief();
    answers = [conflict(partOf({ ...lampArm, title: 'Theirs' }, 4))];
    await page.sendPending(page.store);
    expect(sent).toHaveLength(1);
    expect(page.outbox.allPending()[0]).toMatchObject({
      brief: { title: 'Mine' },
      refused: { title: 'Changed by someone else' },
    });
  });
});

test('edits that were kept the old way are taken over', async () => {
  const partId = '0a7c1d00-0000-4000-8000-000000000003';
  storage.set(`anvilstone-unsaved-${partId}`, JSON.stringify({ brief: lampArm, revision: 7 }));
  Object.assign(localStorage, { [`anvilstone-unsaved-${partId}`]: '' });
  const { findUnsaved } = (await open()).unsaved;
  expect(findUnsaved(partId)).toMatchObject({ revision: 7, brief: { title: lampArm.title } });
  expect(storage.size).toBe(0);
});
