import { sampleLibrary } from '@anvilstone/core/education/sample';
import { libraryTable } from '@anvilstone/core/evaluation';
import { defaultCompanyRules } from '@anvilstone/core/materials';
import { readAddress, writeAddress } from './filterAddress.ts';
import { filterGrades, indexGrades, sortGrades, type GradeFilter } from './gradeFilter.ts';
import { differenceText, propertyNumber, propertyText } from '../propertyText.ts';

const { grades, machines } = sampleLibrary;
const columnIds = ['tensileModulus', 'izodNotched', 'charpyNotched'];
const table = libraryTable(
  grades,
  machines,
  { columnIds, at: { direction: 'in-plane', conditioning: 'dry' } },
  defaultCompanyRules,
);
const index = indexGrades(grades);
const none: GradeFilter = { words: '', chosen: {}, ranges: [] };
const ids = (filter: Partial<GradeFilter>) =>
  filterGrades(index, table, { ...none, ...filter }).rows.map(({ grade }) => grade.id);

describe('filter', () => {
  test('nothing asked leaves everything', () => expect(ids({})).toHaveLength(grades.length));
  test('every word must be somewhere: name, family, colour, source, note', () => {
    expect(ids({ words: 'osk void' })).toEqual(['ol-pc']);
    expect(ids({ words: 'creep frame' })).toEqual(['tm-petg']);
    expect(ids({ words: 'polyetherimide unobtainium' })).toEqual([]);
  });
  test('values of one facet are alternatives, facets are added up', () => {
    const both = ids({ chosen: { family: ['PETG', 'ASA'] } });
    expect(both.length).toBeGreaterThan(ids({ chosen: { family: ['PETG'] } }).length);
    expect(ids({ chosen: { family: ['PETG', 'ASA'], maker: ['Tarrowmill'] } })).toEqual(
      both.filter((id) => id.startsWith('tm-')),
    );
  });
  test('a facet’s counts say what each of its values would leave, the other filters in force', () => {
    const filter = { ...none, chosen: { family: ['PETG'] } };
    const { counts } = filterGrades(index, table, filter);
    expect(counts.family.get('ASA')).toBe(ids({ chosen: { family: ['ASA'] } }).length);
    expect(counts.maker.get('Tarrowmill')).toBe(ids({ chosen: { family: ['PETG'], maker: ['Tarrowmill'] } }).length);
    expect(counts.maker.get('Harrowgate Threads')).toBeUndefined();
  });
  test('an unknown value is not within any range, and is counted apart', () => {
    const { rows, unknown } = filterGrades(index, table, { ...none, ranges: [{ columnId: 'izodNotched', least: 0 }] });
    expect(rows.length + unknown).toBe(grades.length);
    expect(unknown).toBeGreaterThan(40);
  });
  test('no break is above every number', () =>
    expect(ids({ ranges: [{ columnId: 'charpyNotched', least: 1000 }] })).toContain('qh-peba'));
  test('an unknown price is not below any price', () => expect(ids({ priceAtMost: 1e6 })).not.toContain('vp-unlisted'));
  test('a range of a column that is not there asks nothing', () =>
    expect(ids({ ranges: [{ columnId: 'beauty', least: 1 }] })).toHaveLength(grades.length));
});

describe('order', () => {
  test('unknown comes last, whichever way', () => {
    for (const descending of [false, true]) {
      const sorted = sortGrades(index, table, { by: 'izodNotched', descending });
      const values = sorted.map(({ row }) => table.values[1]![row]!);
      const firstUnknown = values.findIndex(Number.isNaN);
      expect(values.slice(firstUnknown).every(Number.isNaN)).toBe(true);
      const known = values.slice(0, firstUnknown);
      expect(known).toEqual([...known].sort((a, b) => (descending ? b - a : a - b)));
    }
  });
  test('by name, price and family', () => {
    const names = sortGrades(index, table, { by: 'name', descending: false }).map(({ grade }) => grade.name);
    expect(names).toEqual([...names].sort());
    const dearest = sortGrades(index, table, { by: 'price', descending: true });
    expect(dearest[0]!.grade.pricePerKgUsd).toBeGreaterThan(dearest[1]!.grade.pricePerKgUsd!);
    expect(dearest.at(-1)!.grade.pricePerKgUsd).toBeNull();
  });
});

describe('address', () => {
  test('what is filtered and ordered comes back from the address', () => {
    const filter: GradeFilter = {
      words: 'clear & cheap',
      chosen: { family: ['PETG', 'ASA'], colour: ['black'] },
      priceAtMost: 40.5,
      ranges: [
        { columnId: 'heatDeflectionTemperature@0.45', least: 70 },
        { columnId: 'tensileModulus', least: 1500, most: 4000 },
      ],
    };
    const sort = { by: 'tensileModulus', descending: true };
    const text = writeAddress(filter, sort).toString();
    expect(readAddress(new URLSearchParams(text))).toEqual({ filter, sort });
  });
  test('nonsense in the address asks nothing', () => {
    const { filter, sort } = readAddress(new URLSearchParams('price=cheap&range=tensileModulus~many~&sort='));
    expect(filter).toEqual({ words: '', chosen: {}, ranges: [{ columnId: 'tensileModulus' }] });
    expect(sort.descending).toBe(false);
  });
});

describe('how a property is shown', () => {
  test.each([
    [1950, 'tensileModulus', 'metric', '1950 MPa'],
    [1950, 'tensileModulus', 'inchPound', '283 ksi'],
    [NaN, 'tensileModulus', 'metric', 'unknown'],
    [Infinity, 'charpyNotched', 'metric', 'no break'],
    [100, 'glassTransition', 'inchPound', '212 °F'],
    [1e13, 'surfaceResistivity', 'metric', '1e13 Ω'],
    [2, 'flameClass', 'metric', 'V-0'],
    [75, 'hardnessShoreD', 'metric', '75'],
  ] as const)('%p of %s, %s: %s', (value, property, units, text) =>
    expect(propertyText(value, property, units)).toBe(text),
  );
  test('in a cell without its unit', () => expect(propertyNumber(1950, 'tensileModulus', 'metric')).toBe('1950'));
  test.each([
    [12.345, '+ 12.3 %'],
    [-4.651, '− 4.65 %'],
    [0.01, 'equal'],
    [99900, '× 1000'],
  ])('a difference of %p percent: %s', (percent, text) => expect(differenceText(percent)).toBe(text));
});
