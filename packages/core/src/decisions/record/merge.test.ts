import fc from 'fast-check';
import { lampArm } from '../../education/sample/index.ts';
import { mergeDocuments, sameContent } from './merge.ts';

const base = { title: 'Arm', limit: 5, load: { kind: 'held', forceN: 10, hours: 8 }, colours: ['red'] };

test('what only one has changed is taken from them, whichever field it is in', () => {
  const { merged, conflicts } = mergeDocuments(
    base,
    { ...base, title: 'Lamp arm', load: { ...base.load, forceN: 12 } },
    { ...base, limit: 6, load: { ...base.load, hours: 9 } },
  );
  expect(merged).toEqual({
    title: 'Lamp arm',
    limit: 6,
    load: { kind: 'held', forceN: 12, hours: 9 },
    colours: ['red'],
  });
  expect(conflicts).toEqual([]);
});

test('the same field changed to different things is a conflict; to the same thing it is none', () => {
  const [mine, theirs] = [
    { ...base, limit: 6, title: 'Agrees' },
    { ...base, limit: 7, title: 'Agrees' },
  ];
  const kept = mergeDocuments(base, mine, theirs);
  expect(kept.conflicts).toEqual([{ path: ['limit'], base: 5, mine: 6, theirs: 7 }]);
  expect(kept.merged).toEqual({ ...base, limit: 6, title: 'Agrees' });
  expect(mergeDocuments(base, mine, theirs, 'theirs').merged).toEqual({ ...base, limit: 7, title: 'Agrees' });
});

test('fields of two shapes never end up in one record', () => {
  const mine = { ...base, load: { ...base.load, forceN: 12 } };
  const theirs = { ...base, load: { kind: 'knock', energyJ: 2 } };
  const { merged, conflicts } = mergeDocuments<object>(base, mine, theirs);
  expect(conflicts.map(({ path }) => path)).toEqual([['load']]);
  expect(merged).toEqual(mine);
});

test('items with ids are merged one by one: added by both, removed by one, changed by the other', () => {
  const was = {
    cases: [
      { id: 'a', n: 1 },
      { id: 'b', n: 1 },
      { id: 'c', n: 1 },
    ],
  };
  const mine = {
    cases: [
      { id: 'a', n: 2 },
      { id: 'c', n: 1 },
      { id: 'mine', n: 1 },
    ],
  };
  const theirs = {
    cases: [
      { id: 'theirs', n: 1 },
      { id: 'a', n: 1 },
      { id: 'b', n: 1 },
      { id: 'c', n: 3 },
    ],
  };
  expect(mergeDocuments(was, mine, theirs)).toEqual({
    merged: {
      cases: [
        { id: 'theirs', n: 1 },
        { id: 'a', n: 2 },
        { id: 'c', n: 3 },
        { id: 'mine', n: 1 },
      ],
    },
    conflicts: [],
  });
  // One removed what the other changed: nobody’s work goes unasked.
  const removed = mergeDocuments(
    was,
    { cases: was.cases.slice(1) },
    { cases: [{ id: 'a', n: 9 }, ...was.cases.slice(1)] },
  );
  expect(removed.conflicts).toEqual([
    { path: ['cases', 'a'], base: { id: 'a', n: 1 }, mine: undefined, theirs: { id: 'a', n: 9 } },
  ]);
});

test('a brief: an ask added by one and a dimension changed by the other are both there', () => {
  const mine = { ...lampArm, asks: { ...lampArm.asks, massLimitG: 120 } };
  const theirs = { ...lampArm, title: 'Renamed elsewhere' };
  const { merged, conflicts } = mergeDocuments(lampArm, mine, theirs);
  expect(conflicts).toEqual([]);
  expect(merged).toEqual({ ...mine, title: 'Renamed elsewhere' });
});

test('with one side untouched the other comes through as it is, for any documents', () => {
  // Absent and undefined are alike in a document, so that only what JSON holds is tried.
  const document = fc.jsonValue({ maxDepth: 4 });
  fc.assert(
    fc.property(document, document, (was, is) => {
      expect(sameContent(mergeDocuments(was, is, was).merged, is)).toBe(true);
      expect(sameContent(mergeDocuments(was, was, is).merged, is)).toBe(true);
      expect(mergeDocuments(was, is, is).conflicts).toEqual([]);
    }),
  );
});

test('who prefers mine and who prefers theirs find the same conflicts', () => {
  const document = fc.jsonValue({ maxDepth: 3 });
  fc.assert(
    fc.property(document, document, document, (was, mine, theirs) => {
      const own = mergeDocuments(was, mine, theirs);
      const other = mergeDocuments(was, theirs, mine, 'theirs');
      expect(own.conflicts.length).toBe(other.conflicts.length);
    }),
  );
});
