import { briefDifferences } from './briefDifferences.ts';

test('fields that differ are named by their place, deep ones too; what is only on one side is a dash', () => {
  expect(
    briefDifferences(
      { title: 'Arm', part: { spanMm: 100, section: { kind: 'round' } }, asks: { maxMassG: 10 } },
      { title: 'Arm', part: { spanMm: 120, section: { kind: 'tube' } }, asks: {}, note: 'new' },
    ),
  ).toEqual([
    { pointer: '/part/spanMm', theirs: '100', mine: '120' },
    { pointer: '/part/section/kind', theirs: 'round', mine: 'tube' },
    { pointer: '/asks/maxMassG', theirs: '10', mine: '—' },
    { pointer: '/note', theirs: '—', mine: 'new' },
  ]);
});

test('lists are compared place by place, and equal documents do not differ', () => {
  expect(briefDifferences([1, 2], [1, 3])).toEqual([{ pointer: '/1', theirs: '2', mine: '3' }]);
  expect(briefDifferences({ a: [1, { b: 2 }] }, { a: [1, { b: 2 }] })).toEqual([]);
  expect(briefDifferences(Number.NaN, Number.NaN)).toEqual([]);
  expect(briefDifferences(null, { a: 1 })).toEqual([{ pointer: '', theirs: 'null', mine: '{"a":1}' }]);
});
