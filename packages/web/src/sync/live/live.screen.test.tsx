import type { Brief, Part, PresentPerson, Spool } from '@anvilstone/schema';
import { act, screen, waitFor } from '@testing-library/react';
import { TAB } from '../address/place.ts';
import { sampleParts } from '../../testing/testAnswers.ts';
import { field, openApp, partPath } from '../../testing/testApp.tsx';
import { fakeServer, type FakeServer } from '../../testing/fakeServer.ts';
import { sources, TestSource } from './testSources.ts';

const LAMP = sampleParts.find(({ brief }) => brief.title.startsWith('Lamp arm'))!;
const line = () => sources.at(-1)!;

beforeEach(() => {
  sources.length = 0;
  Object.assign(globalThis, { EventSource: TestSource });
});

/** Another engineer saves the lamp arm's brief. */
function savedElsewhere(server: FakeServer, change: Partial<Brief>, who = 'A. Bell') {
  const revision = keptElsewhere(server, change);
  act(() => line().says({ kind: 'parts', record: LAMP.id, revision, who, tab: 'another' }));
}
/** The same, and nobody tells this page. */
function keptElsewhere(server: FakeServer, change: Partial<Brief>): number {
  const { value, revision } = server.kinds.parts.byId.get(LAMP.id)!;
  server.kinds.parts.byId.set(LAMP.id, { value: { ...(value as Brief), ...change }, revision: revision + 1 });
  return revision + 1;
}
/** Counts how often something is read. */
function counting(server: FakeServer, path: string, answer: () => unknown) {
  const seen = { times: 0 };
  server.says('GET', path, () => {
    seen.times++;
    return answer();
  });
  return seen;
}

test('a brief that somebody else has saved is taken over at once, and by whom is said', async () => {
  const { server } = openApp(`${partPath('Lamp arm')}/brief`);
  expect(await field('Name')).toHaveValue(LAMP.brief.title);
  savedElsewhere(server, { title: 'Lamp arm, longer' });
  await waitFor(async () => expect(await field('Name')).toHaveValue('Lamp arm, longer'));
  expect(screen.getByText(/^A\. Bell changed this just now/)).toBeVisible();
});

test('what both have changed in different places is brought together', async () => {
  const { server, over } = openApp(`${partPath('Lamp arm')}/brief`);
  await field('Name');
  // The line is silent: the page hears of it when its own save is refused, however long that takes.
  keptElsewhere(server, { template: true });
  await over('Name', 'Lamp arm of mine');
  expect(await screen.findByText(/^Somebody else changed this just now: both are merged$/)).toBeVisible();
  expect(await field('Name')).toHaveValue('Lamp arm of mine');
  await waitFor(() =>
    expect(server.kinds.parts.byId.get(LAMP.id)!.value).toMatchObject({ title: 'Lamp arm of mine', template: true }),
  );
});

test('what this page did itself it does not read again', async () => {
  const server = fakeServer();
  const reads = counting(
    server,
    'parts/:id',
    () => ({ ...LAMP, createdAt: '2026-06-01T08:00:00Z', revision: 1 }) satisfies Part,
  );
  openApp(`${partPath('Lamp arm')}/brief`, { server });
  await field('Name');
  const before = reads.times;
  act(() => line().says({ kind: 'parts', record: LAMP.id, revision: 9, tab: TAB }));
  act(() => line().says({ kind: 'parts', record: 'another part', revision: 9, tab: 'another' }));
  await new Promise((resolve) => setTimeout(resolve, 600));
  expect(reads.times).toBe(before);
});

test('a burst of changes is read once; a lost connection that is back reads everything', async () => {
  const server = fakeServer();
  const stock = counting(server, 'company-rules/history', () => ({ changes: [] }));
  const { settled } = openApp('/spools', { server });
  expect(await screen.findByRole('link', { name: 'S-03' })).toBeVisible();
  await settled();
  const spool = server.kinds.spools.byId.get('S-03')!;
  server.kinds.spools.byId.delete('S-03');
  server.kinds.spools.byId.set('S-77', { ...spool, value: { ...(spool.value as Spool), id: 'S-77' } });
  act(() => {
    for (let i = 0; i < 20; i++) line().says({ kind: 'spools', record: `S-${i}`, tab: 'another' });
  });
  expect(await screen.findByRole('link', { name: 'S-77' })).toBeVisible();
  expect(screen.queryByRole('link', { name: 'S-03' })).toBeNull();
  expect(stock.times).toBe(0);

  server.kinds.spools.byId.set('S-03', spool);
  act(() => line().opens());
  act(() => line().opens());
  expect(await screen.findByRole('link', { name: 'S-03' })).toBeVisible();
});

test('who else has the part open is named, and is gone when they leave', async () => {
  const server = fakeServer();
  const place = `part/${LAMP.id}`;
  let there: PresentPerson[] = [];
  const asked: unknown[] = [];
  server.says('POST', 'presence', ({ body }) => {
    asked.push(body);
    return there;
  });
  const { go } = openApp(`${partPath('Lamp arm')}/brief`, { server });
  await waitFor(() => expect(asked).toEqual([{ tab: TAB, place }]));
  expect(screen.queryByRole('status', { name: 'Also here' })).toBeNull();

  there = ['A. Bell', 'A. Bell', 'B. Olsen', 'C. Rao', 'D. Katz', 'E. Lum'].map((who, i) => ({
    who,
    tab: `tab-${i}`,
  }));
  act(() => line().says({ kind: 'presence', record: place }));
  expect(await screen.findByText('Also here: A. Bell, B. Olsen, C. Rao and 2 more')).toBeVisible();
  there = [];
  act(() => line().says({ kind: 'presence', record: 'part/of another' }, { kind: 'presence', record: place }));
  await waitFor(() => expect(screen.queryByRole('status', { name: 'Also here' })).toBeNull());

  const left: string[] = [];
  server.says('DELETE', 'presence/:tab', ({ params }) => {
    left.push(params.tab!);
  });
  await go('/spools');
  await waitFor(() => expect(left).toEqual([TAB]));
});
