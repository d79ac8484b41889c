import { inWords } from '@anvilstone/core/foundations';
import type { Brief, Grade, Observation } from '@anvilstone/schema';
import { evaluate } from '../../evaluation/evaluating/evaluate.ts';
import { findFamily } from '../reference/family.ts';
import { findPartModel } from '../../shapes/parts/models.ts';
import { defaultCompanyRules } from '../companyRules/companyRules.ts';
import { lampArm, sampleLibrary } from '../../education/sample/index.ts';
import { prepareMaterial } from './material.ts';

const petg = sampleLibrary.grades.find(({ id }) => id === 'tm-petg')!;
const test5: Omit<Observation, 'property' | 'value'> = {
  id: 'own',
  unit: 'MPa',
  source: 'bench',
  count: 5,
  specimen: 'printed',
  orientation: 'XY',
  conditioning: 'dry',
  reference: 'Own bench',
};
/** Of which its maker states no strength of printed bars. */
const bare = sampleLibrary.grades.find(({ id }) => id === 'ne-petg')!;
const withTest = (grade: Grade, test: Observation): Grade => ({
  ...grade,
  observations: [...grade.observations, test],
});
const bent = (property: 'flexuralModulus' | 'flexuralStrength', value: number, more: Partial<Observation> = {}) =>
  withTest(property === 'flexuralModulus' ? petg : bare, { ...test5, property, value, ...more });
const materialOf = (grade: Grade, bends: boolean) =>
  prepareMaterial(grade, 'dry', defaultCompanyRules, true, { bends });
const inPlane = (grade: Grade, bends: boolean) => {
  const { modulus, strength } = materialOf(grade, bends);
  if (!modulus.inPlane.known || !strength.inPlane.known) throw new Error('not known');
  return { modulus: modulus.inPlane, strength: strength.inPlane };
};

test('an own bending modulus is the modulus of what bends, and says so; what is pulled keeps its own', () => {
  const grade = bent('flexuralModulus', 1500);
  const { modulus } = inPlane(grade, true);
  expect(modulus.value).toBeCloseTo(1500, 9);
  expect(modulus.evidence).toBe('A');
  expect(modulus.steps.at(-1)!.text).toMatch(/own bending modulus, since the part bends/);
  expect(inPlane(grade, false).modulus).toEqual(inPlane(petg, false).modulus);
});

test('an own bending strength counts by the family’s pull over bend, one class weaker', () => {
  const { tensileStrengthXyMpa, flexuralStrengthMpa } = findFamily('petg')!;
  const share = tensileStrengthXyMpa.mid / flexuralStrengthMpa!;
  const [low, high] = [40, 60].map((value) => inPlane(bent('flexuralStrength', value), true).strength);
  expect(high!.value / low!.value).toBeCloseTo(60 / 40, 9);
  expect(low!.evidence).toBe('B');
  expect(low!.steps.some(({ text }) => inWords(text).includes(share.toPrecision(2)))).toBe(true);
});

test('one test alone does not outweigh what is known, nor does a data sheet’s bending value', () => {
  for (const more of [{ count: 1 }, { source: 'datasheet' as const }]) {
    const found = inPlane(bent('flexuralModulus', 1500, more), true).modulus;
    expect(found.value).toBe(inPlane(petg, true).modulus.value);
  }
});

test('what bending governs moves with it: twice the modulus, half the deflection; what is pulled does not care', () => {
  const movedBy = (brief: Brief, grade: Grade) =>
    evaluate(
      { ...brief, moisture: 'dry' },
      { ...sampleLibrary, grades: [grade] },
      { orientations: ['XZ'] },
    ).grades[0]!.best.checks.find(({ checkId }) => checkId === 'deflection-at-load' || checkId === 'usual-movement')!
      .demand!;
  const [soft, stiff] = [1000, 2000].map((value) => bent('flexuralModulus', value));
  const tie: Brief = {
    ...lampArm,
    part: findPartModel('tie').start,
  };
  expect(movedBy(lampArm, soft!) / movedBy(lampArm, stiff!)).toBeGreaterThan(1.8);
  expect(movedBy(tie, soft!)).toBe(movedBy(tie, stiff!));
});
