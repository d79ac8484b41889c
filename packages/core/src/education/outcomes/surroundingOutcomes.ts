import type { Brief } from '@anvilstone/schema';
import { formatNumber as f, say } from '@anvilstone/core/foundations';
import { bareMaterial, briefWith, saysOf } from './bare.ts';
import type { Answer, KnownOutcome, OutcomeArea } from './knownOutcome.ts';

const WORKSHOP = 'common practice';
const CHEMISTRY = 'chemical resistance tables of any handbook';
const outcome =
  (area: OutcomeArea) =>
  (id: string, fact: string, source: string, ask: () => Answer): KnownOutcome => ({
    id,
    area,
    fact,
    source,
    ask,
  });
const outside = outcome('Surroundings');
const claims = outcome('Claims and charge');
const rubs = outcome('Rubbing and growing');

const asked = (asks: Brief['asks'], checkId: string, family: string, filler: string | null = null) =>
  saysOf(briefWith({ asks }), checkId, family, filler);
const statusIs = (found: ReturnType<typeof asked>, wanted: string): Answer => ({
  hit: found?.status === wanted,
  says: say`${found?.status ?? 'not asked'}${found?.reason ? say`: ${found.reason}` : found?.gaps[0] ? say`: ${found.gaps[0]}` : ''}`,
});
/** In a fluid for half a year, unloaded. */
const soaked = (agentId: string, family: string, wanted: string): Answer =>
  statusIs(
    asked({ fluids: [{ agentId, contact: 'immersion', temperatureC: 23, hours: 4000 }] }, 'chemical', family),
    wanted,
  );
const outdoors = { outdoors: { hoursPerYear: 8766, years: 3, keepPct: 60 } };
const valueOf = (
  family: string,
  filler: string | null,
  property: Parameters<ReturnType<typeof bareMaterial>['property']>[0],
) => {
  const found = bareMaterial(family, filler).property(property);
  return found.known ? found.value : Number.NaN;
};
const compared = (left: string, a: number, right: string, b: number, hit: boolean): Answer => ({
  hit,
  says: `${left} ${f(a)}, ${right} ${f(b)}`,
});

