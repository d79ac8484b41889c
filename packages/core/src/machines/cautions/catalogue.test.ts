import type { Brief, Grade } from '@anvilstone/schema';
import { families } from '../../materials/reference/family.ts';
import { findAgent } from '../../materials/reference/agent.ts';
import { defaultCompanyRules } from '../../materials/companyRules/companyRules.ts';
import { testBrief, testGrade } from '../../checks/testContext.ts';
import { CAUTION_PLACES, cautionCatalogue, cautionsFor, type CautionSituation } from './catalogue.ts';
import { handlingCautions } from './handlingCautions.ts';

const asking = (asks: Brief['asks'], rest: Partial<Brief> = {}): Brief => ({ ...testBrief, ...rest, asks });
const grade = (rest: Partial<Grade>): Grade => ({ ...testGrade, ...rest });
const oil = asking({ fluids: [{ agentId: 'mineral-oil', contact: 'splash', temperatureC: 23, hours: 1 }] });

/** A situation that fires it, and one close by that does not. */
const situations: Record<string, [fires: CautionSituation, quiet: CautionSituation]> = {
  'proof-test': [{ brief: { ...testBrief, failureCouldHurt: 'yes' } }, { brief: testBrief }],
  'low-safety-factor': [
    { brief: { ...testBrief, failureCouldHurt: 'yes' }, rules: defaultCompanyRules },
    { brief: testBrief, rules: defaultCompanyRules },
  ],
  fumes: [{ grade: testGrade }, { brief: testBrief }],
  'fibre-dust': [{ grade: grade({ reinforcementId: 'carbon-10' }) }, { grade: testGrade }],
  'fluid-handling': [
    { brief: oil, agent: findAgent },
    { brief: testBrief, agent: findAgent },
  ],
  'electric-shock': [
    { brief: asking({ insulation: { voltageV: 230 } }) },
    { brief: asking({ electrostatic: { range: 'insulating' } }) },
  ],
  'flame-rating': [{ brief: asking({ flameClass: 'V-0' }) }, { brief: testBrief }],
  'food-skin': [{ brief: asking({ skin: 'brief' }) }, { brief: testBrief }],
  sterilising: [{ brief: asking({ sterilise: { method: 'gamma', cycles: 1 } }) }, { brief: testBrief }],
  'dissolving-bath': [
    { brief: asking({ dissolves: { bath: 'd-limonene', withinH: 10 } }) },
    { brief: asking({ dissolves: { bath: 'water', withinH: 10 } }) },
  ],
  'hot-surface': [{ brief: asking({ heat: { steadyC: 60 } }) }, { brief: asking({ heat: { steadyC: 59 } }) }],
  'stored-energy': [{ brief: testBrief }, { grade: testGrade }],
  'stress-crackers': [
    { brief: oil, agent: findAgent },
    {
      brief: asking({ fluids: [{ agentId: 'water-fresh', contact: 'splash', temperatureC: 23, hours: 1 }] }),
      agent: findAgent,
    },
  ],
  'wet-polyamide': [{ grade: grade({ familyId: 'pa6' }) }, { grade: grade({ familyId: 'pa12' }) }],
  'carbon-not-antistatic': [
    { brief: asking({ electrostatic: { range: 'dissipative' } }), grade: grade({ reinforcementId: 'carbon-10' }) },
    { brief: testBrief, grade: grade({ reinforcementId: 'carbon-10' }) },
  ],
  galvanic: [
    {
      brief: asking({
        outdoors: { hoursPerYear: 8766, years: 1, keepPct: 50 },
        thermalFit: { fixedTo: 'aluminium', lengthMm: 50, coldestC: 0, hottestC: 30, allowedMm: 1 },
      }),
      grade: grade({ reinforcementId: 'carbon-10' }),
    },
    { brief: testBrief, grade: grade({ reinforcementId: 'carbon-10' }) },
  ],
};

test('every caution of the catalogue has its situation here', () =>
  expect(Object.keys(situations).sort()).toEqual(cautionCatalogue.map(({ id }) => id).sort()));

describe.each(cautionCatalogue.map((caution) => [caution.id, caution] as const))('%s', (id, { where }) => {
  const [fires, quiet] = situations[id]!;
  test('fires in every place it belongs to, and in no other', () => {
    for (const place of CAUTION_PLACES) {
      const shown = cautionsFor(place, fires).map((one) => one.id);
      if (where.includes(place)) expect(shown).toContain(id);
      else expect(shown).not.toContain(id);
    }
  });
  test('stays quiet where nothing triggers it', () => {
    for (const place of where) expect(cautionsFor(place, quiet).map((one) => one.id)).not.toContain(id);
  });
});

test('people’s cautions come before the part’s', () => {
  const shown = cautionsFor('shortlist', { brief: oil, agent: findAgent, grade: grade({ familyId: 'pa6' }) });
  const order = shown.map(({ protects }) => protects);
  expect(order).toEqual([...order].sort((a, b) => Number(a === 'part') - Number(b === 'part')));
  expect(order).toContain('part');
});

test('the safety factor is measured against what a failure would do', () => {
  const harmless = { ...testBrief, loadCases: [{ ...testBrief.loadCases[0]!, safetyFactor: 1.2 }] };
  const [caution] = cautionsFor('brief', { brief: harmless, rules: defaultCompanyRules });
  expect(caution!.text).toMatch(/below the company minimum of 1.5 for parts that hurt no one: Load/);
});

test('of printing and working: styrene for ABS, dust for carbon, and the safety data sheet last', () => {
  const cautions = handlingCautions(grade({ reinforcementId: 'carbon-10' }));
  expect(cautions[0]).toMatch(/styrene/);
  expect(cautions[1]).toMatch(/dust/);
  expect(cautions.at(-1)).toMatch(/safety data sheet/);
  for (const { id } of families) expect(handlingCautions(grade({ familyId: id })).length).toBeGreaterThan(1);
});

test('a polymer that is not stated is not taken for harmless', () =>
  expect(cautionsFor('print', { grade: grade({ familyId: 'not-stated' }) })[0]!.text).toMatch(
    /treat its fumes as harmful/,
  ));
