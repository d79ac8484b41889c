import type { Grade, Observation } from '@anvilstone/schema';
import { sampleLibrary } from '../../education/sample/index.ts';
import { gradeIssues, observationIssues } from './gradeIssues.ts';

const report = (facts: Partial<Observation>): Observation => ({
  id: 'o',
  property: 'tensileStrength',
  unit: 'MPa',
  source: 'bench',
  reference: 'r',
  ...facts,
});
const pointers = (facts: Partial<Observation>) => observationIssues(report(facts), '/at').map(({ pointer }) => pointer);

test('every grade of the sample library is sound', () => {
  for (const grade of sampleLibrary.grades) expect([grade.id, gradeIssues(grade)]).toEqual([grade.id, []]);
});
test.each<[string, Partial<Observation>, string[]]>([
  ['a value', { value: 40 }, []],
  ['a range', { low: 40, high: 50 }, []],
  ['no number', {}, ['/at/value']],
  ['less than nothing', { value: -5 }, ['/at/value']],
  ['no strength at all', { value: 0 }, ['/at/value']],
  ['psi that were taken for MPa', { value: 8700 }, ['/at/value']],
  ['the same in psi', { value: 8700, unit: 'psi' }, []],
  ['a density of nought', { property: 'density', value: 0, unit: 'g/cm³' }, ['/at/value']],
  ['kg/m³ that were taken for g/cm³', { property: 'density', value: 700, unit: 'g/cm³' }, ['/at/value']],
  ['the same in kg/m³', { property: 'density', value: 700, unit: 'kg/m³' }, []],
  ['metal powder in it', { property: 'density', value: 3.9, unit: 'g/cm³' }, []],
  ['a range that reaches beyond', { low: 40, high: 4000 }, ['/at/high']],
  ['a bound itself, in another unit', { value: 1000 / 6.894757293168361e-3, unit: 'psi' }, []],
  ['half a range', { low: 40 }, ['/at/value']],
  ['a range that runs backwards', { low: 50, high: 40 }, ['/at/low']],
  ['a unit of another kind', { value: 40, unit: 'kg' }, ['/at/unit']],
  ['words for a number', { classValue: 'strong' }, ['/at/classValue']],
  ['no break', { property: 'charpyNotched', classValue: 'no break', unit: 'kJ/m²' }, []],
  ['no break of a tensile bar', { classValue: 'no break' }, ['/at/classValue']],
  ['Izod in J/m', { property: 'izodNotched', value: 80, unit: 'J/m' }, []],
  ['Charpy in kJ/m², not a tensile unit', { property: 'charpyNotched', value: 6, unit: 'MPa' }, ['/at/unit']],
  ['a class', { property: 'flameClass', classValue: 'V-0', unit: '-' }, []],
  ['no class', { property: 'flameClass', unit: '-' }, ['/at/classValue']],
  ['an unknown class', { property: 'flameClass', classValue: 'V-7', unit: '-' }, ['/at/classValue']],
])('%s', (_what, facts, expected) => expect(pointers(facts)).toEqual(expected));
test('what would be accepted is said: units, classes', () => {
  expect(observationIssues(report({ value: 1, unit: 'kg' }))[0]!.accepted).toContain('MPa, GPa');
  expect(observationIssues(report({ property: 'flameClass', unit: '-' }))[0]!.accepted).toContain('V-0, V-1');
});
test('a number that no filament reaches is told with what one may reach, in its own unit', () =>
  expect(observationIssues(report({ value: 8.7, unit: 'GPa' }))[0]).toMatchObject({
    detail: 'Tensile strength of 8.7 GPa: no filament reaches it',
    accepted: '0.001 to 1 GPa',
  }));
test('an id that is there twice, a process window that runs backwards', () => {
  const grade: Grade = {
    ...sampleLibrary.grades[0]!,
    observations: [report({ value: 1 }), report({ value: 2 })],
    process: { bedC: { low: 80, high: 60 } },
  };
  expect(gradeIssues(grade, '/grade').map(({ pointer }) => pointer)).toEqual([
    '/grade/observations/1/id',
    '/grade/process/bedC',
  ]);
});
