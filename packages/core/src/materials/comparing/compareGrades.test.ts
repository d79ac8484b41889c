import { sampleLibrary } from '../../education/sample/index.ts';
import { compareGrades } from './compareGrades.ts';

const grade = (id: string) => sampleLibrary.grades.find((one) => one.id === id)!;
const row = (first: string, second: string, property: string) =>
  compareGrades(grade(first), grade(second)).filter((one) => one.property === property);

test('a pair under the same conditions has a percentage with the first as its base', () => {
  const [modulus] = row('tm-petg', 'tm-petg-cf', 'tensileModulus');
  const [a, b] = [modulus!.first!.value!, modulus!.second!.value!];
  expect(modulus).toMatchObject({ verdict: 'compared', differences: [] });
  expect(modulus!.percent).toBeCloseTo(100 * (b / a - 1), 10);
});
test('other conditions: refused, each named, and no percentage', () =>
  expect(row('ol-pa6', 'ne-pa6', 'tensileModulus')[0]).toMatchObject({
    verdict: 'refused',
    percent: null,
    differences: [
      'Specimen: moulded against printed',
      'Build orientation: not stated against XY',
      'Moisture state: dry against conditioned',
    ],
  }));
test('Charpy here and Izod there is one refused row, not two that lack a side', () => {
  const rows = compareGrades(grade('ol-pa6'), grade('ne-pa6')).filter(({ property }) => /charpy|izod/.test(property));
  expect(rows).toHaveLength(1);
  expect(rows[0]).toMatchObject({
    verdict: 'refused',
    differences: ['Charpy impact, notched against Izod impact, notched: two different tests'],
  });
});
test('what only one of them reports is missing', () =>
  expect(row('tm-petg', 'ne-petg', 'creepModulus')[0]).toMatchObject({
    verdict: 'missing',
    second: null,
    percent: null,
  }));
test('the other way round the percentage turns round: + 25 % is − 20 %', () => {
  const there = row('tm-petg', 'tm-petg-cf', 'tensileModulus')[0]!.percent!;
  const back = row('tm-petg-cf', 'tm-petg', 'tensileModulus')[0]!.percent!;
  expect((1 + there / 100) * (1 + back / 100)).toBeCloseTo(1, 10);
});
test('a grade held against itself: every number equal, nothing refused but what its own report leaves open', () => {
  for (const { verdict, percent, differences } of compareGrades(grade('tm-petg'), grade('tm-petg'))) {
    if (verdict === 'compared') expect(percent ?? 0).toBeCloseTo(0, 10);
    else expect(differences.join()).toMatch(/not stated|only a bound|did not break/);
  }
});
