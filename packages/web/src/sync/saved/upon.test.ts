import { broughtUpon, editedSince, mineUpon, type Edited, type Stored } from './upon.ts';

interface Plan {
  title: string;
  load: number;
  arms: { id: string; count: number }[];
}
const plan = (change: Partial<Plan> = {}): Plan => ({ title: 'A', load: 10, arms: [{ id: 'x', count: 3 }], ...change });
const stored = (revision: number, change: Partial<Plan> = {}): Stored<Plan> => ({ document: plan(change), revision });
const edited = (change: Partial<Plan>): Edited<Plan> => ({ base: stored(4), document: plan(change) });

test('what only they have changed comes in, what only I have changed stays, and it is saved upon theirs', () => {
  const found = broughtUpon(edited({ title: 'Mine' }), stored(5, { load: 20, arms: [{ id: 'x', count: 9 }] }));
  expect(found).toEqual({
    base: stored(5, { load: 20, arms: [{ id: 'x', count: 9 }] }),
    document: plan({ title: 'Mine', load: 20, arms: [{ id: 'x', count: 9 }] }),
  });
});

test('an older one, or the one that it was made upon, changes nothing', () => {
  const own = edited({ title: 'Mine' });
  expect(broughtUpon(own, stored(4, { load: 99 }))).toBe(own);
  expect(broughtUpon(own, stored(3, { load: 99 }))).toBe(own);
});

test('where both changed the same, nothing is decided: mine is as I typed it, and theirs is beside it', () => {
  const found = broughtUpon(edited({ title: 'Mine', load: 11 }), stored(5, { title: 'Theirs' }));
  expect(found).toEqual({
    base: stored(4),
    document: plan({ title: 'Mine', load: 11 }),
    theirs: stored(5, { title: 'Theirs' }),
  });
  // A later one of theirs that no longer collides settles it.
  expect(broughtUpon(found, stored(6, { arms: [] }))).toEqual({
    base: stored(6, { arms: [] }),
    document: plan({ title: 'Mine', load: 11, arms: [] }),
  });
  expect(broughtUpon(found, stored(5, { title: 'Theirs' }))).toBe(found);
});

test('mine, chosen, is saved upon theirs with everything else of theirs', () => {
  const theirs = stored(5, { title: 'Theirs', load: 20 });
  expect(mineUpon({ ...edited({ title: 'Mine' }), theirs })).toEqual({
    base: theirs,
    document: plan({ title: 'Mine', load: 20 }),
  });
});

test('what was typed while a save was under way is made upon what came of it', () => {
  const sent = edited({ title: 'Mi' });
  const latest = edited({ title: 'Mine' });
  // The save brought somebody’s load with it.
  const kept = stored(6, { title: 'Mi', load: 20 });
  expect(editedSince(latest, sent, kept)).toEqual({ base: kept, document: plan({ title: 'Mine', load: 20 }) });
});
