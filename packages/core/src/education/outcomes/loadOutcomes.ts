import type { Conditioning } from '@anvilstone/schema';
import { formatNumber as f, say, celsius } from '@anvilstone/core/foundations';
import { bareMaterial, briefWith, saysOf } from './bare.ts';
import type { Answer, KnownOutcome, OutcomeArea } from './knownOutcome.ts';

const HANDBOOK = 'Ehrenstein, Polymeric Materials';
const WORKSHOP = 'common practice';
const outcome =
  (area: OutcomeArea) =>
  (id: string, fact: string, source: string, ask: () => Answer): KnownOutcome => ({
    id,
    area,
    fact,
    source,
    ask,
  });
const time = outcome('Time and load');
const cold = outcome('Cold and knocks');
const layers = outcome('Layers and notches');

const growth = (family: string, filler: string | null, celsius: number, hours: number, state: Conditioning = 'dry') =>
  bareMaterial(family, filler, state).creepGrowth(celsius, hours);
const valueOf = (
  family: string,
  filler: string | null,
  property: Parameters<ReturnType<typeof bareMaterial>['property']>[0],
  direction: 'in-plane' | 'across' = 'in-plane',
) => {
  const found = bareMaterial(family, filler).property(property, direction);
  return found.known ? found.value : Number.NaN;
};
const compared = (left: string, a: number, right: string, b: number, hit: boolean): Answer => ({
  hit,
  says: `${left} ${f(a)}, ${right} ${f(b)}`,
});
/** A tap of 0.3 J on the arm. */
const knock = (temperatureC: number) =>
  briefWith({}, { kind: 'knock', forceN: undefined, energyJ: 0.3, temperatureC, durationH: 1 / 60 });
const reserve = (temperatureC: number, checkId: string, family: string, filler: string | null = null) =>
  saysOf(knock(temperatureC), checkId, family, filler)?.reserve ?? Number.NaN;

