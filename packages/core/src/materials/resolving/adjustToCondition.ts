import type { Conditioning, CompanyRules, Observation, PropertyId, Statement } from '@anvilstone/schema';
import type { Family } from '../reference/family.ts';
import type { Reinforcement } from '../reference/reinforcement.ts';
import { formatNumber, ROOM_C, say, celsius } from '@anvilstone/core/foundations';
import { canonicalValue, reportedNumber } from './canonicalValue.ts';
import { TEST_PARAMETERS, type TestParameter } from './conditions.ts';
import { crystallinityOf } from '../behaviour/crystals.ts';
import { layerRatioUnder } from './familyEstimate.ts';
import { conditioningRetention } from '../behaviour/moisture.ts';
import { PROPERTY_DEFINITIONS, type PropertyDefinition } from './properties.ts';
import type { DerivationStep, ResolveAt } from './resolution.ts';
import { ROOM_TOLERANCE_K, temperatureFactor, type TemperatureModel } from '../behaviour/temperatureFactor.ts';

export interface AdjustContext {
  property: PropertyId;
  at: ResolveAt;
  rules: CompanyRules;
  family: Family | undefined;
  filler: Reinforcement | undefined;
  /** Needed where the asked temperature is not 23 °C. */
  temperature?: TemperatureModel | undefined;
  /** Writes down each step; the ranking path does not. */
  explain: boolean;
}

/** An observation brought to the wanted condition. `carries` counts the conditions that had to be adjusted. */
export interface Adjusted {
  usable: true;
  observation: Observation;
  value: number;
  adjustments: number;
  steps: DerivationStep[];
}
export interface Unusable {
  usable: false;
  observation: Observation;
  reason: Statement;
}

/** A moisture factor this close to 1 does not make the evidence weaker. */
const NEGLIGIBLE_FACTOR = 0.03;
/** Printed bars fail sooner than moulded ones where a crack may start at a layer line. Ours; see docs/model.md. */
const MOULDED_TO_PRINTED_ELONGATION = 0.5;
const MOULDED_TO_PRINTED_IMPACT = 0.7;

class Adjustment {
  readonly adjusted: Adjusted;
  private readonly explain: boolean;
  constructor(observation: Observation, value: number, explain: boolean) {
    this.adjusted = { usable: true, observation, value, adjustments: 0, steps: [] };
    this.explain = explain;
    this.step(() => sourceSentence(observation));
  }
  times(factor: number, text: Statement, weakens: boolean): void {
    this.adjusted.value *= factor;
    if (weakens) this.adjusted.adjustments += 1;
    this.step(() => say`× ${factor.toFixed(2)} ${text}`);
  }
  weaken(text: Statement): void {
    this.adjusted.adjustments += 1;
    this.step(() => text);
  }
  step(text: () => Statement): void {
    if (this.explain) this.adjusted.steps.push({ text: text(), value: this.adjusted.value });
  }
}

/** Brings one observation to a direction, moisture state and temperature, step by step; or says why it cannot be used there. */
export function adjustToCondition(observation: Observation, context: AdjustContext): Adjusted | Unusable {
  const definition = PROPERTY_DEFINITIONS[context.property];
  const reported = canonicalValue(observation, context.property);
  if (!reported.ok) return { usable: false, observation, reason: reported.reason };
  const mismatch = parameterMismatch(observation, context, definition);
  if (mismatch) return { usable: false, observation, reason: mismatch };
  const adjustment = new Adjustment(observation, reported.value, context.explain);
  if (observation.bound) {
    adjustment.weaken(
      observation.bound === 'atLeast'
        ? 'only a lower bound: the bound is used'
        : 'only an upper bound: the bound is used',
    );
  }
  if (definition.kind === 'other') {
    const reason = otherMismatch(observation, context, definition);
    return reason ? { usable: false, observation, reason } : adjustment.adjusted;
  }
  const reason =
    adjustSpecimen(observation, context, definition, adjustment) ??
    adjustDirection(observation, context, definition, adjustment) ??
    adjustCrystallinity(observation, context, definition, adjustment) ??
    adjustMoisture(observation, context, definition, adjustment) ??
    adjustTemperature(observation, context, definition, adjustment);
  if (reason) return { usable: false, observation, reason };
  sheetKnockDown(observation, context, definition, adjustment);
  return adjustment.adjusted;
}

