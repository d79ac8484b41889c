import { lampArm, sampleLibrary } from '@anvilstone/core/education/sample';
import { defaultCompanyRules, PROPERTY_DEFINITIONS, resolve } from '@anvilstone/core/materials';
import { PROPERTIES, type Grade, type Observation, type PropertyId } from '@anvilstone/schema';
import { DIMENSIONS } from '@anvilstone/core/foundations';
import { evaluate } from './evaluate.ts';

/** As one that was stored before such numbers were refused. */
const stored = (property: PropertyId, value: number): Grade => {
  const grade = sampleLibrary.grades.find(({ id }) => id === 'tm-petg')!;
  const report: Observation = {
    id: 'wrong',
    property,
    value,
    unit: DIMENSIONS[PROPERTY_DEFINITIONS[property].dimension].metric || '-',
    source: 'bench',
    specimen: 'printed',
    orientation: 'XY',
    conditioning: 'dry',
    count: 10,
    reference: 'a slip of the pen',
  };
  return { ...grade, id: 'wrong', observations: [...grade.observations, report] };
};
const numbered = PROPERTIES.filter((property) => !PROPERTY_DEFINITIONS[property].classes);
const others = sampleLibrary.grades.slice(0, 2);

test.each(numbered)('a grade with an impossible %s stands beside the others, as if that was not stated', (property) => {
  const [least, most] = PROPERTY_DEFINITIONS[property].physical;
  const without = evaluate(lampArm, { ...sampleLibrary, grades: others });
  for (const value of [0, -5, least - 1, most * 1.01 + 1, 1e300]) {
    if (value >= least && value <= most) continue;
    const grade = stored(property, value);
    const found = evaluate(lampArm, { ...sampleLibrary, grades: [grade, ...others] }).grades;
    expect(found).toHaveLength(3);
    expect(found.filter(({ gradeId }) => gradeId !== 'wrong')).toEqual(without.grades);
    const resolved = resolve(grade, property, { direction: 'in-plane', conditioning: 'dry' }, defaultCompanyRules);
    if (resolved.known) expect(resolved.observationId).not.toBe('wrong');
  }
});
