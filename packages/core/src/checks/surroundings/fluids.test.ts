import { inWords, joined, spellOut } from '@anvilstone/core/foundations';
import type { Brief, FluidContact, Grade, Observation } from '@anvilstone/schema';
import { defaultCompanyRules } from '../../materials/companyRules/companyRules.ts';
import { Working } from '../../foundations/trace/Working.ts';
import { findAgent } from '../../materials/reference/agent.ts';
import { findCheck } from '../index.ts';
import { abs, briefWith, outcome, testBrief, testContext, testGrade } from '../testContext.ts';
import { soakTest } from './fluidVerdict.ts';

const fluid = (change: Partial<FluidContact> = {}): FluidContact => ({
  agentId: 'mineral-oil',
  contact: 'immersion',
  temperatureC: 23,
  hours: 10000,
  ...change,
});
const touched = (fluids: FluidContact[], forceN = 20): Brief => ({
  ...briefWith({ forceN, durationH: 5000 }),
  asks: { fluids },
});
const family = (familyId: string): Grade => ({ ...testGrade, familyId });
const soaked = (classValue: string, rest: Partial<Observation> = {}): Grade => ({
  ...testGrade,
  observations: [
    ...testGrade.observations,
    {
      id: 'soak',
      property: 'chemicalResistance',
      classValue,
      unit: '-',
      agentId: 'mineral-oil',
      temperatureC: 23,
      durationH: 336,
      source: 'bench',
      reference: 'soak 1',
      ...rest,
    },
  ],
});

describe('ratings', () => {
  test('“limited” allows the company’s hours of contact: 100 h against 50 and 200', () => {
    const limited = { agentId: 'alcohols' } as const;
    const short = outcome('chemical', touched([fluid({ ...limited, hours: 50 })]), 'XZ', family('pa12'));
    expect(short).toMatchObject({ status: 'pass', demand: 50, capacity: 100, reserve: 2, evidence: 'D' });
    const long = outcome('chemical', touched([fluid({ ...limited, hours: 200 })]), 'XZ', family('pa12'));
    expect(long).toMatchObject({ status: 'fail', reserve: 0.5 });
  });
  test('a rating for lasting contact is no number of hours, and says that nobody tested it', () => {
    const pp = outcome('chemical', touched([fluid({ agentId: 'acid-strong' })]), 'XZ', family('pp'));
    expect(pp).toMatchObject({ status: 'pass', reserve: null, evidence: 'D' });
    expect(pp.reason).toMatch(/not tested/);
  });
  test('“unsuitable” fails however short the contact, and settles it whatever is not known of the others', () => {
    const brief = touched([fluid({ agentId: 'ketones', hours: 0.1 }), fluid({ agentId: 'nobody-knows' })]);
    expect(outcome('chemical', brief)).toMatchObject({ status: 'fail', reserve: null });
  });
  test('PET off the printer stands a ketone as PETG does; crystallised it is left to its own', () => {
    const brief = touched([fluid({ agentId: 'ketones', hours: 50 })]);
    const plain = { ...family('pet'), observations: [] };
    expect(outcome('chemical', brief, 'XZ', plain).status).toBe('fail');
    expect(outcome('stress-cracking', brief, 'XZ', plain)).toMatchObject({ evidence: 'D' });
    const crystallised: Brief = { ...brief, annealed: true };
    expect(outcome('chemical', crystallised, 'XZ', plain)).toMatchObject({ status: 'pass', reserve: 2 });
    expect(outcome('stress-cracking', crystallised, 'XZ', plain).demand).toBeNull();
  });
  test('the worst of several decides', () => {
    const brief = touched([fluid({ agentId: 'water-fresh' }), fluid({ agentId: 'alcohols', hours: 400 })]);
    const result = outcome('chemical', brief, 'XZ', family('pa12'));
    expect(result).toMatchObject({ status: 'fail', reserve: 0.25 });
  });
  test.each([
    ['an agent nobody has listed', fluid({ agentId: 'nobody-knows' }), 'abs'],
    ['a family the table says nothing of', fluid({ agentId: 'phosphate-ester' }), 'pla'],
    ['warmer than the rating', fluid({ agentId: 'water-fresh', temperatureC: 95 }), 'abs'],
    ['stronger than the rating', fluid({ agentId: 'acid-weak', strength: 'stronger' }), 'pp'],
    ['a polymer that is not stated', fluid(), 'not-stated'],
  ])('unknown, with the soak that would settle it: %s', (_what, one, familyId) => {
    const result = outcome('chemical', touched([one]), 'XZ', family(familyId));
    expect(result).toMatchObject({ status: 'unknown', reserve: null });
    expect(inWords(joined(result.gaps, '; '))).toMatch(/three printed specimens|Chemicals/);
  });
});

