import type { Observation } from '@anvilstone/schema';
import { sampleLibrary } from '../../../education/sample/index.ts';
import { looseKey, nameKey, type GradeDraft } from './draft.ts';
import { mergeDraft, newGradeId } from './merge.ts';

const existing = sampleLibrary.grades.find(({ id }) => id === 'tm-asa')!;
const sheet = existing.observations.find(
  ({ property, orientation }) => property === 'tensileStrength' && orientation === 'XY',
)!;
const draft = (observations: Partial<Observation>[], fields: [string, unknown][] = []): GradeDraft => ({
  line: 2,
  fields: new Map(fields),
  observations: observations.map((stated) => ({ stated, line: 2 })),
  claims: [],
});
const conditions = (({ property, source, method, specimen, orientation, conditioning, unit, reference }) => ({
  property,
  source,
  method,
  specimen,
  orientation,
  conditioning,
  unit,
  reference,
}))(sheet) as Partial<Observation>;

test('the same report with another value is a correction: its id stays', () => {
  const { grade, difference } = mergeDraft(draft([{ ...conditions, value: 39 }]), existing, 'tm-asa');
  expect(grade.observations).toHaveLength(existing.observations.length);
  expect(grade.observations.find(({ id }) => id === sheet.id)!.value).toBe(39);
  expect(difference).toMatchObject({ kind: 'changed', differences: [{ field: 'Tensile strength, XY, dry' }] });
});
test('of several reports under the same conditions the one of the same document is meant', () => {
  const older = existing.observations.find(({ id }) => id === 'tm-asa-old')!;
  const { grade } = mergeDraft(draft([{ ...conditions, reference: older.reference, value: 45 }]), existing, 'tm-asa');
  expect(grade.observations.find(({ id }) => id === 'tm-asa-old')!.value).toBe(45);
  expect(grade.observations.find(({ id }) => id === sheet.id)!.value).toBe(sheet.value);
});
test('another direction, moisture or source is another report, beside the first', () => {
  for (const other of [
    { orientation: 'XZ' },
    { conditioning: 'wet' },
    { source: 'bench' },
    { temperatureC: 60 },
  ] as Partial<Observation>[]) {
    const { grade, difference } = mergeDraft(draft([{ ...conditions, ...other, value: 39 }]), existing, 'tm-asa');
    expect(grade.observations).toHaveLength(existing.observations.length + 1);
    expect(difference.differences[0]!.before).toBeNull();
    expect(new Set(grade.observations.map(({ id }) => id)).size).toBe(grade.observations.length);
  }
});
test('a value takes the place of a range, and nothing of the range is left', () => {
  const ranged = { ...existing, observations: [{ ...sheet, low: 38, high: 42 }] };
  delete (ranged.observations[0] as Partial<Observation>).value;
  const { grade } = mergeDraft(draft([{ ...conditions, value: 40 }]), ranged, 'tm-asa');
  expect(grade.observations[0]).toMatchObject({ value: 40 });
  expect(grade.observations[0]).not.toHaveProperty('low');
});
test('what the file does not mention stays; the library’s own document is not touched', () => {
  const before = structuredClone(existing);
  const { grade } = mergeDraft(draft([], [['pricePerKgUsd', 1]]), existing, 'tm-asa');
  expect(grade).toEqual({ ...existing, pricePerKgUsd: 1 });
  expect(existing).toEqual(before);
});
test('a new grade gets what is stated and no invented rest', () => {
  const { grade, difference } = mergeDraft(
    draft(
      [{ property: 'density', value: 1.2, unit: 'g/cm³', source: 'datasheet', reference: 'r' }],
      [
        ['name', 'N'],
        ['maker', 'M'],
        ['familyId', 'petg'],
      ],
    ),
    undefined,
    'm-n',
  );
  expect(difference.kind).toBe('new');
  expect(grade).toEqual({
    id: 'm-n',
    name: 'N',
    maker: 'M',
    familyId: 'petg',
    reinforcementId: null,
    colours: [],
    pricePerKgUsd: null,
    process: {},
    sampleData: false,
    observations: [
      { id: 'm-n-1', property: 'density', value: 1.2, unit: 'g/cm³', source: 'datasheet', reference: 'r' },
    ],
  });
});
test('ids are readable, and never given twice', () => {
  expect(newGradeId('Nine Elms Compounding', 'PETG Träde 2', () => false)).toBe('nine-petg-tra-de-2');
  const taken = new Set(['m-n', 'm-n-2']);
  expect(newGradeId('M', 'N', (id) => taken.has(id))).toBe('m-n-3');
  expect(newGradeId('漢', '字', () => false)).toBe('grade');
});
test('names: spelling does not matter, the order of the words is worth a question', () => {
  expect(nameKey('Nine Elms', 'PETG-Trade')).toBe(nameKey('nine elms', 'petg trade'));
  expect(nameKey('M', 'PLA+')).not.toBe(nameKey('M', 'PLA'));
  expect(looseKey('Nine Elms', 'Nine Elms Trade PETG')).toBe(looseKey('Nine Elms', 'PETG Trade'));
});
