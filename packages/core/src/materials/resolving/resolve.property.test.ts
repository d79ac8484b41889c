import { inWords, joined } from '@anvilstone/core/foundations';
/** Laws of resolving that hold for any evidence. */
import { CONDITIONINGS, ORIENTATIONS, SOURCES, SPECIMENS, type Grade, type Observation } from '@anvilstone/schema';
import fc from 'fast-check';
import { defaultCompanyRules } from '../companyRules/companyRules.ts';
import { families } from '../reference/family.ts';
import { reinforcements } from '../reference/reinforcement.ts';
import { comparable } from '../comparing/comparable.ts';
import type { ResolveAt } from './resolution.ts';
import { PROPERTY_DEFINITIONS } from './properties.ts';
import { resolve } from './resolve.ts';

/** What a filament may have, and now and then what none reaches. */
const numbered = fc
  .constantFrom(
    'tensileStrength' as const,
    'tensileModulus' as const,
    'charpyNotched' as const,
    'elongationBreak' as const,
  )
  .chain((property) => {
    const [least, most] = PROPERTY_DEFINITIONS[property].physical;
    const possible = fc.double({ min: least, max: most, noNaN: true });
    const value = fc.oneof(
      { weight: 9, arbitrary: possible },
      { weight: 1, arbitrary: fc.constantFrom(-5, 0, 10 * most) },
    );
    return fc.record({ property: fc.constant(property), value });
  });
const conditions = fc.record({
  source: fc.constantFrom(...SOURCES),
  specimen: fc.option(fc.constantFrom(...SPECIMENS), { nil: undefined }),
  orientation: fc.option(fc.constantFrom(...ORIENTATIONS)),
  conditioning: fc.option(fc.constantFrom(...CONDITIONINGS)),
  count: fc.integer({ min: 1, max: 9 }),
  temperatureC: fc.constantFrom(23, 60, -20),
});
const report = fc.tuple(numbered, conditions).map(([one, at]) => ({ ...one, ...at }));
const UNIT = { tensileStrength: 'MPa', tensileModulus: 'MPa', charpyNotched: 'kJ/m²', elongationBreak: '%' };
const anyGrade = fc
  .record({
    familyId: fc.constantFrom(...families.map(({ id }) => id), 'not-stated'),
    reinforcementId: fc.constantFrom(null, ...reinforcements.map(({ id }) => id)),
    reports: fc.array(report, { maxLength: 6 }),
  })
  .map(({ familyId, reinforcementId, reports }): Grade => ({
    id: 'g',
    name: 'G',
    maker: 'M',
    familyId,
    reinforcementId,
    colours: [],
    pricePerKgUsd: null,
    process: {},
    sampleData: true,
    observations: reports.map(
      (one, i) => ({ id: `o${i}`, reference: `r${i}`, unit: UNIT[one.property], ...one }) as Observation,
    ),
  }));
const anyProperty = fc.constantFrom(
  'tensileStrength' as const,
  'tensileModulus' as const,
  'charpyNotched' as const,
  'elongationBreak' as const,
);
const anywhere: fc.Arbitrary<ResolveAt> = fc.record({
  direction: fc.constantFrom('in-plane' as const, 'across' as const),
  conditioning: fc.constantFrom(...CONDITIONINGS),
  temperatureC: fc.constantFrom(23, 60, -20),
});
const rulesOf = (evidenceSchool: typeof defaultCompanyRules.evidenceSchool) => ({
  ...defaultCompanyRules,
  evidenceSchool,
});

test('a value is above zero, or the answer is that it is not known, with a reason', () =>
  fc.assert(
    fc.property(anyGrade, anyProperty, anywhere, (grade, property, at) => {
      const found = resolve(grade, property, at, defaultCompanyRules);
      if (found.known) expect(found.value).toBeGreaterThan(0);
      else expect(inWords(joined(found.gaps, '; '))).not.toBe('');
    }),
  ));

