import { spellOut } from '@anvilstone/core/foundations';
import { briefWith, outcome, testGrade } from '../../checks/testContext.ts';
import { evaluate } from '../../evaluation/evaluating/evaluate.ts';
import { prepareMaterial } from './material.ts';
import { families, findFamily } from '../reference/family.ts';
import { defaultCompanyRules } from '../companyRules/companyRules.ts';
import { lampArm, sampleLibrary } from '../../education/sample/index.ts';
import { annealingOf } from './annealing.ts';

const material = (familyId: string, annealed: boolean) =>
  prepareMaterial({ ...testGrade, familyId }, 'dry', defaultCompanyRules, true, { annealed });

test('PLA crystallises in the oven: it carries load beyond its glass transition of 60 °C, at 23 °C it stays as it was', () => {
  const [printed, annealed] = [material('pla', false), material('pla', true)];
  expect(annealingOf(findFamily('pla'))).toMatchObject({ temperatureC: 90, hdtGainC: 25, crystallises: true });
  expect(annealed.modulusRatio(23)).toBeCloseTo(printed.modulusRatio(23), 9);
  expect(printed.modulusRatio(75)).toBeLessThan(0.01);
  expect(annealed.modulusRatio(75)).toBeGreaterThan(10 * printed.modulusRatio(75));
  expect(annealed.behaviour!.curve.endC).toBe(160);
  expect(spellOut(annealed.behaviour!.hdtNote)).toMatch(/raised by 25 K by annealing/);
});

test('relieving stress in ABS moves its points by 2 K and no more; evidence becomes typical of the family', () => {
  const points = (annealed: boolean) =>
    material('abs', annealed).behaviour!.curve.knots.filter(({ kind }) => kind === 'family' || kind === 'hdt');
  points(true).forEach((knot, i) => expect(knot.temperatureC - points(false)[i]!.temperatureC).toBeCloseTo(2, 9));
  expect(annealingOf(findFamily('abs'))!.crystallises).toBe(false);
  const own = sampleLibrary.grades.find(({ observations }) =>
    observations.some(
      ({ property, hdtStressMPa }) => property === 'heatDeflectionTemperature' && hdtStressMPa !== undefined,
    ),
  )!;
  const evidence = (annealed: boolean) =>
    prepareMaterial({ ...own, familyId: 'abs' }, 'dry', defaultCompanyRules, true, { annealed }).behaviour!.hdtEvidence;
  expect(evidence(false)).toBe('C');
  expect(evidence(true)).toBe('D');
});

test('a family that gains nothing stays as it is, whatever the brief says', () => {
  const none = families.filter((family) => annealingOf(family) === null);
  expect(none.map(({ id }) => id)).toContain('petg');
  expect(material('petg', true).modulusRatio(60)).toBe(material('petg', false).modulusRatio(60));
});

test('an annealed brief never lowers a heat limit, and raises it for those that gain', () => {
  const before = evaluate(lampArm, sampleLibrary).grades;
  const after = evaluate({ ...lampArm, annealed: true }, sampleLibrary).grades;
  let raised = 0;
  before.forEach(({ entries }, i) =>
    entries.forEach(({ ownHeatLimitC }, k) => {
      const then = after[i]!.entries[k]!.ownHeatLimitC;
      if (ownHeatLimitC === null) return expect(then).toBeNull();
      expect(then!).toBeGreaterThanOrEqual(ownHeatLimitC - 0.05);
      if (then! > ownHeatLimitC + 1) raised += 1;
    }),
  );
  expect(raised).toBeGreaterThan(20);
});

test('what shrinks in the oven strays further from its size', () => {
  const fit = { nominalMm: 100, allowedMm: 2, dampestRhPct: 50, coldestC: 23, hottestC: 23 };
  const brief = briefWith({ forceN: 5 }, undefined, { fit });
  const pla = { ...testGrade, familyId: 'pla' };
  const strays = (annealed: boolean) =>
    outcome('fit-size', { ...brief, ...(annealed ? { annealed: true as const } : {}) }, 'XZ', pla).demand!;
  // 3 % more shrinkage, of which the company rule's share scatters
  expect(strays(true) - strays(false)).toBeCloseTo(100 * 0.03 * defaultCompanyRules.shrinkScatterShare!, 9);
});