type Reason = Statement | undefined;

/** A test parameter that is asked for must be stated and the same; a heat deflection without its stress says nothing. */
function parameterMismatch(
  observation: Observation,
  { at }: AdjustContext,
  { conditions }: PropertyDefinition,
): Reason {
  for (const condition of conditions) {
    if (!(condition in TEST_PARAMETERS)) continue;
    const parameter = condition as TestParameter;
    const stated = observation[parameter];
    const wanted = at.parameters?.[parameter];
    if (wanted === undefined) {
      if (parameter === 'hdtStressMPa' && stated === undefined)
        return 'a heat deflection temperature without its stress says nothing';
      continue;
    }
    const title = TEST_PARAMETERS[parameter].title.toLowerCase();
    if (stated === undefined) return `${title} is not stated`;
    const same =
      typeof stated === 'string'
        ? stated === wanted
        : Math.abs(Number(stated) - Number(wanted)) <= 0.02 * Math.abs(Number(wanted));
    if (!same) return `${title} is ${stated}${unitOf(parameter)} and not ${wanted}${unitOf(parameter)}`;
  }
  return undefined;
}
const unitOf = (parameter: TestParameter) =>
  TEST_PARAMETERS[parameter].unit ? ` ${TEST_PARAMETERS[parameter].unit}` : '';

function otherMismatch(observation: Observation, { at }: AdjustContext, definition: PropertyDefinition): Reason {
  const { directional, conditions } = definition;
  if (directional && (observation.orientation === 'ZX' ? 'across' : 'in-plane') !== at.direction) {
    return 'it was measured in another direction, and nothing bridges the two';
  }
  if (!conditions.includes('temperatureC')) return undefined;
  const apart = Math.abs((observation.temperatureC ?? ROOM_C) - (at.temperatureC ?? ROOM_C));
  return apart > ROOM_TOLERANCE_K ? 'it was measured at another temperature' : undefined;
}

function adjustSpecimen(
  observation: Observation,
  { rules }: AdjustContext,
  { kind }: PropertyDefinition,
  adjustment: Adjustment,
): Reason {
  if (observation.source === 'bench' || observation.specimen === 'printed') return undefined;
  const factors = {
    strength: rules.mouldedToPrintedStrengthFactor,
    modulus: rules.mouldedToPrintedModulusFactor,
    elongation: MOULDED_TO_PRINTED_ELONGATION,
    impact: MOULDED_TO_PRINTED_IMPACT,
    other: 1,
  };
  const words = {
    moulded: 'moulded to printed',
    filament: 'filament to printed part, as from a moulded bar',
    printed: '',
    unstated: 'specimen not stated, taken as moulded',
  }[observation.specimen ?? 'unstated'];
  adjustment.times(factors[kind], words, true);
  return undefined;
}

function adjustDirection(
  observation: Observation,
  context: AdjustContext,
  { kind, directional }: PropertyDefinition,
  adjustment: Adjustment,
): Reason {
  if (!directional) return undefined;
  const measured = observation.orientation === 'ZX' ? 'across' : 'in-plane';
  if (measured === context.at.direction) {
    if (!observation.orientation) adjustment.step(() => 'direction not stated, taken as in the layer plane');
    return undefined;
  }
  if (measured === 'across') return 'it was measured across the layers, and the layer plane is asked for';
  if (kind === 'elongation' || kind === 'impact') {
    return 'it was measured in the layer plane; across the layers a part breaks early, and no factor bridges the two';
  }
  const { family, filler } = context;
  if (!family) return 'it was measured in the layer plane, and the family that gives the ratio is not known';
  adjustment.times(
    layerRatioUnder(context.rules, family, filler, kind as 'strength' | 'modulus'),
    'across the layers, typical of the family',
    true,
  );
  return undefined;
}