test('writing the derivation down changes nothing, and its last step is the value', () =>
  fc.assert(
    fc.property(anyGrade, anyProperty, anywhere, (grade, property, at) => {
      const [explained, plain] = [
        resolve(grade, property, at, defaultCompanyRules),
        resolve(grade, property, at, defaultCompanyRules, false),
      ];
      expect(plain.known).toBe(explained.known);
      if (!explained.known || !plain.known) return;
      expect([plain.value, plain.evidence, plain.cov, plain.steps]).toEqual([
        explained.value,
        explained.evidence,
        explained.cov,
        [],
      ]);
      expect(explained.steps.at(-1)!.value).toBe(explained.value);
    }),
  ));

test('the order in which reports were written down does not matter', () =>
  fc.assert(
    fc.property(anyGrade, anyProperty, anywhere, (grade, property, at) => {
      const turned = { ...grade, observations: [...grade.observations].reverse() };
      const [a, b] = [
        resolve(grade, property, at, defaultCompanyRules, false),
        resolve(turned, property, at, defaultCompanyRules, false),
      ];
      expect(b).toEqual(a);
    }),
    { numRuns: 400 },
  ));

// At another temperature than the test's the curve has its say, which goes by the modulus that each of them takes.
test('the lower of both is never above what bench first gives, at room temperature', () =>
  fc.assert(
    fc.property(anyGrade, anyProperty, anywhere, (anyone, property, where) => {
      const at = { ...where, temperatureC: 23 };
      const grade = { ...anyone, observations: anyone.observations.map((one) => ({ ...one, temperatureC: 23 })) };
      const [lower, first] = [
        resolve(grade, property, at, rulesOf('lower-of-both')),
        resolve(grade, property, at, rulesOf('bench-first')),
      ];
      if (lower.known && first.known) expect(lower.value).toBeLessThanOrEqual(first.value);
    }),
  ));

test('evidence and scatter go together: A and B at least 5 %, C at least 20 %, D at least 30 %', () =>
  fc.assert(
    fc.property(anyGrade, anyProperty, anywhere, (grade, property, at) => {
      const found = resolve(grade, property, at, defaultCompanyRules, false);
      if (found.known) expect(found.cov).toBeGreaterThanOrEqual({ A: 0.05, B: 0.05, C: 0.2, D: 0.3 }[found.evidence]);
    }),
  ));

test('nothing carried over, and no estimate, is called measured', () =>
  fc.assert(
    fc.property(anyGrade, anyProperty, anywhere, (grade, property, at) => {
      const found = resolve(grade, property, at, defaultCompanyRules);
      if (!found.known || (found.evidence !== 'A' && found.evidence !== 'B')) return;
      const used = grade.observations.find(({ id }) => id === found.observationId)!;
      expect(Math.abs((used.temperatureC ?? 23) - (at.temperatureC ?? 23))).toBeLessThanOrEqual(3);
      if (used.source === 'datasheet') expect(used.specimen).toBe('printed');
    }),
  ));

test('a number that no filament reaches is never used, whatever stands beside it', () =>
  fc.assert(
    fc.property(anyGrade, anyProperty, anywhere, (grade, property, at) => {
      const found = resolve(grade, property, at, defaultCompanyRules);
      const used = found.known && grade.observations.find(({ id }) => id === found.observationId);
      // A family's estimate is no report.
      if (!used) return;
      const [least, most] = PROPERTY_DEFINITIONS[used.property].physical;
      expect(used.value).toBeGreaterThanOrEqual(least);
      expect(used.value).toBeLessThanOrEqual(most);
    }),
  ));

test('comparable is the same both ways round, and a full report compares with itself', () =>
  fc.assert(
    fc.property(anyGrade, (grade) => {
      for (const a of grade.observations) {
        for (const b of grade.observations) expect(comparable(a, b).comparable).toBe(comparable(b, a).comparable);
        const full = {
          ...a,
          specimen: 'printed',
          orientation: 'XY',
          conditioning: 'dry',
          notchRadiusMm: 0.25,
        } as Observation;
        const [least, most] = PROPERTY_DEFINITIONS[a.property].physical;
        if (a.value! < least || a.value! > most) continue;
        expect(comparable(full, full).differences).toEqual([]);
      }
    }),
  ));