test.each([
  ['immersion', /^Soak three/],
  ['vapour', /above/],
  ['splash', /^Keep three/],
  ['wipe', /^Wipe three/],
] as const)('the test meets the part as the fluid does: %s', (contact, words) => {
  expect(spellOut(soakTest(findAgent('alcohols')!, fluid({ contact, hours: 12 })))).toMatch(words);
  expect(spellOut(soakTest(findAgent('alcohols')!, fluid({ contact, hours: 12 })))).toMatch(/12 h/);
});

describe('own immersion results', () => {
  test('override what is typical of the family, and say so', () => {
    const result = outcome('chemical', touched([fluid()]), 'XZ', soaked('unsuitable'));
    expect(result).toMatchObject({ status: 'fail', evidence: 'B' });
    expect(spellOut(result.reason)).toMatch(/own immersion test.*overrides “limited”/);
  });
  test('a week counts as lasting; a day only for a day', () => {
    expect(outcome('chemical', touched([fluid()]), 'XZ', soaked('resistant'))).toMatchObject({
      status: 'pass',
      reserve: null,
      evidence: 'B',
    });
    const day = soaked('resistant', { durationH: 24 });
    expect(outcome('chemical', touched([fluid({ hours: 240 })]), 'XZ', day)).toMatchObject({ reserve: 0.1 });
  });
  test('a soak in cooler fluid says nothing of a warmer one; a bad one in cooler fluid is bad enough', () => {
    const warm = touched([fluid({ temperatureC: 60, hours: 10 })]);
    expect(outcome('chemical', warm, 'XZ', soaked('resistant')).evidence).not.toBe('B');
    expect(outcome('chemical', warm, 'XZ', soaked('unsuitable')).status).toBe('fail');
  });
  test('the workshop’s own agent is found before the table’s', () => {
    const context = testContext(touched([fluid()]), 'XZ');
    const own = { ...context.agent('mineral-oil')!, ratings: {} };
    expect(findCheck('chemical')!.evaluate({ ...context, agent: () => own }).status).toBe('unknown');
  });
});

