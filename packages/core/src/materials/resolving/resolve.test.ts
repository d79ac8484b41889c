import { inWords, joined } from '@anvilstone/core/foundations';
import type { Grade, Observation } from '@anvilstone/schema';
import { defaultCompanyRules } from '../companyRules/companyRules.ts';
import { familyEstimate, familyHdtPoints, stiffnessFactor } from './familyEstimate.ts';
import { findFamily } from '../reference/family.ts';
import { findReinforcement } from '../reference/reinforcement.ts';
import { resolve } from './resolve.ts';

const observation = (facts: Partial<Observation>): Observation => ({
  id: facts.id ?? 'o1',
  property: 'tensileStrength',
  value: 50,
  unit: 'MPa',
  source: 'datasheet',
  specimen: 'printed',
  orientation: 'XY',
  conditioning: 'dry',
  reference: 'sheet',
  ...facts,
});
const grade = (observations: Observation[], familyId = 'petg', reinforcementId: string | null = null): Grade => ({
  id: 'g',
  name: 'G',
  maker: 'M',
  familyId,
  reinforcementId,
  colours: [],
  pricePerKgUsd: 20,
  process: {},
  observations,
  sampleData: true,
});
const inPlane = { direction: 'in-plane', conditioning: 'dry' } as const;
const across = { direction: 'across', conditioning: 'dry' } as const;
const strength = (one: Grade, at: Parameters<typeof resolve>[2] = inPlane, rules = defaultCompanyRules) => {
  const resolved = resolve(one, 'tensileStrength', at, rules);
  if (!resolved.known) throw new Error(inWords(joined(resolved.gaps, '; ')));
  return resolved;
};

test('own bench with five specimens leads, class A, with its own scatter', () => {
  const bench = observation({ id: 'b', source: 'bench', value: 40, count: 5, standardDeviation: 4 });
  expect(strength(grade([observation({}), bench]))).toMatchObject({ value: 40, evidence: 'A', cov: 0.1 });
});

test('scatter of a bench never counts below 5 %', () => {
  const bench = observation({ source: 'bench', value: 40, count: 5, standardDeviation: 0.1 });
  expect(strength(grade([bench])).cov).toBe(0.05);
});

test('two specimens are too few: the data sheet leads, knocked down by the company rule', () => {
  const bench = observation({ id: 'b', source: 'bench', value: 60, count: 2 });
  expect(strength(grade([bench, observation({})]))).toMatchObject({ value: 45, evidence: 'B' });
});

test('company rule “lower of both” takes the lower and says so', () => {
  const bench = observation({ id: 'b', source: 'bench', value: 48, count: 5 });
  const resolved = strength(grade([bench, observation({})]), inPlane, {
    ...defaultCompanyRules,
    evidenceSchool: 'lower-of-both',
  });
  expect(resolved.value).toBeCloseTo(45, 9);
  expect(resolved.steps.at(-1)?.text).toMatch(/lower of both/);
});

test('a moulded bar is carried to a printed one and is class C: 50 · 0.8 · 0.9', () => {
  const resolved = strength(grade([observation({ specimen: 'moulded' })]));
  expect(resolved.value).toBeCloseTo(36, 9);
  expect(resolved).toMatchObject({ evidence: 'C', cov: 0.2 });
  expect(
    inWords(
      joined(
        resolved.steps.map((step) => step.text),
        '; ',
      ),
    ),
  ).toMatch(/moulded to printed/);
});

test('a specimen that is not stated is taken as moulded', () =>
  expect(strength(grade([observation({ specimen: undefined })])).steps[1]?.text).toMatch(
    /not stated, taken as moulded/,
  ));

test('upright from flat goes through the family ratio: 50 · 0.65 · 0.9', () => {
  const resolved = strength(grade([observation({})]), across);
  expect(resolved.value).toBeCloseTo(29.25, 9);
  expect(resolved.evidence).toBe('C');
});

test('flat is never guessed from upright', () =>
  expect(strength(grade([observation({ orientation: 'ZX', value: 20 })])).evidence).toBe('D'));

test('a polyamide measured dry is carried to conditioned by the family’s retention', () => {
  const pa6 = findFamily('pa6')!;
  const resolved = strength(grade([observation({ value: 60 })], 'pa6'), { ...inPlane, conditioning: 'conditioned' });
  expect(resolved.value).toBeCloseTo(60 * pa6.strengthRetentionConditioned * 0.9, 9);
  expect(resolved.evidence).toBe('C');
});

