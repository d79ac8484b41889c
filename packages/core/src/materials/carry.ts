import type { HouseRules, Observation, PropertyId } from '@anvilstone/schema';
import type { Family } from '../reference/family.ts';
import type { Reinforcement } from '../reference/reinforcement.ts';
import { toCanonical } from '../units/convert.ts';
import { formatNumber } from '../units/formatQuantity.ts';
import { layerRatio } from './familyEstimate.ts';
import { conditioningRetention } from './moisture.ts';
import { PROPERTY_DEFINITIONS } from './properties.ts';
import type { DerivationStep, ResolveAt } from './resolution.ts';

export interface CarryContext {
  property: PropertyId;
  at: ResolveAt;
  rules: HouseRules;
  family: Family | undefined;
  filler: Reinforcement | undefined;
  /** Writes down each step; the ranking path does not. */
  explain: boolean;
}

/** An observation brought to the wanted condition. `carries` counts the conditions that had to be bridged. */
export interface Carried {
  observation: Observation;
  value: number;
  carries: number;
  steps: DerivationStep[];
}

/** Test temperatures within this of 23 °C count as room temperature. */
const ROOM_TOLERANCE_K = 3;
/** A moisture factor this close to 1 does not make the evidence weaker. */
const NEGLIGIBLE_FACTOR = 0.03;

/**
 * Brings one observation to a direction and moisture state, step by step. Null: it cannot be used there (another
 * temperature, an unreadable unit, no number, or a bridge that needs a family that is not known).
 */
export function carry(observation: Observation, context: CarryContext): Carried | null {
  const { property, at, rules, family, filler, explain } = context;
  const { kind, directional } = PROPERTY_DEFINITIONS[property];
  if (Math.abs((observation.temperatureC ?? 23) - 23) > ROOM_TOLERANCE_K) return null;
  const reported = canonicalValue(observation, property);
  if (reported === null) return null;
  const carried: Carried = { observation, value: reported, carries: 0, steps: [] };
  if (explain) carried.steps.push({ text: sourceSentence(observation), value: reported });
  const apply = (factor: number, text: string, weakens: boolean) => {
    carried.value *= factor;
    if (weakens) carried.carries += 1;
    if (explain) carried.steps.push({ text: `× ${factor.toFixed(2)} ${text}`, value: carried.value });
  };

  if (kind !== 'other') {
    if (observation.source !== 'bench' && observation.specimen !== 'printed') {
      const factor = kind === 'strength' ? rules.mouldedToPrintedStrengthFactor : rules.mouldedToPrintedModulusFactor;
      apply(
        factor,
        observation.specimen === 'moulded' ? 'moulded to printed' : 'specimen not stated, taken as moulded',
        true,
      );
    }
    if (directional && !bridgeDirection(observation, context, kind, apply)) return null;
    if (family) bridgeMoisture(observation, family, kind, at, apply);
    else if ((observation.conditioning ?? 'dry') !== at.conditioning) carried.carries += 1;
    if (observation.source === 'datasheet') {
      const factor = kind === 'strength' ? rules.datasheetStrengthFactor : rules.datasheetModulusFactor;
      if (factor !== 1) apply(factor, 'house rule for data sheet values', false);
    }
  }
  return carried;

  function bridgeDirection(
    from: Observation,
    { at: to }: CarryContext,
    of: 'strength' | 'modulus',
    then: typeof apply,
  ) {
    const measured = from.orientation === 'ZX' ? 'across' : 'in-plane';
    if (measured === to.direction) {
      if (explain && !from.orientation)
        carried.steps.push({ text: 'direction not stated, taken as in the layer plane', value: carried.value });
      return true;
    }
    if (!family || measured === 'across') return false;
    then(layerRatio(family, filler, of), 'across the layers, typical of the family', true);
    return true;
  }
}

function bridgeMoisture(
  observation: Observation,
  family: Family,
  kind: 'strength' | 'modulus',
  at: ResolveAt,
  apply: (factor: number, text: string, weakens: boolean) => void,
): void {
  const from = observation.conditioning ?? 'dry';
  if (from === at.conditioning) return;
  const factor = conditioningRetention(family, kind, at.conditioning) / conditioningRetention(family, kind, from);
  if (factor === 1) return;
  const stated = observation.conditioning ? from : `${from} (not stated)`;
  apply(factor, `from ${stated} to ${at.conditioning}`, Math.abs(factor - 1) > NEGLIGIBLE_FACTOR);
}

/** The reported number in the canonical unit; the middle of a range. Null when there is no number or no such unit. */
export function canonicalValue(observation: Observation, property: PropertyId): number | null {
  const { low, high } = observation;
  const value = observation.value ?? (low !== undefined && high !== undefined ? (low + high) / 2 : undefined);
  if (value === undefined) return null;
  try {
    return toCanonical(value, observation.unit, PROPERTY_DEFINITIONS[property].dimension);
  } catch {
    return null; // an unreadable unit is a gap in the evidence; the importer and the editor refuse it at its cause
  }
}

function sourceSentence(observation: Observation): string {
  const kind = { bench: 'own bench', datasheet: 'data sheet', estimate: 'estimate' }[observation.source];
  const number = observation.value ?? `${observation.low} to ${observation.high}`;
  const count = observation.count ? `, n = ${observation.count}` : '';
  const conditions = [observation.specimen, observation.orientation, observation.conditioning, observation.method]
    .filter(Boolean)
    .join(', ');
  const shown = typeof number === 'number' ? formatNumber(number, 4) : number;
  return `${shown} ${observation.unit} from ${kind} “${observation.reference}”${count}${conditions ? ` (${conditions})` : ''}`;
}