describe('stress cracking', () => {
  // σ = 1.3552·M/W = 1.3552·F·100/333.33; limit 0.3 % · 2000 MPa = 6 MPa
  test('an amorphous grade in oil passes unstressed and fails stressed', () => {
    const oil = fluid({ contact: 'splash', hours: 80 });
    const light = outcome('stress-cracking', touched([oil], 5));
    expect(light).toMatchObject({ status: 'pass', unit: 'MPa', evidence: 'D' });
    expect(light.demand).toBeCloseTo(1.35519 * 5 * 0.3, 4);
    expect(light.capacity).toBeCloseTo(6, 9);
    expect(outcome('stress-cracking', touched([oil], 20)).status).toBe('fail');
    for (const forceN of [5, 20]) expect(outcome('chemical', touched([oil], forceN)).status).toBe('pass');
  });
  test('a load that comes once opens no crack, a held movement does', () => {
    const once: Brief = { ...briefWith({ kind: 'short', forceN: 60 }), asks: { fluids: [fluid()] } };
    expect(outcome('stress-cracking', once)).toMatchObject({ status: 'pass', reserve: null });
    const held: Brief = { ...briefWith({ kind: 'held', displacementMm: 4 }), asks: { fluids: [fluid()] } };
    expect(outcome('stress-cracking', held).status).toBe('fail');
  });
  test('warm, the limit falls with the modulus', () => {
    const warm = outcome('stress-cracking', touched([fluid({ temperatureC: 50 })], 5));
    expect(warm.capacity!).toBeLessThan(6);
  });
  test('mostly but not only amorphous: polyamide 6 in chloride de-icer', () => {
    const deicer = touched([fluid({ agentId: 'deicing-chloride' })], 30);
    expect(outcome('stress-cracking', deicer, 'XZ', family('pa6')).status).toBe('fail');
    expect(outcome('stress-cracking', deicer, 'XZ', family('pp'))).toMatchObject({ status: 'pass', reserve: null });
  });
  test('a bent strip soaked in the fluid takes the place of the threshold', () => {
    const bent = soaked('resistant', { creepStressMPa: 12 });
    const result = outcome('stress-cracking', touched([fluid()], 20), 'XZ', bent);
    expect(result).toMatchObject({ status: 'pass', evidence: 'B', capacity: 12 });
  });
  test.each([
    ['an agent nobody has listed', fluid({ agentId: 'nobody-knows' })],
    ['warmer than its rating speaks of', fluid({ agentId: 'water-fresh', temperatureC: 95 })],
    ['stronger than its rating speaks of', fluid({ agentId: 'acid-weak', strength: 'stronger' })],
  ])('not passed over: %s', (_what, one) =>
    expect(outcome('stress-cracking', touched([one], 2))).toMatchObject({ status: 'unknown', reserve: null }),
  );
  test('a bent strip proves nothing after an hour, or of a stronger fluid', () => {
    const hour = soaked('resistant', { creepStressMPa: 12, durationH: 1 });
    expect(outcome('stress-cracking', touched([fluid()], 20), 'XZ', hour).status).toBe('fail');
    const week = soaked('resistant', { creepStressMPa: 12 });
    expect(outcome('stress-cracking', touched([fluid({ strength: 'stronger' })], 20), 'XZ', week).status).toBe('fail');
  });
  test('the threshold is a company rule, shown in the working', () => {
    const context = testContext(touched([fluid()], 5), 'XZ', testGrade, {
      ...defaultCompanyRules,
      stressCrackStrainPct: 0.1,
    });
    const working = new Working();
    expect(findCheck('stress-cracking')!.evaluate(context, working).capacity).toBeCloseTo(2, 9);
    expect(working.steps.find((step) => step.symbol === 'ε_c')).toMatchObject({ value: 0.1 });
  });
  test('what the table says nothing of stays unknown', () =>
    expect(outcome('stress-cracking', touched([fluid({ agentId: 'ozone' })], 5), 'XZ', family('pvb')).status).toBe(
      'unknown',
    ));
});

describe('in the open', () => {
  const outside = (years: number, keepPct = 60): Brief => ({
    ...testBrief,
    asks: { outdoors: { hoursPerYear: 8766, years, keepPct } },
  });
  // ASA keeps 0.95 per 1000 h: 0.95² after two years
  test('r^(hours/1000): ASA after two years', () => {
    const result = outcome('outdoors', outside(2), 'XZ', family('asa'));
    expect(result.capacity).toBeCloseTo(100 * 0.95 ** 2, 6);
    expect(result).toMatchObject({ status: 'pass', evidence: 'D', unit: '%' });
  });
  test('the loads find the strength that is left, not the new one', () => {
    const new_ = outcome('strength-in-plane', testBrief, 'XZ', family('asa'));
    const old = outcome('strength-in-plane', outside(2), 'XZ', family('asa'));
    expect(old.capacity! / new_.capacity!).toBeCloseTo(0.95 ** 2, 9);
  });
  test('unstabilised styrenics are refused by company rule, or judged like the others', () => {
    expect(outcome('outdoors', outside(0.1, 10)).reason).toMatch(/Company rule/);
    const judge = testContext(outside(0.1, 10), 'XZ', testGrade, {
      ...defaultCompanyRules,
      styrenicsOutdoors: 'judge',
    });
    expect(findCheck('outdoors')!.evaluate(judge)).toMatchObject({ status: 'pass' });
    expect(abs.uvClass).toBe('poor');
  });
  test('the grade’s own result, brought to 1000 h, leads', () => {
    const own: Grade = {
      ...testGrade,
      observations: [
        ...testGrade.observations,
        {
          id: 'w',
          property: 'weatheringRetention',
          value: 81,
          unit: '%',
          durationH: 2000,
          source: 'bench',
          reference: 'rack',
        },
      ],
    };
    expect(outcome('outdoors', outside(1), 'XZ', own)).toMatchObject({ evidence: 'B', status: 'pass' });
    expect(outcome('outdoors', outside(1), 'XZ', own).capacity).toBeCloseTo(90, 6);
  });
});
