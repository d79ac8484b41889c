import type { Brief, EvidenceClass, Observation } from '@anvilstone/schema';
import { formatNumber as f } from '@anvilstone/core/foundations';
import { type Reinforcement, canonicalValue } from '@anvilstone/core/materials';
import type { Check, CheckContext } from '../engine/check.ts';
import { judged, unknown } from '../engine/outcome.ts';

type Range = NonNullable<Brief['asks']['electrostatic']>['range'];

/** Bounds of surface resistance, Ω: conductive below the first, insulating from the second. Source: IEC 61340-5-1. */
const CONDUCTIVE_BELOW_OHM = 1e4;
const INSULATING_FROM_OHM = 1e11;
const WITHIN: Record<Range, (ohm: number) => boolean> = {
  conductive: (ohm) => ohm < CONDUCTIVE_BELOW_OHM,
  dissipative: (ohm) => ohm >= CONDUCTIVE_BELOW_OHM && ohm < INSULATING_FROM_OHM,
  insulating: (ohm) => ohm >= INSULATING_FROM_OHM,
};
/** Air this much drier than in the test may change what an additive does, % RH. */
const HUMIDITY_TOLERANCE_PCT = 5;
/** Typical values of a family stray by this much; only further off are they held against a grade, decades. */
const TYPICAL_MARGIN_DECADES = 1;

/** Surface resistance in the wanted range, measured on a print. “Carbon-filled” is no measurement. */
export const electrostatic: Check = {
  id: 'electrostatic',
  title: 'Electrostatic range',
  anyWayUp: true,
  asks: 'Is the surface resistance in the required range?',
  testedBy: ['surface-resistance'],
  applies: ({ brief }) => brief.asks.electrostatic !== undefined,
  evaluate(context, working) {
    const ask = context.brief.asks.electrostatic!;
    const measured = measurements(context);
    for (const { observation, low, high } of measured) {
      working?.add('R_s', observation.reference, low === high ? low : `${f(low)} to ${f(high)}`, 'Ω', {
        source: [observation.specimen, observation.orientation, humidityOf(observation), voltageOf(observation)]
          .filter(Boolean)
          .join(', '),
      });
    }
    const outside = measured.find(({ low, high }) => !WITHIN[ask.range](low) || !WITHIN[ask.range](high));
    if (outside)
      return judged(
        'fail',
        outside.evidence,
        `Measured ${span(outside)} Ω: not ${ask.range} (${outside.observation.reference})`,
      );
    const onPrint = measured.filter((one) => one.printed && counts(one, context));
    const dry = onPrint.filter(({ observation }) => dryEnough(observation, ask.driestRhPct));
    const best = dry[0];
    if (best && !ask.worn) return judged('pass', best.evidence, `Measured ${span(best)} Ω on a print: ${ask.range}`);
    return withoutMeasurement(context, ask, measured, onPrint, best);
  },
};

/** Of a filler that may not be relied on, only the workshop's own series on a print counts: one reading strays by decades. */
function counts({ observation }: Measured, { material }: CheckContext): boolean {
  const { filler } = material;
  if (!filler || filler.electrostaticControl?.mayBeReliedOn || !mayConduct(filler)) return true;
  return observation.source === 'bench' && (observation.count ?? 1) >= 3;
}

const mayConduct = (filler: Reinforcement) => (filler.surfaceResistivityLog10Ohm?.low ?? 99) < 12;

interface Measured {
  observation: Observation;
  low: number;
  high: number;
  printed: boolean;
  evidence: EvidenceClass;
}

function measurements(context: CheckContext): Measured[] {
  return [...observed(context), ...claimedOnPrints(context)];
}

/** “1e6 to 1e9 Ω”, tested on printed specimens, is a measurement of its maker. */
function claimedOnPrints({ material }: CheckContext): Measured[] {
  return (material.grade.claims ?? []).flatMap((claim) => {
    if (claim.kind !== 'electrostatic' || !claim.scope.startsWith('printed')) return [];
    const numbers = [...claim.statement.matchAll(/\d+(?:\.\d+)?e\d+/gi)].map(([text]) => Number(text));
    if (numbers.length === 0) return [];
    const observation: Observation = {
      id: 'claim',
      property: 'surfaceResistivity',
      unit: 'Ω',
      source: 'datasheet',
      specimen: 'printed',
      reference: `${claim.reference}${claim.standard === undefined ? '' : `, ${claim.standard}`}`,
    };
    return [
      { observation, low: Math.min(...numbers), high: Math.max(...numbers), printed: true, evidence: 'B' as const },
    ];
  });
}

