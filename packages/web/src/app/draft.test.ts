import { lampArm } from '@anvilstone/core/sample';
import type { Brief, Part } from '@anvilstone/schema';
import {
  conflictSettled,
  draftReducer,
  edited,
  opened,
  redone,
  saved,
  savingChanged,
  undone,
  type Draft,
} from './draft.ts';

const part: Part = { id: 'p', revision: 3, brief: lampArm, createdAt: '', updatedAt: '' };
const titled = (title: string): Brief => ({ ...lampArm, title });
const start = draftReducer(undefined, opened({ part }));
const at = (brief: Brief, field: string, when: number) => ({ ...edited(brief, field), meta: { field, at: when } });
const title = (draft: Draft) => draft.brief?.title;

test('keystrokes in one field are one step to undo, another field or a pause starts the next', () => {
  let draft = [
    at(titled('a'), 'title', 0),
    at(titled('ab'), 'title', 300),
    at(titled('abc'), 'title', 5000),
  ].reduce<Draft>(draftReducer, start);
  draft = draftReducer(draft, undone());
  expect(title(draft)).toBe('ab');
  draft = draftReducer(draft, undone());
  expect(title(draft)).toBe(lampArm.title);
  expect(draftReducer(draft, undone())).toEqual(draft);
  draft = draftReducer(draft, redone());
  expect(title(draft)).toBe('ab');
});

test('an edit after an undo ends the redo', () => {
  const draft = [at(titled('a'), 'title', 0), undone(), at(titled('b'), 'title', 9000)].reduce<Draft>(
    draftReducer as never,
    start,
  );
  expect(draft.future).toEqual([]);
});

test('a save that an edit overtook leaves the edit waiting; one that nothing overtook is saved', () => {
  const first = titled('first');
  const edited1 = draftReducer(start, at(first, 'title', 0));
  const overtaken = draftReducer(
    draftReducer(edited1, at(titled('second'), 'title', 9)),
    saved({ part: { ...part, revision: 4 }, brief: first }),
  );
  expect(overtaken).toMatchObject({ revision: 4, saving: { state: 'waiting' } });
  expect(draftReducer(edited1, saved({ part: { ...part, revision: 4 }, brief: first })).saving).toEqual({
    state: 'saved',
  });
});

test('what happens to another part’s save does not touch this one', () => {
  expect(draftReducer(start, savingChanged({ partId: 'other', saving: { state: 'offline' } }))).toEqual(start);
  expect(draftReducer(start, saved({ part: { ...part, id: 'other', revision: 9 }, brief: lampArm }))).toEqual(start);
});

describe('a conflict', () => {
  const newer: Part = { ...part, revision: 7, brief: titled('theirs') };
  const mine = draftReducer(start, at(titled('mine'), 'title', 0));
  const inConflict = draftReducer(mine, savingChanged({ partId: 'p', saving: { state: 'conflict', newer } }));

  test('stays one while editing goes on', () =>
    expect(draftReducer(inConflict, at(titled('mine too'), 'title', 1)).saving.state).toBe('conflict'));
  test('mine: saved next, on top of the newer revision', () =>
    expect(draftReducer(inConflict, conflictSettled('mine'))).toMatchObject({
      revision: 7,
      brief: { title: 'mine' },
      saving: { state: 'waiting' },
    }));
  test('newer: shown, and mine is one undo away', () => {
    const taken = draftReducer(inConflict, conflictSettled('newer'));
    expect(taken).toMatchObject({ revision: 7, brief: { title: 'theirs' }, saving: { state: 'saved' } });
    expect(title(draftReducer(taken, undone()))).toBe('mine');
  });
});

test('an edit that never reached the server is taken up again, from the revision it was made on', () => {
  const draft = draftReducer(undefined, opened({ part, unsaved: { brief: titled('kept'), revision: 2 } }));
  expect(draft).toMatchObject({ revision: 2, brief: { title: 'kept' }, saving: { state: 'waiting' } });
});
