import { sampleLibrary } from '@anvilstone/core/education/sample';
import { TABLE_COLUMNS } from '@anvilstone/core/evaluation';
import { defaultCompanyRules, PROPERTY_DEFINITIONS } from '@anvilstone/core/materials';
import type { Grade } from '@anvilstone/schema';
import { fullWorkshop } from '../../testing/testAnswers.ts';
import { drawn, LEAKS, textOf, wordsOf } from '../../testing/testPage.tsx';
import { EvidencePanel } from './grade/EvidencePanel.tsx';
import { FacetPanel } from './list/FacetPanel.tsx';
import { GradeAside } from './grade/GradeAside.tsx';
import { ObservationTable } from './grade/ObservationTable.tsx';
import { differenceText, priceNumber, priceUnit, propertyNumber, propertyText } from './propertyText.ts';

const gradeOf = (id: string) => sampleLibrary.grades.find((grade) => grade.id === id)!;

describe('the text of a property', () => {
  test.each([
    [1860, 'tensileModulus', 'metric', '1860 MPa'],
    [6.894757, 'tensileStrength', 'inchPound', '1 ksi'],
    [70, 'heatDeflectionTemperature', 'metric', '70 °C'],
    [70, 'heatDeflectionTemperature', 'inchPound', '158 °F'],
    [NaN, 'tensileStrength', 'metric', 'unknown'],
    [Infinity, 'charpyNotched', 'metric', 'no break'],
    [75, 'hardnessShoreD', 'metric', '75'],
  ] as const)('%f of %s in %s is “%s”', (value, property, units, text) => {
    expect(property in PROPERTY_DEFINITIONS).toBe(true);
    expect(propertyText(value, property as never, units)).toBe(text);
  });
  test('a class is its word, and one that is not there is unknown', () => {
    const column = TABLE_COLUMNS.find(({ property }) => PROPERTY_DEFINITIONS[property].classes)!;
    const { classes } = PROPERTY_DEFINITIONS[column.property];
    classes!.forEach((word, i) => expect(propertyNumber(i, column.property, 'metric')).toBe(word));
    expect(propertyNumber(99, column.property, 'metric')).toBe('unknown');
  });
  test('what spans many powers of ten is told by its power', () => {
    const column = TABLE_COLUMNS.find(({ property }) => PROPERTY_DEFINITIONS[property].logarithmic)!;
    expect(propertyNumber(3e12, column.property, 'metric')).toBe('3e12');
  });
  test.each([
    [0, 'equal'],
    [0.04, 'equal'],
    [12.3, '+ 12.3 %'],
    [-50, '− 50 %'],
    [4900, '× 50'],
  ])('a difference of %f %% is “%s”', (percent, text) => expect(differenceText(percent)).toBe(text));
  test('a price is by the kilogram or by the pound', () => {
    expect([priceNumber(22, 'metric'), priceUnit('metric')]).toEqual(['22.00', 'USD/kg']);
    expect([priceNumber(22, 'inchPound'), priceUnit('inchPound')]).toEqual(['9.98', 'USD/lb']);
  });
});

describe.each(['tm-petg', 'ol-pa6-gf', 'ne-abs', 'tm-tpu95'])('the evidence of %s', (id) => {
  const grade = gradeOf(id);
  const root = drawn(<EvidencePanel grade={grade} rules={defaultCompanyRules} />);
  const rows = root.querySelectorAll('tbody tr').filter((row) => row.querySelector('td'));
  test('has a row for every property, known or not', () => expect(rows.length).toBe(TABLE_COLUMNS.length));
  test('what is used has a letter, a scatter and a source; what is not known has none of them', () => {
    for (const row of rows) {
      const [value, letter, scatter, source] = row.querySelectorAll('td').map(textOf);
      if (value === 'unknown') expect([letter, scatter]).toEqual(['', '']);
      else {
        expect(letter).toMatch(/^[ABCD]$/);
        expect(source).not.toBe('');
      }
    }
    expect(rows.some((row) => textOf(row.querySelector('td')!) === 'unknown')).toBe(true);
  });
  test('says how many gaps there are, and shows no code', () => {
    expect(textOf(root)).toMatch(/\(\d+ gaps\)/);
    expect(wordsOf(root).filter((text) => LEAKS.test(text))).toEqual([]);
  });
});

describe('reports', () => {
  const { observations } = gradeOf('tm-petg');
  const root = drawn(<ObservationTable observations={observations} usedId={observations[0]!.id} />);
  test('stand as they were reported, each with its source, one of them used', () => {
    const rows = root.querySelectorAll('tbody tr');
    expect(rows).toHaveLength(observations.length);
    rows.forEach((row, i) => expect(textOf(row)).toContain(observations[i]!.reference));
    expect(rows.filter((row) => textOf(row).includes('used'))).toHaveLength(1);
  });
  test('a condition that the method needs and nobody stated stands out', () =>
    expect(root.querySelectorAll('span.text-unknown').some((one) => textOf(one).includes('not stated'))).toBe(true));
});

describe('beside a grade', () => {
  const aside = (grade: Grade) =>
    textOf(
      drawn(<GradeAside grade={grade} grades={sampleLibrary.grades} rules={defaultCompanyRules} />, {
        answers: fullWorkshop,
      }),
    );
  test('stands its pair with another filler, to be compared', () => {
    expect(aside(gradeOf('tm-petg'))).toContain('Tarrowmill PETG G15');
    expect(aside(gradeOf('tm-petg-gf'))).toContain('the unfilled base');
  });
  test('a claim says what it was made of, and that it never covers a printed part by itself', () => {
    const claimed = sampleLibrary.grades.filter(({ claims }) => claims && claims.length > 0);
    expect(claimed.length).toBeGreaterThan(0);
    for (const grade of claimed) expect(aside(grade)).toContain('not automatically to a printed part.');
  });
  test('what the maker does not state of its printing is said to be of the family', () =>
    expect(aside({ ...gradeOf('tm-petg'), process: {} })).toMatch(/\(family\)/));
});

test('facets say how many each choice would leave; evidence is in its own order, others by count', () => {
  const counts = {
    printable: new Map([
      ['here', 40],
      ['not here', 30],
    ]),
    evidence: new Map([
      ['D', 50],
      ['A', 3],
      ['B', 17],
    ]),
    family: new Map([
      ['PETG', 5],
      ['ABS', 9],
    ]),
    filler: new Map(),
    morphology: new Map(),
    maker: new Map(),
    colour: new Map(),
    hazard: new Map(),
  };
  const root = drawn(
    <FacetPanel
      filter={{ chosen: { family: ['ABS', 'PEEK'] } } as never}
      counts={counts as never}
      onChoose={() => undefined}
    />,
  );
  const group = (title: string) =>
    root.querySelectorAll('details').find((one) => textOf(one.querySelector('summary')!).startsWith(title))!;
  expect(
    group('Evidence')
      .querySelectorAll('li')
      .map((item) => textOf(item)[0]),
  ).toEqual(['A', 'B', 'D']);
  // What is chosen stays to be taken away, even when nothing is left of it.
  expect(
    group('Family')
      .querySelectorAll('label')
      .map(textOf)
      .map((text) => text.replace(/\d+$/, '').trim()),
  ).toEqual(['ABS', 'PETG', 'PEEK']);
  expect(textOf(group('Family').querySelector('summary')!)).toContain('2 chosen');
});
