import { lampArm } from '@anvilstone/core/education/sample';
import { briefIssues } from '@anvilstone/core/evaluation';
import type { Brief, Part } from '@anvilstone/schema';
import { configureStore } from '@reduxjs/toolkit';

Object.assign(globalThis, { location: { href: 'http://127.0.0.1:4600/', pathname: '/' } });
const kept = async () => (await import('./unsaved.ts')).findUnsaved('p');

type Answer = { status: number; body: unknown } | 'no answer';
const answers: Answer[] = [];
const sent: { brief: Brief; revision: number }[] = [];

async function newStore() {
  const { api } = await import('../api/api.ts');
  const { makeAutosave } = await import('./autosave.ts');
  const { draftReducer, opened } = await import('./draft.ts');
  (await import('./briefRules.ts')).setBriefRules(briefIssues);
  const store = configureStore({
    reducer: { [api.reducerPath]: api.reducer, draft: draftReducer },
    middleware: (defaults) => defaults().prepend(makeAutosave().middleware).concat(api.middleware),
  });
  const part: Part = { id: 'p', revision: 1, brief: lampArm, createdAt: '', updatedAt: '' };
  store.dispatch(opened({ part }));
  return store;
}
const titled = (title: string): Brief => ({ ...lampArm, title });
const savedAs = (revision: number, title: string): Answer => ({
  status: 200,
  body: { id: 'p', revision, brief: titled(title), createdAt: '', updatedAt: '' },
});

beforeEach(() => {
  jest.useFakeTimers();
  answers.length = 0;
  sent.length = 0;
  globalThis.fetch = async (input) => {
    const request = input as Request;
    sent.push(JSON.parse(await request.text()) as { brief: Brief; revision: number });
    const answer = answers.shift() ?? 'no answer';
    if (answer === 'no answer') throw new TypeError('no answer');
    return new Response(JSON.stringify(answer.body), {
      status: answer.status,
      headers: { 'Content-Type': 'application/json' },
    });
  };
});
afterEach(() => jest.useRealTimers());

test('typing is saved once, a moment after it stops, and no longer kept here then', async () => {
  const store = await newStore();
  const { edited } = await import('./draft.ts');
  answers.push(savedAs(2, 'abc'));
  for (const title of ['a', 'ab', 'abc']) {
    store.dispatch(edited(titled(title), 'title'));
    await jest.advanceTimersByTimeAsync(200);
  }
  expect(sent).toHaveLength(0);
  expect((await kept())?.brief.title).toBe('abc');
  await jest.advanceTimersByTimeAsync(1500);
  expect(sent.map(({ brief, revision }) => [brief.title, revision])).toEqual([['abc', 1]]);
  expect(store.getState().draft).toMatchObject({ revision: 2, saving: { state: 'saved' } });
  expect(await kept()).toBeUndefined();
});

test.each([1, 2, 3, 4, 5, 6])(
  'an edit right after a save was answered (%i steps later) is saved too',
  async (steps) => {
    const store = await newStore();
    const { edited } = await import('./draft.ts');
    answers.push(savedAs(2, 'one'), savedAs(3, 'two'));
    let isDone = false;
    store.subscribe(() => {
      if (isDone || store.getState().draft.revision !== 2) return;
      isDone = true;
      void (async () => {
        for (let step = 0; step < steps; step++) await Promise.resolve();
        store.dispatch(edited(titled('two'), 'title'));
      })();
    });
    store.dispatch(edited(titled('one'), 'title'));
    await jest.advanceTimersByTimeAsync(3000);
    expect(sent.map(({ brief, revision }) => [brief.title, revision])).toEqual([
      ['one', 1],
      ['two', 2],
    ]);
    expect(store.getState().draft).toMatchObject({ revision: 3, saving: { state: 'saved' } });
  },
);

test('while the server is away it tries again, then saves the newest edit', async () => {
  const store = await newStore();
  const { edited } = await import('./draft.ts');
  answers.push('no answer', 'no answer', savedAs(2, 'later'));
  store.dispatch(edited(titled('first'), 'title'));
  await jest.advanceTimersByTimeAsync(1000);
  expect(store.getState().draft.saving.state).toBe('offline');
  store.dispatch(edited(titled('later'), 'title'));
  await jest.advanceTimersByTimeAsync(20_000);
  expect(sent.at(-1)?.brief.title).toBe('later');
  expect(store.getState().draft.saving.state).toBe('saved');
});

test('a stale write stops with the newer part and keeps mine here', async () => {
  const store = await newStore();
  const { edited } = await import('./draft.ts');
  const newer = { id: 'p', revision: 5, brief: titled('theirs'), createdAt: '', updatedAt: '' };
  answers.push({ status: 409, body: { type: 't', title: 'T', status: 409, detail: 'D', current: newer } });
  store.dispatch(edited(titled('mine'), 'title'));
  await jest.advanceTimersByTimeAsync(10_000);
  expect(sent).toHaveLength(1);
  expect(store.getState().draft.saving).toEqual({ state: 'conflict', newer });
  expect((await kept())?.brief.title).toBe('mine');
});

test('a brief that contradicts itself is not sent; corrected, it is', async () => {
  const store = await newStore();
  const { edited } = await import('./draft.ts');
  const tube = (wallMm: number): Brief => ({
    ...lampArm,
    part: { ...lampArm.part, section: { kind: 'tube', outerDiameterMm: 20, wallMm } },
  });
  store.dispatch(edited(tube(15), 'wall'));
  await jest.advanceTimersByTimeAsync(2000);
  expect(sent).toHaveLength(0);
  expect(store.getState().draft.saving).toMatchObject({
    state: 'refused',
    issues: [{ pointer: '/part/section/wallMm' }],
  });
  answers.push(savedAs(2, 'x'));
  store.dispatch(edited(tube(3), 'wall'));
  await jest.advanceTimersByTimeAsync(2000);
  expect(sent).toHaveLength(1);
});

test('an edit made while the last one is being refused is saved all the same', async () => {
  const store = await newStore();
  const { edited } = await import('./draft.ts');
  const plain = globalThis.fetch;
  // The refusal takes its time, and the engineer puts it right meanwhile.
  globalThis.fetch = async (input) => {
    await new Promise((done) => setTimeout(done, 800));
    return plain(input);
  };
  answers.push(
    { status: 422, body: { type: 't', title: 'T', status: 422, detail: 'D', errors: [] } },
    savedAs(2, 'corrected'),
  );
  store.dispatch(edited(titled('refused'), 'title'));
  await jest.advanceTimersByTimeAsync(700);
  expect(store.getState().draft.saving.state).toBe('saving');
  store.dispatch(edited(titled('corrected'), 'another field'));
  await jest.advanceTimersByTimeAsync(10_000);
  expect(sent.map(({ brief }) => brief.title)).toEqual(['refused', 'corrected']);
  expect(store.getState().draft).toMatchObject({ revision: 2, saving: { state: 'saved' } });
});
