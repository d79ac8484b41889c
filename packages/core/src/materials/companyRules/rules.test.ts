import { inWords } from '@anvilstone/core/foundations';
import { companyRules } from '@anvilstone/schema';
import { nineOfTenFactor, onBasis } from '../resolving/strengthBasis.ts';
import { prepareMaterial } from '../behaviour/material.ts';
import { testGrade } from '../../checks/testContext.ts';
import { completeRules, defaultCompanyRules } from './companyRules.ts';
import { ruleChanges, ruleMeanings } from './ruleMeanings.ts';

test('every policy value of the schema has a meaning, a reason and, but for the machine hour, a default', () => {
  const ids = Object.keys(companyRules.properties).sort();
  expect(ruleMeanings.map(({ id }) => id).sort()).toEqual(ids);
  expect([...Object.keys(defaultCompanyRules), 'machineHourUsd'].sort()).toEqual(ids);
  for (const { reason } of ruleMeanings) expect(inWords(reason).length).toBeGreaterThan(20);
});

test('the words of a choice are those that the schema accepts', () => {
  for (const { id, choices } of ruleMeanings) {
    const accepted = (companyRules.properties[id] as { enum?: string[] }).enum;
    expect(choices && Object.keys(choices).sort()).toEqual(accepted && [...accepted].sort());
  }
});

test('rules of an older decision are completed, once for the same rules', () => {
  const { warpLimit: _later, ...older } = defaultCompanyRules;
  const complete = completeRules(older);
  expect(complete.warpLimit).toBe(defaultCompanyRules.warpLimit);
  expect(completeRules(older)).toBe(complete);
  expect(completeRules({ ...older, ptfeLimitC: 200 }).ptfeLimitC).toBe(200);
});

test('what changed, by name', () => {
  const changes = ruleChanges(defaultCompanyRules, { ...defaultCompanyRules, warpLimit: 3 });
  expect(changes).toEqual([{ meaning: expect.objectContaining({ id: 'warpLimit' }) as unknown, from: 4, to: 3 }]);
});

describe('B-basis', () => {
  // s = √ln 1.01 = 0.099751; exp(−1.2816 · 0.099751)
  test('nine of ten parts at a scatter of 10 %', () => {
    expect(nineOfTenFactor(0.1)).toBeCloseTo(0.87999, 4);
    expect(nineOfTenFactor(0)).toBe(1);
  });
  test('counts for strengths and not for the modulus', () => {
    const b = prepareMaterial(testGrade, 'dry', { ...defaultCompanyRules, strengthBasis: 'b-basis' });
    const mean = prepareMaterial(testGrade, 'dry', defaultCompanyRules);
    for (const [one, other] of [
      [b.strength.across, mean.strength.across],
      [b.layerShear, mean.layerShear],
      [b.property('compressiveStrength'), mean.property('compressiveStrength')],
    ]) {
      if (!one!.known || !other!.known) throw new Error('known by construction');
      expect(one!.value).toBeCloseTo(other!.value * nineOfTenFactor(other!.cov), 9);
      expect(one!.steps.at(-1)!.text).toMatch(/nine of ten/);
    }
    expect(b.modulus.inPlane).toEqual(mean.modulus.inPlane);
  });
  test('what is unknown stays unknown', () => {
    const unknown = { known: false as const, gaps: ['nothing'] };
    expect(onBasis(unknown, { ...defaultCompanyRules, strengthBasis: 'b-basis' }, true)).toBe(unknown);
  });
});

test('fibre across the layers: a further knock-down where the ratio is the table’s', () => {
  const flatOnly = {
    ...testGrade,
    reinforcementId: 'carbon-10',
    observations: testGrade.observations.filter(({ id }) => id !== 's-zx'),
  };
  const across = (fibreAcrossLayersFactor: number) => {
    const { strength } = prepareMaterial(flatOnly, 'dry', { ...defaultCompanyRules, fibreAcrossLayersFactor });
    return strength.across.known ? strength.across.value : Number.NaN;
  };
  expect(across(0.8) / across(1)).toBeCloseTo(0.8, 9);
});