/** A slow crystalliser is stiffer and stronger once it has crystallised; what its crystals would add to an amorphous bar is not counted. */
function adjustCrystallinity(
  observation: Observation,
  { family, at: { solidity } }: AdjustContext,
  { kind }: PropertyDefinition,
  adjustment: Adjustment,
): Reason {
  if (!family?.printedAmorphous || (kind !== 'modulus' && kind !== 'strength')) return undefined;
  const from = crystallinityOf(observation, family);
  if (from === 'crystallised' && solidity === 'amorphous') {
    const { modulusShare, strengthShare } = family.printedAmorphous;
    adjustment.times(
      kind === 'modulus' ? modulusShare : strengthShare,
      `taken on crystallised bars${observation.crystallinity ? '' : ' (not stated)'}, and as printed it is amorphous`,
      true,
    );
  } else if (from === 'amorphous' && solidity === 'crystallised')
    adjustment.step(() => 'taken on amorphous bars; what crystals add is not counted');
  return undefined;
}

function adjustMoisture(
  observation: Observation,
  { family, at }: AdjustContext,
  { kind }: PropertyDefinition,
  adjustment: Adjustment,
): Reason {
  const from = observation.conditioning ?? 'dry';
  if (from === at.conditioning) return undefined;
  if (!family) {
    adjustment.weaken(`from ${from} to ${at.conditioning}: family not known, no factor`);
    return undefined;
  }
  const factor = moistureFactor(family, kind, from, at.conditioning);
  if (factor === 1) return undefined;
  const stated = observation.conditioning ? from : `${from} (not stated)`;
  adjustment.times(factor, `from ${stated} to ${at.conditioning}`, Math.abs(factor - 1) > NEGLIGIBLE_FACTOR);
  return undefined;
}

const moistureFactor = (family: Family, kind: PropertyDefinition['kind'], from: Conditioning, to: Conditioning) =>
  conditioningRetention(family, kind, to) / conditioningRetention(family, kind, from);

function adjustTemperature(
  observation: Observation,
  context: AdjustContext,
  { kind }: PropertyDefinition,
  adjustment: Adjustment,
): Reason {
  const from = observation.temperatureC ?? ROOM_C;
  const to = context.at.temperatureC ?? ROOM_C;
  if (Math.abs(from - to) <= ROOM_TOLERANCE_K) return undefined;
  if (Math.abs(from - ROOM_C) > ROOM_TOLERANCE_K) return say`it was measured at ${celsius(from)}`;
  const factor = context.temperature && temperatureFactor(context.temperature, kind, to);
  if (factor === undefined) return say`it was measured at ${celsius(from)}, and nothing carries it to ${celsius(to)}`;
  adjustment.times(factor, say`from ${celsius(from)} to ${celsius(to)}, by the grade’s curve`, true);
  return undefined;
}

function sheetKnockDown(
  observation: Observation,
  { rules }: AdjustContext,
  { kind }: PropertyDefinition,
  adjustment: Adjustment,
): void {
  if (observation.source !== 'datasheet' || (kind !== 'strength' && kind !== 'modulus')) return;
  const factor = kind === 'strength' ? rules.datasheetStrengthFactor : rules.datasheetModulusFactor;
  if (factor !== 1) adjustment.times(factor, 'company rule for data sheet values', false);
}

function sourceSentence(observation: Observation): string {
  const kind = { bench: 'own bench', datasheet: 'data sheet', estimate: 'estimate' }[observation.source];
  const count = observation.count ? `, n = ${observation.count}` : '';
  const conditions = [observation.specimen, observation.orientation, observation.conditioning, observation.method]
    .filter(Boolean)
    .join(', ');
  return `${reportedText(observation)} from ${kind} “${observation.reference}”${count}${conditions ? ` (${conditions})` : ''}`;
}

/** The result as it was reported, with its unit: “50 to 60 MPa”, “> 1e13 Ω”, “no break”. */
export function reportedText(observation: Observation): string {
  if (observation.classValue !== undefined) return observation.classValue;
  const number = reportedNumber(observation);
  if (number === undefined) return 'no number';
  const sign = observation.bound === 'atLeast' ? '> ' : observation.bound === 'atMost' ? '< ' : '';
  const shown = observation.value === undefined ? `${observation.low} to ${observation.high}` : formatNumber(number, 4);
  return `${sign}${shown} ${observation.unit}`;
}