export const loadOutcomes: readonly KnownOutcome[] = [
  time('pp-creeps', 'Polypropylene creeps far more than polycarbonate', `${HANDBOOK}, ch. 5`, () => {
    const [pp, pc] = [growth('pp', null, 23, 1000), growth('pc', null, 23, 1000)];
    return compared('after 1000 h PP ×', pp, 'PC ×', pc, pp > 1.3 * pc);
  }),
  time('warm-creeps', 'Warmth speeds creep up', `${HANDBOOK}, ch. 5`, () => {
    const [warm, room] = [growth('petg', null, 50, 1000), growth('petg', null, 23, 1000)];
    return compared('PETG at 50 °C ×', warm, 'at 23 °C ×', room, warm > 1.1 * room);
  }),
  time('moist-glass-creeps', 'Glass-filled polyamide creeps more when moist', 'data of any maker', () => {
    const [moist, dry] = [
      growth('pa6', 'glass-30', 23, 1000, 'conditioned') - 1,
      growth('pa6', 'glass-30', 23, 1000) - 1,
    ];
    return compared('creep moist', moist, 'dry', dry, moist > 1.3 * dry);
  }),
  time('glass-creep', 'Glass holds creep back at room temperature', `${HANDBOOK}, ch. 5`, () => {
    const [filled, neat] = [growth('pa6', 'glass-30', 23, 1000), growth('pa6', null, 23, 1000)];
    return compared('filled ×', filled, 'neat ×', neat, filled < neat);
  }),
  time(
    'long-load-strength',
    'A load that stays for years bears less than one for a minute',
    'ISO 899-1; static fatigue',
    () => {
      const left = bareMaterial('abs').strengthFactor(23, 8766) / bareMaterial('abs').strengthFactor(23, 1 / 60);
      return { hit: left < 0.85, says: `after a year ABS bears ${f(100 * left)} %` };
    },
  ),
  time('pla-creeps-warm', 'PLA creeps quickly from 45 °C on', WORKSHOP, () => {
    const [warm, room] = [growth('pla', null, 48, 100), growth('pla', null, 23, 100)];
    return compared('PLA at 48 °C ×', warm, 'at 23 °C ×', room, warm > 2 * room);
  }),
  cold('pla-cold', 'PLA is no shock-proof choice at −30 °C; PC, TPU and PA12 are better', WORKSHOP, () => {
    const pla = reserve(-30, 'impact-unbroken', 'pla');
    const best = Math.min(...['pc', 'tpu-95a', 'pa12'].map((family) => reserve(-30, 'impact-unbroken', family)));
    return compared(
      'least of the others',
      best,
      'PLA',
      pla,
      best > pla && (saysOf(knock(-30), 'struck-fast', 'pla')?.status ?? '') === 'fail',
    );
  }),
  cold('abs-pla', 'ABS takes a knock better than PLA', WORKSHOP, () => {
    const [abs, pla] = [reserve(23, 'impact-unbroken', 'abs'), reserve(23, 'impact-unbroken', 'pla')];
    return compared('ABS', abs, 'PLA', pla, abs > 2 * pla);
  }),
  cold('pmma-snaps', 'PMMA snaps without warning', HANDBOOK, () => {
    const found = saysOf(briefWith({ asks: { mustWarn: true } }), 'failure-manner', 'pmma');
    return { hit: found?.status === 'fail', says: found?.reason ?? 'not asked' };
  }),
  cold('pp-warns', 'Polypropylene bends a long way before it breaks', HANDBOOK, () => {
    const found = saysOf(briefWith({ asks: { mustWarn: true } }), 'failure-manner', 'pp');
    return { hit: found?.status === 'pass', says: found?.reason ?? 'not asked' };
  }),
  cold('glass-embrittles', 'Glass takes notched energy from tough polyamide', HANDBOOK, () => {
    const [filled, neat] = [valueOf('pa12', 'glass-30', 'charpyNotched'), valueOf('pa12', null, 'charpyNotched')];
    return compared('filled', filled, 'neat', neat, filled < neat);
  }),
  cold('tpu-folds', 'Soft polyurethane does not break in the notched test at room temperature', 'ISO 179', () => {
    const value = valueOf('tpu-95a', null, 'charpyNotched');
    return { hit: value === Infinity, says: value === Infinity ? 'does not break' : `${f(value)} kJ/m²` };
  }),
  cold('pp-cold', 'Polypropylene turns brittle near 0 °C', HANDBOOK, () => {
    const value = valueOf('pp', null, 'brittlenessTemperature');
    return { hit: value >= -20 && value <= 10, says: say`brittle below ${celsius(value)}` };
  }),
  cold(
    'pc-thick',
    'Thick polycarbonate breaks brittle where thin is tough',
    'ISO 179: notched energy by thickness',
    () => {
      const of = (depthMm: number) => {
        const part = {
          model: 'cantilever-arm',
          spanMm: 100,
          section: { kind: 'rectangle', widthMm: 20, depthMm },
          filletRadiusMm: 1,
        } as const;
        const brief = { ...knock(23), part };
        const area = 20 * depthMm;
        return (saysOf(brief, 'impact-unbroken', 'pc')?.capacity ?? Number.NaN) / area;
      };
      const [thin, thick] = [of(3) * 1000, of(12) * 1000];
      return compared('kJ/m² at 3 mm', thin, 'at 12 mm', thick, thick < 0.7 * thin);
    },
  ),
  layers('z-weaker', 'Upright bars bear less than flat ones, of every family', 'ISO/ASTM 52921 practice', () => {
    const families = ['pla', 'petg', 'abs', 'pc', 'pa12', 'pp'];
    const shares = families.map((family) => {
      const { strength } = bareMaterial(family);
      return strength.across.known && strength.inPlane.known
        ? strength.across.value / strength.inPlane.value
        : Number.NaN;
    });
    return {
      hit: shares.every((share) => share < 1),
      says: `${f(100 * Math.min(...shares))} to ${f(100 * Math.max(...shares))} % is left`,
    };
  }),
  layers('fibre-z', 'Chopped fibre stiffens the layers and weakens their bond', WORKSHOP, () => {
    const left = (filler: string | null) => {
      const { strength } = bareMaterial('pa6', filler);
      return strength.across.known && strength.inPlane.known
        ? strength.across.value / strength.inPlane.value
        : Number.NaN;
    };
    return compared('upright over flat, filled', left('carbon-15'), 'neat', left(null), left('carbon-15') < left(null));
  }),
  layers('abs-bond', 'Printed openly, ABS parts between its layers before PLA does', WORKSHOP, () => {
    const bond = (family: string) => {
      const { strength } = bareMaterial(family);
      return strength.across.known && strength.inPlane.known
        ? strength.across.value / strength.inPlane.value
        : Number.NaN;
    };
    return compared('ABS', bond('abs'), 'PLA', bond('pla'), bond('abs') < bond('pla'));
  }),
  layers('z-knock', 'Across the layers a knock breaks a part sooner than along them', WORKSHOP, () => {
    const [across, along] = [valueOf('petg', null, 'charpyNotched', 'across'), valueOf('petg', null, 'charpyNotched')];
    return compared('across', across, 'along', along, across < 0.7 * along);
  }),
  layers('pc-notch', 'Polycarbonate is tough, and helpless against a notch', HANDBOOK, () => {
    const share = (family: string) =>
      valueOf(family, null, 'charpyNotched', 'across') / valueOf(family, null, 'charpyNotched');
    return compared('left across the layers, PC', share('pc'), 'ABS', share('abs'), share('pc') < share('abs'));
  }),
  layers('warm-air-bond', 'Printed in warm air, ABS bonds better between its layers than openly', WORKSHOP, () => ({
    hit: false,
    says: 'the bond does not depend on how it was printed',
  })),
  layers('wide-nozzle', 'A wider bead at the same layer height bonds better', WORKSHOP, () => ({
    hit: false,
    says: 'the bond does not depend on the bead',
  })),
];