export const surroundingOutcomes: readonly KnownOutcome[] = [
  outside('abs-outdoors', 'Neat ABS yellows and embrittles outdoors', WORKSHOP, () =>
    statusIs(asked(outdoors, 'outdoors', 'abs'), 'fail'),
  ),
  outside('asa-outdoors', 'ASA stands the weather for years', WORKSHOP, () =>
    statusIs(asked(outdoors, 'outdoors', 'asa'), 'pass'),
  ),
  outside('abs-acetone', 'Acetone dissolves ABS', CHEMISTRY, () => soaked('ketones', 'abs', 'fail')),
  outside('pp-acid', 'Polypropylene stands strong acids', CHEMISTRY, () => soaked('acid-strong', 'pp', 'pass')),
  outside('pa-acid', 'Strong acid destroys polyamide', CHEMISTRY, () => soaked('acid-strong', 'pa6', 'fail')),
  outside('pa-oil', 'Polyamide stands oil', CHEMISTRY, () => soaked('mineral-oil', 'pa6', 'pass')),
  outside('pc-alkali', 'Strong alkali eats polycarbonate', CHEMISTRY, () => soaked('base-strong', 'pc', 'fail')),
  outside('pla-hot-water', 'Hot water destroys PLA', WORKSHOP, () => soaked('water-hot', 'pla', 'fail')),
  outside(
    'pc-solvent-stress',
    'A bent polycarbonate part cracks in a solvent that it would stand unloaded',
    CHEMISTRY,
    () => {
      const brief = briefWith(
        { asks: { fluids: [{ agentId: 'alcohols', contact: 'splash', temperatureC: 23, hours: 50 }] } },
        { forceN: 40 },
      );
      return statusIs(saysOf(brief, 'stress-cracking', 'pc'), 'fail');
    },
  ),
  outside('pa-chloride', 'De-icing chloride cracks polyamide 6 under stress', 'road-salt failures of polyamide', () => {
    const brief = briefWith(
      { asks: { fluids: [{ agentId: 'deicing-chloride', contact: 'splash', temperatureC: 23, hours: 50 }] } },
      { forceN: 40 },
    );
    const found = saysOf(brief, 'stress-cracking', 'pa6');
    return { hit: found?.status === 'fail' || found?.status === 'unknown', says: statusIs(found, 'fail').says };
  }),
  claims('carbon-esd', '“Contains carbon” is no electrostatic rating', 'IEC 61340-5-1', () =>
    statusIs(asked({ electrostatic: { range: 'dissipative' } }, 'electrostatic', 'petg', 'carbon-15'), 'unknown'),
  ),
  claims('abs-flame', 'Unmodified ABS burns: no V-0', 'UL 94', () =>
    statusIs(asked({ flameClass: 'V-0' }, 'flame', 'abs'), 'fail'),
  ),
  claims('pei-flame', 'That PEI is usually V-0 certifies no print', 'UL 94', () =>
    statusIs(asked({ flameClass: 'V-0' }, 'flame', 'pei'), 'unknown'),
  ),
  claims('food-layer-lines', 'A food-grade polymer makes no food-safe print', 'EU 10/2011 practice', () =>
    statusIs(asked({ food: 'wet-or-fatty' }, 'food', 'petg'), 'unknown'),
  ),
  claims('petg-insulates', 'Unfilled plastics insulate', 'IEC 62631', () => {
    const value = valueOf('petg', null, 'surfaceResistivity');
    return { hit: value >= 1e12, says: `10^${f(Math.log10(value))} Ω` };
  }),
  rubs('pom-slides', 'POM and polyamide slide better than ABS', 'Czichos & Habig, Tribologie-Handbuch', () => {
    const [pom, abs] = [valueOf('pom', null, 'pvLimit'), valueOf('abs', null, 'pvLimit')];
    return compared('p·v POM', pom, 'ABS', abs, pom > abs);
  }),
  rubs('ptfe-friction', 'PTFE in it lowers friction', 'Czichos & Habig', () => {
    const [filled, neat] = [
      valueOf('pa6', 'ptfe-lubricant', 'frictionVsSteel'),
      valueOf('pa6', null, 'frictionVsSteel'),
    ];
    return compared('µ with', filled, 'without', neat, filled < neat);
  }),
  rubs('carbon-wears-steel', 'Glass and carbon fibre wear a brass nozzle', WORKSHOP, () => {
    const { filler } = bareMaterial('petg', 'carbon-15');
    return { hit: filler!.abrasive, says: filler!.abrasive ? 'abrasive: a hardened nozzle' : 'not abrasive' };
  }),
  rubs('expansion-steel', 'Plastics grow four to ten times as much as steel', 'any handbook', () => {
    const families = ['pla', 'abs', 'pc', 'pa12', 'pp'];
    const ratios = families.map((family) => valueOf(family, null, 'thermalExpansion') / 12);
    return {
      hit: ratios.every((one) => one > 4 && one < 16),
      says: `${f(Math.min(...ratios))} to ${f(Math.max(...ratios))} times`,
    };
  }),
  rubs('fibre-expansion', 'Fibre halves what a plastic grows along it', 'any handbook', () => {
    const [filled, neat] = [valueOf('pa6', 'carbon-15', 'thermalExpansion'), valueOf('pa6', null, 'thermalExpansion')];
    return compared('with', filled, 'without', neat, filled < 0.6 * neat);
  }),
  rubs('pa-swells', 'A polyamide 6 part swells in humid air, a PETG part hardly', 'ISO 62', () => {
    const [pa, petg] = [valueOf('pa6', null, 'waterAt50Rh'), valueOf('petg', null, 'waterAt50Rh')];
    return compared('water at 50 % RH, PA6 %', pa, 'PETG %', petg, pa > 5 * petg);
  }),
];