function observed({ material }: CheckContext): Measured[] {
  return material.grade.observations.flatMap((observation) => {
    if (observation.property !== 'surfaceResistivity' || observation.source === 'estimate') return [];
    const end = (value: number) => {
      const reading = canonicalValue({ ...observation, value }, 'surfaceResistivity');
      return reading.ok ? reading.value : Number.NaN;
    };
    const low = end(observation.low ?? observation.value ?? Number.NaN);
    const high = end(observation.high ?? observation.value ?? Number.NaN);
    if (Number.isNaN(low) || Number.isNaN(high)) return [];
    const printed = observation.source === 'bench' || observation.specimen === 'printed';
    return [{ observation, low, high, printed, evidence: printed ? 'B' : 'C' } as Measured];
  });
}

function withoutMeasurement(
  { material }: CheckContext,
  ask: NonNullable<Brief['asks']['electrostatic']>,
  measured: readonly Measured[],
  onPrint: readonly Measured[],
  dry: Measured | undefined,
) {
  const test = `Measure the printed part itself at ${ask.driestRhPct === undefined ? 'the driest air it will see' : `${f(ask.driestRhPct)} % RH`}, 100 V, in two directions${ask.worn ? ', new and after rubbing' : ''} (IEC 61340-2-3)`;
  const claims = (material.grade.claims ?? []).filter((claim) => claim.kind === 'electrostatic');
  const claimed = claims.map(
    (claim) =>
      `Claimed for other conditions: “${claim.statement}” (${claim.scope.replaceAll('-', ' ')}, ${claim.reference})`,
  );
  if (dry) return unknown('Ω', [`${span(dry)} Ω as printed, but its surface is worn in service. ${test}`]);
  if (onPrint.length > 0)
    return unknown('Ω', [
      `${span(onPrint[0]!)} Ω was measured in air ${onPrint[0]!.observation.relativeHumidityPct === undefined ? 'of unstated humidity' : 'damper than asked'}. ${test}`,
      ...claimed,
    ]);
  const { family, filler } = material;
  if (measured.length > 0) {
    const strays = measured[0]!.printed
      ? 'is one reading of a carbon-filled grade, which strays by decades'
      : 'was not measured on a print';
    return unknown('Ω', [`${span(measured[0]!)} Ω ${strays}. ${test}`, ...claimed]);
  }
  const control = filler?.electrostaticControl;
  if (filler && mayConduct(filler)) {
    const what = control?.mayBeReliedOn
      ? 'Made to lead charge away, but never measured on a print'
      : 'Contains carbon: that is no electrostatic rating, and readings stray by several decades';
    return unknown('Ω', [`${what}. ${test}`, ...claimed]);
  }
  if (!family) return unknown('Ω', [`Polymer not stated. ${test}`, ...claimed]);
  const typical = filler?.surfaceResistivityLog10Ohm?.typical ?? family.surfaceResistivityLog10Ohm;
  const insulates = typical >= Math.log10(INSULATING_FROM_OHM) + TYPICAL_MARGIN_DECADES;
  if (ask.range === 'insulating')
    return insulates
      ? judged('pass', 'D', `About ${ohm(10 ** typical)} Ω, typical of ${family.abbreviation}, not measured`)
      : unknown('Ω', [
          `About ${ohm(10 ** typical)} Ω is typical of ${family.abbreviation}: too near the limit. ${test}`,
        ]);
  if (insulates && claims.length === 0)
    return judged('fail', 'D', `${family.abbreviation} keeps its charge: about ${ohm(10 ** typical)} Ω is typical`);
  return unknown('Ω', [`Not measured. ${test}`, ...claimed]);
}

const dryEnough = (observation: Observation, driestRhPct: number | undefined) =>
  driestRhPct === undefined ||
  (observation.relativeHumidityPct !== undefined &&
    observation.relativeHumidityPct <= driestRhPct + HUMIDITY_TOLERANCE_PCT);
const span = ({ low, high }: Measured) => (low === high ? ohm(low) : `${ohm(low)} to ${ohm(high)}`);
const ohm = (value: number) => `${Number(value.toPrecision(2)).toExponential().replace('e+', 'e')}`;
const humidityOf = ({ relativeHumidityPct }: Observation) =>
  relativeHumidityPct === undefined ? 'humidity not stated' : `${f(relativeHumidityPct)} % RH`;
const voltageOf = ({ resistivityVoltageV }: Observation) =>
  resistivityVoltageV === undefined ? '' : `${f(resistivityVoltageV)} V`;
