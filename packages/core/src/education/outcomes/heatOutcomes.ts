import { formatNumber as f, say, celsius } from '@anvilstone/core/foundations';
import { bareMaterial, saysOf, warm } from './bare.ts';
import type { Answer, KnownOutcome } from './knownOutcome.ts';

const HANDBOOK = 'Ehrenstein, Polymeric Materials, ch. 5';
const WORKSHOP = 'common practice';

/** Keeps its form in warm air for 2000 h with nothing on it, or does not. */
function keeps(
  familyId: string,
  steadyC: number,
  wanted: boolean,
  filler: string | null = null,
  annealed = false,
): Answer {
  const brief = warm(steadyC, annealed ? { annealed: true } : {});
  const heat = saysOf(brief, 'heat-steady', familyId, filler);
  const shape = saysOf(brief, 'keeps-shape', familyId, filler);
  const holds = heat?.status === 'pass' && shape?.status === 'pass';
  const limit = heat?.capacity ?? null;
  return {
    hit: holds === wanted,
    says: say`${holds ? 'holds' : 'does not hold'} at ${celsius(steadyC)}${limit === null ? '' : say`; own limit ${celsius(limit)}`}`,
  };
}

const heat = (id: string, fact: string, source: string, ask: () => Answer): KnownOutcome => ({
  id,
  area: 'Heat and shape',
  fact,
  source,
  ask,
});
const state = (id: string, fact: string, source: string, ask: () => Answer): KnownOutcome => ({
  id,
  area: 'State of the material',
  fact,
  source,
  ask,
});

/** Ratio of two values of a kind, in words. */
function ratio(a: number, b: number, isHit: (ratio: number) => boolean, what: string): Answer {
  return { hit: isHit(a / b), says: `${what}: ${f(a / b)} times` };
}
const modulusAt = (
  family: string,
  filler: string | null,
  temperatureC: number,
  ...rest: [('dry' | 'conditioned' | 'wet')?]
) => {
  const material = bareMaterial(family, filler, ...rest);
  return material.modulus.inPlane.known
    ? material.modulus.inPlane.value * material.modulusRatio(temperatureC)
    : Number.NaN;
};

