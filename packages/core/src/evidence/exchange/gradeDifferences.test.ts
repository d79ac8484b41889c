import type { Grade, Observation } from '@anvilstone/schema';
import { sampleLibrary } from '../../education/sample/index.ts';
import { gradeDifferences } from './gradeDifferences.ts';

const grade = sampleLibrary.grades.find(({ id }) => id === 'tm-petg')!;
const changed = (change: (copy: Grade) => void) => {
  const copy = structuredClone(grade);
  change(copy);
  return gradeDifferences(grade, copy);
};

test('nothing changed, nothing listed', () => expect(changed(() => undefined)).toEqual([]));
test('a field, before and after', () =>
  expect(changed((copy) => (copy.pricePerKgUsd = 25))).toEqual([
    { field: 'Price (USD/kg)', before: '22', after: '25' },
  ]));
test('a field that was taken away or put there', () => {
  expect(changed((copy) => delete copy.process.dryingH)).toEqual([
    { field: 'Drying time (h)', before: '6', after: null },
  ]);
  expect(changed((copy) => (copy.process.abrasive = false))).toEqual([
    { field: 'Abrasive', before: null, after: 'false' },
  ]);
});
test('a reported value, named with the conditions that tell it from its neighbours', () =>
  expect(changed((copy) => (copy.observations.find(({ id }) => id === 'tm-petg-6')!.value = 41))).toEqual([
    {
      field: 'Tensile strength, XY, dry',
      before: expect.stringContaining('40.3 MPa') as string,
      after: expect.stringContaining('41 MPa') as string,
    },
  ]));
test('only a condition: which one is said', () =>
  expect(changed((copy) => (copy.observations.find(({ id }) => id === 'tm-petg-6')!.method = 'ASTM D638'))).toEqual([
    { field: 'Tensile strength, XY, dry: method', before: 'ISO 527-2 type 1BA', after: 'ASTM D638' },
  ]));
test('a report added and one taken away', () => {
  const added: Observation = {
    id: 'new',
    property: 'density',
    value: 1.28,
    unit: 'g/cm³',
    source: 'bench',
    reference: 'own scale',
  };
  expect(changed((copy) => copy.observations.push(added))).toEqual([
    { field: 'Density', before: null, after: '1.28 g/cm³, own scale' },
  ]);
  const [gone] = changed((copy) => (copy.observations = copy.observations.filter(({ id }) => id !== 'tm-petg-1')));
  expect(gone).toMatchObject({ field: 'Density', after: null });
});
test('certificates', () =>
  expect(changed((copy) => delete copy.claims)).toEqual([
    { field: 'Certificates and statements', before: 'Raw material suited to dry food', after: null },
  ]));
