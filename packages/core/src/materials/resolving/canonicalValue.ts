import type { Observation, PropertyId } from '@anvilstone/schema';
import { findUnit, toCanonical } from '@anvilstone/core/foundations';
import { PROPERTY_DEFINITIONS } from './properties.ts';

export type CanonicalValue = { ok: true; value: number } | { ok: false; reason: string };

const NO_NUMBER: CanonicalValue = { ok: false, reason: 'it has no number' };
const NO_UNIT: CanonicalValue = { ok: false, reason: 'its unit does not belong to this property' };
const NO_LIGAMENT: CanonicalValue = {
  ok: false,
  reason:
    'energy per thickness (J/m) becomes energy per area only with the depth left under the notch, which is not stated',
};
const IMPOSSIBLE: CanonicalValue = { ok: false, reason: 'no filament reaches it' };
const NO_BREAK: CanonicalValue = { ok: true, value: Infinity };

/**
 * The reported number in the canonical unit; the middle of a range; infinite where the bar did not break. One that no filament reaches is
 * none, whoever stored it: nothing can be computed with a density of nought.
 * Izod in J/m: energy ÷ specimen thickness; over the depth left under the notch, mm, it is kJ/m² (ASTM D256: 10.16 mm, so
 * 100 J/m = 9.84 kJ/m²).
 */
export function canonicalValue(observation: Observation, property: PropertyId): CanonicalValue {
  const { dimension, wording } = PROPERTY_DEFINITIONS[property];
  if (observation.classValue !== undefined && wording?.includes(observation.classValue)) return NO_BREAK;
  const value = reportedNumber(observation);
  if (value === undefined) return NO_NUMBER;
  if (findUnit(dimension, observation.unit)) return within(property, toCanonical(value, observation.unit, dimension));
  if (dimension === 'impact' && findUnit('impactPerThickness', observation.unit)) {
    if (observation.ligamentMm === undefined) return NO_LIGAMENT;
    return within(property, toCanonical(value, observation.unit, 'impactPerThickness') / observation.ligamentMm);
  }
  return NO_UNIT;
}

function within(property: PropertyId, value: number): CanonicalValue {
  const [least, most] = PROPERTY_DEFINITIONS[property].physical;
  return value >= least && value <= most ? { ok: true, value } : IMPOSSIBLE;
}

/** Value, or the middle of a range; undefined: neither. */
export function reportedNumber({ value, low, high }: Observation): number | undefined {
  return value ?? (low !== undefined && high !== undefined ? (low + high) / 2 : undefined);
}