export const heatOutcomes: readonly KnownOutcome[] = [
  heat('pla-car', 'PLA loses its shape in a parked car (62 °C)', WORKSHOP, () => keeps('pla', 62, false)),
  heat('pla-cf-car', 'Carbon fibre does not save PLA there', WORKSHOP, () => keeps('pla', 62, false, 'carbon-15')),
  heat('pla-annealed', 'Annealed PLA holds at 70 °C', WORKSHOP, () => keeps('pla', 70, true, null, true)),
  heat('petg-60', 'PETG serves to about 60 °C', WORKSHOP, () => keeps('petg', 55, true)),
  heat('petg-88', 'PETG is soft at 88 °C', `${HANDBOOK}: Tg about 80 °C`, () => keeps('petg', 88, false)),
  heat('abs-70', 'ABS holds at 70 °C', `${HANDBOOK}: HDT above 85 °C`, () => keeps('abs', 70, true)),
  heat('abs-105', 'ABS is soft at its glass transition, 105 °C', HANDBOOK, () => keeps('abs', 105, false)),
  heat('pc-110', 'Polycarbonate holds at 110 °C', `${HANDBOOK}: HDT 127 to 137 °C`, () => keeps('pc', 110, true)),
  heat('tpu-180', 'Soft polyurethane does not hold at 180 °C', WORKSHOP, () => keeps('tpu-95a', 180, false)),
  heat('pa12-80', 'Polyamide 12 serves under a bonnet at 80 °C', WORKSHOP, () => keeps('pa12', 80, true)),
  heat('pp-120', 'Polypropylene carries nothing at 120 °C for long', HANDBOOK, () => keeps('pp', 120, false)),
  heat('pei-170', 'PEI is chosen for 170 °C and ABS is not', HANDBOOK, () => {
    const [pei, abs] = [keeps('pei', 165, true), keeps('abs', 165, false)];
    return { hit: pei.hit && abs.hit, says: say`PEI ${pei.says}; ABS ${abs.says}` };
  }),
  heat('amorphous-cliff', 'An amorphous polymer loses nearly all stiffness just above Tg', HANDBOOK, () =>
    ratio(modulusAt('pc', null, 160), modulusAt('pc', null, 23), (r) => r < 0.05, 'PC at 160 °C over 23 °C'),
  ),
  heat('crystals-hold', 'Polyamide 6 keeps about a tenth of its stiffness above its Tg, to 150 °C', HANDBOOK, () =>
    ratio(modulusAt('pa6', null, 150), modulusAt('pa6', null, 23), (r) => r > 0.08, 'PA6 at 150 °C over 23 °C'),
  ),
  heat(
    'glass-lifts-pa',
    'Glass lifts the heat deflection of polyamide by tens of kelvin, of ABS by few',
    HANDBOOK,
    () => {
      const gain = (family: string) =>
        bareMaterial(family, 'glass-30').behaviour!.curve.knots.find(({ kind }) => kind === 'family' || kind === 'hdt')!
          .temperatureC -
        bareMaterial(family).behaviour!.curve.knots.find(({ kind }) => kind === 'family' || kind === 'hdt')!
          .temperatureC;
      const [pa, abs] = [gain('pa6'), gain('abs')];
      return { hit: pa > 20 && abs < 15, says: `PA6 + ${f(pa)} K, ABS + ${f(abs)} K` };
    },
  ),
  state('pet-as-printed', 'PET comes off the printer amorphous and softens at its Tg', HANDBOOK, () =>
    keeps('pet', 100, false, 'carbon-15'),
  ),
  state('pet-annealed', 'Annealed, filled PET holds at 100 °C', HANDBOOK, () =>
    keeps('pet', 100, true, 'carbon-15', true),
  ),
  state('peek-annealed', 'Crystallised PEEK serves at 200 °C', HANDBOOK, () => keeps('peek', 200, true, null, true)),
  state('peek-amorphous', 'Amorphous PEEK does not hold above its Tg, 143 °C', HANDBOOK, () =>
    keeps('peek', 170, false),
  ),
  state(
    'pa6-moist-soft',
    'Polyamide 6 in ordinary air has about half of its dry stiffness',
    'ISO 16396; data of any maker',
    () =>
      ratio(
        modulusAt('pa6', null, 23, 'conditioned'),
        modulusAt('pa6', null, 23),
        (r) => r > 0.3 && r < 0.7,
        'moist over dry',
      ),
  ),
  state('pa12-moist', 'Polyamide 12 minds water far less than polyamide 6', 'ISO 16396', () => {
    const left = (family: string) => modulusAt(family, null, 23, 'conditioned') / modulusAt(family, null, 23);
    return {
      hit: left('pa12') > left('pa6') + 0.1,
      says: `PA12 keeps ${f(100 * left('pa12'))} %, PA6 ${f(100 * left('pa6'))} %`,
    };
  }),
  state('petg-water', 'PETG hardly minds ordinary air', WORKSHOP, () =>
    ratio(modulusAt('petg', null, 23, 'conditioned'), modulusAt('petg', null, 23), (r) => r > 0.95, 'moist over dry'),
  ),
  state(
    'pa6-moist-hot',
    'Above 80 °C a moist polyamide 6 part is nearly as stiff as a dry one: both are past their glass transition',
    'ISO 16396; data of any maker',
    () =>
      ratio(
        modulusAt('pa6', null, 90, 'conditioned'),
        modulusAt('pa6', null, 90),
        (r) => r > 0.75,
        'moist over dry at 90 °C',
      ),
  ),
  state(
    'pa6-moist-frozen',
    'Frozen hard, a moist polyamide 6 part is about as stiff as a dry one',
    'ISO 16396; data of any maker',
    () =>
      ratio(
        modulusAt('pa6', null, -40, 'conditioned'),
        modulusAt('pa6', null, -40),
        (r) => r > 0.75,
        'moist over dry at −40 °C',
      ),
  ),
];
