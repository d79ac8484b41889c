import { readAddress, writeAddress } from './filterAddress.ts';
import type { Sort } from '../../../ui/table/tableColumn.ts';
import type { GradeFilter } from './gradeFilter.ts';

const filter: GradeFilter = {
  words: 'clear petg',
  chosen: { printable: ['fits', 'with cautions'], morphology: ['amorphous'] },
  priceAtMost: 42.5,
  ranges: [
    { columnId: 'tensileModulus', least: 1500 },
    { columnId: 'heatDeflectionTemperature@0.45', least: 60, most: 90 },
  ],
};

test('a filter and an order come back from the address as they went in', () => {
  const sort: Sort = { by: 'tensileStrength', descending: true };
  const written = writeAddress(filter, sort);
  expect(readAddress(new URLSearchParams(written.toString()))).toEqual({ filter, sort });
});

test('nothing asked is an empty address, read as by name', () => {
  const none: GradeFilter = { words: '', chosen: {}, ranges: [] };
  expect(writeAddress(none, { by: 'name', descending: false }).toString()).toBe('');
  expect(readAddress(new URLSearchParams())).toEqual({ filter: none, sort: { by: 'name', descending: false } });
});

test('numbers that are none bound nothing', () => {
  const { filter: read } = readAddress(new URLSearchParams('price=cheap&range=tensileModulus~many~&range=x~~9'));
  expect(read.priceAtMost).toBeUndefined();
  expect(read.ranges).toEqual([{ columnId: 'tensileModulus' }, { columnId: 'x', most: 9 }]);
});
