import { lampArm } from '@anvilstone/core/education/sample';
import { briefIssues } from '@anvilstone/core/evaluation';
import type { Brief, Part } from '@anvilstone/schema';
import { setBriefRules } from './briefRules.ts';
import {
  conflictSettled,
  remoteChangeReceived,
  draftReducer,
  edited,
  opened,
  redone,
  saved,
  savingChanged,
  undone,
  type Draft,
} from './draft.ts';

setBriefRules(briefIssues);
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

describe('somebody else’s newer brief', () => {
  const newerOf = (brief: Brief, revision = 4): Part => ({ ...part, revision, brief });

  test('is taken as it is while nothing of one’s own waits, and undo brings back what was', () => {
    const taken = draftReducer(start, remoteChangeReceived({ part: newerOf(titled('theirs')), who: 'Bo' }));
    expect(taken).toMatchObject({ revision: 4, brief: { title: 'theirs' }, saving: { state: 'saved' } });
    expect(taken.news).toEqual({ how: 'taken', who: 'Bo' });
    expect(title(draftReducer(taken, undone()))).toBe(lampArm.title);
  });
  test('is brought together with edits of other fields, which are saved next', () => {
    const mine = draftReducer(start, at(titled('mine'), 'title', 0));
    const theirs = { ...lampArm, asks: { ...lampArm.asks, massLimitG: 77 } };
    const both = draftReducer(mine, remoteChangeReceived({ part: newerOf(theirs) }));
    expect(both).toMatchObject({
      revision: 4,
      brief: { ...theirs, title: 'mine' },
      base: theirs,
      saving: { state: 'waiting' },
    });
  });
  test('waits for a choice where both have changed the same; the choice moves only that', () => {
    const own = { ...titled('mine'), asks: { ...lampArm.asks, massLimitG: 77 } };
    const theirs = { ...titled('theirs'), failureCouldHurt: 'yes' as const };
    const met = draftReducer(draftReducer(start, at(own, 'title', 0)), remoteChangeReceived({ part: newerOf(theirs) }));
    expect(met.saving.state).toBe('conflict');
    expect(met.brief).toEqual(own);
    expect(draftReducer(met, conflictSettled('newer'))).toMatchObject({
      revision: 4,
      brief: { title: 'theirs', failureCouldHurt: 'yes', asks: { massLimitG: 77 } },
      saving: { state: 'waiting' },
    });
    expect(draftReducer(met, conflictSettled('mine'))).toMatchObject({
      brief: { title: 'mine', failureCouldHurt: 'yes', asks: { massLimitG: 77 } },
    });
  });
  test('that is one’s own, met before its save was answered, does not undo what was taken back meanwhile', () => {
    const sending = draftReducer(
      draftReducer(start, at(titled('mine'), 'title', 0)),
      savingChanged({ partId: part.id, saving: { state: 'saving' } }),
    );
    const back = draftReducer(sending, at(lampArm, 'title', 5000));
    const met = draftReducer(back, remoteChangeReceived({ part: newerOf(titled('mine')) }));
    expect(met).toMatchObject({ revision: 4, brief: { title: lampArm.title }, base: { title: 'mine' }, news: null });
    expect(met.saving.state).toBe('waiting');
    const answered = draftReducer(met, saved({ part: newerOf(titled('mine')), brief: titled('mine') }));
    expect(answered).toMatchObject({ brief: { title: lampArm.title }, saving: { state: 'waiting' }, sent: null });
    // Once it has been answered, a newer one is somebody else’s.
    const theirs = draftReducer(answered, remoteChangeReceived({ part: newerOf(titled('theirs'), 5) }));
    expect(theirs.saving.state).toBe('conflict');
  });
  test('that is older than what is open, or of another part, moves nothing', () => {
    expect(draftReducer(start, remoteChangeReceived({ part: newerOf(titled('old'), 3) }))).toEqual(start);
    expect(draftReducer(start, remoteChangeReceived({ part: { ...newerOf(titled('other')), id: 'q' } }))).toEqual(
      start,
    );
  });
  test('waits for a choice when nobody knows what it was before', () => {
    const kept = draftReducer(undefined, opened({ part, unsaved: { brief: titled('kept'), revision: 2 } }));
    const met = draftReducer(kept, remoteChangeReceived({ part }));
    expect(met.saving).toEqual({ state: 'conflict', newer: part });
  });
});

test('an edit that never reached the server is taken up again, from the revision it was made on', () => {
  const draft = draftReducer(undefined, opened({ part, unsaved: { brief: titled('kept'), revision: 2 } }));
  expect(draft).toMatchObject({ revision: 2, brief: { title: 'kept' }, saving: { state: 'waiting' } });
});