test('ksi is read as ksi', () =>
  expect(strength(grade([observation({ value: 7, unit: 'ksi' })])).value).toBeCloseTo(7 * 6.894757 * 0.9, 4));

test('a unit that is none leaves the observation out instead of guessing', () =>
  expect(strength(grade([observation({ unit: 'bananas' })])).evidence).toBe('D'));

test('a value at another temperature is not a value at 23 °C', () =>
  expect(strength(grade([observation({ temperatureC: 80 })])).evidence).toBe('D'));

test('equal evidence that disagrees: the lower is used and the conflict is named', () => {
  const older = observation({ id: 'o2', value: 58, reference: 'sheet rev. 0' });
  const resolved = strength(grade([older, observation({})]));
  expect(resolved.value).toBeCloseTo(45, 9);
  expect(resolved.steps.at(-1)?.text).toMatch(/rev\. 0.*says otherwise/);
});

test('no observation, known family: a family estimate, class D', () =>
  expect(strength(grade([]))).toMatchObject({ value: 46, evidence: 'D', cov: 0.3 }));

test('no observation, unknown family: unknown, with the gap named', () =>
  expect(resolve(grade([], 'mystery'), 'tensileStrength', inPlane, defaultCompanyRules)).toEqual({
    known: false,
    gaps: [expect.stringMatching(/Tensile strength: no observation.*mystery/)],
  }));

describe('fillers on family values', () => {
  const pa6 = findFamily('pa6')!;
  const carbon = findReinforcement('carbon-15')!;
  // 1 + (2.8 − 1)·2300/2500 = 2.656
  test('stiffness factor follows the matrix modulus', () => expect(stiffnessFactor(pa6, 2.8)).toBeCloseTo(2.656, 9));
  // 1 / (0.15/1.8 + 0.85/1.13) = 1.1967 with a matrix of 1.13 g/cm³
  test('density by mass share', () =>
    expect(familyEstimate(pa6, carbon, 'density')?.value).toBeCloseTo(1 / (0.15 / 1.8 + 0.85 / pa6.densityGPerCm3), 9));
  test('elongation is capped at 4.5 % and never below 1.2 · strength / modulus', () =>
    expect(familyEstimate(pa6, carbon, 'elongationBreak')?.value).toBeLessThanOrEqual(4.5));
  test('heat deflection stays 10 °C below melting and 3 °C apart', () => {
    const [at180, at045] = familyHdtPoints(pa6, carbon);
    expect(at045!.temperatureC).toBeLessThanOrEqual(pa6.meltingC! - 10);
    expect(at180!.temperatureC).toBeLessThanOrEqual(at045!.temperatureC - 3);
  });
});

describe('company rule: evidence policy', () => {
  const bench = observation({ id: 'b', source: 'bench', value: 40, count: 5 });
  const moulded = observation({ id: 'm', specimen: 'moulded', orientation: null, value: 70 });
  const under = (evidenceSchool: typeof defaultCompanyRules.evidenceSchool) =>
    strength(grade([bench, moulded]), inPlane, { ...defaultCompanyRules, evidenceSchool });
  test('bench first: 40 MPa, class A', () =>
    expect(under('bench-first')).toMatchObject({ value: 40, evidence: 'A', observationId: 'b' }));
  test('data sheet first, although it has to be carried over: 70 · 0.8 · 0.9 = 50.4 MPa, class C', () => {
    expect(under('datasheet').value).toBeCloseTo(50.4, 10);
    expect(under('datasheet')).toMatchObject({ evidence: 'C', observationId: 'm' });
  });
  test('lower of both: the bench', () =>
    expect(under('lower-of-both')).toMatchObject({ value: 40, observationId: 'b' }));
  test('too few bench results are no second source to be the lower of', () => {
    const few = observation({ id: 'f', source: 'bench', value: 10, count: 2 });
    const rules = { ...defaultCompanyRules, evidenceSchool: 'lower-of-both' as const };
    expect(strength(grade([few, observation({})]), inPlane, rules).observationId).not.toBe('f');
  });
});

test('the ends of a range count as two standard deviations each way: 40 to 60 MPa is 50 with 10 % … at least the class’s', () => {
  const wide = observation({ low: 20, high: 80 });
  delete wide.value;
  // (80 − 20)/4 = 15 of 50 is 30 %, more than the 10 % of a data sheet.
  expect(strength(grade([wide])).cov).toBeCloseTo(0.3, 10);
});
