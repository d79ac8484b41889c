import type { Observation, PropertyId } from '@anvilstone/schema';
import { toCanonical, definitionOf } from '@anvilstone/core/foundations';
import {
  familyEstimate,
  familyHdtPoints,
  layerRatio,
  PROPERTY_DEFINITIONS,
  findFamily,
  findReinforcement,
} from '@anvilstone/core/materials';

export type Plausibility =
  | { verdict: 'likely' }
  /** Unusual for the family, but a filament might; worth a look. */
  | { verdict: 'unusual'; typical: number }
  /** Far off as written, and likely in another unit. */
  | { verdict: 'unit-slip'; otherUnit: string; typical: number | null }
  /** No filament reaches it. */
  | { verdict: 'impossible' };

/** How far from the family's typical value is still nothing to ask about: a factor, or kelvin for temperatures. */
const USUAL_FACTOR = 4;
const USUAL_KELVIN = 70;
/** How near another unit must bring it to be believed. */
const NEAR_FACTOR = 2.5;
const NEAR_KELVIN = 35;
/** Families vary without end in these; only what is physically possible is asked. */
const FREE: ReadonlySet<PropertyId> = new Set([
  'elongationBreak',
  'elongationYield',
  'meltFlowRate',
  'wearRate',
  'pvLimit',
  'surfaceResistivity',
  'volumeResistivity',
  'sorptionHalfTime',
  'hardnessShoreA',
  'hardnessShoreD',
  'poissonRatio',
]);

/**
 * Whether a reported number can be what it says, held against what filaments reach at all and what is typical of the family
 * and filler. Where it cannot, and another unit of the same kind would put it right, that unit is named: 2.1 MPa for a
 * modulus is likely 2.1 GPa, 176 °C for a PETG likely 176 °F.
 */
export function plausibility(
  value: number,
  unit: string,
  property: PropertyId,
  familyId: string | undefined,
  reinforcementId: string | null,
  conditions: Pick<Partial<Observation>, 'orientation' | 'temperatureC' | 'hdtStressMPa'> = {},
): Plausibility {
  const { dimension, physical, logarithmic } = PROPERTY_DEFINITIONS[property];
  const canonical = toCanonical(value, unit, dimension);
  const possible = (number: number) => number >= physical[0] && number <= physical[1];
  // Hot or cold, a value may be anywhere: only the physically possible is asked.
  const free = logarithmic || FREE.has(property) || Math.abs((conditions.temperatureC ?? 23) - 23) > 10;
  // Of a typical value of zero there are no multiples to be near to.
  const typical = free ? null : typicalOf(property, familyId, reinforcementId, conditions) || null;
  const usual =
    typical === null
      ? possible(canonical)
      : possible(canonical) && near(canonical, typical, dimension === 'temperature', USUAL_FACTOR, USUAL_KELVIN);
  if (usual) return { verdict: 'likely' };
  const other = definitionOf(dimension).units.find((candidate) => {
    if (candidate.names.includes(unit)) return false;
    const converted = value * candidate.factor + (candidate.offset ?? 0);
    if (!possible(converted) || Math.abs(converted - canonical) < 1e-9 * Math.abs(canonical)) return false;
    return typical === null ? true : near(converted, typical, dimension === 'temperature', NEAR_FACTOR, NEAR_KELVIN);
  });
  if (other) return { verdict: 'unit-slip', otherUnit: other.names[0], typical };
  return possible(canonical) ? { verdict: 'unusual', typical: typical ?? canonical } : { verdict: 'impossible' };
}

function near(value: number, typical: number, isTemperature: boolean, factor: number, kelvin: number): boolean {
  if (isTemperature) return Math.abs(value - typical) <= kelvin;
  return value >= typical / factor && value <= typical * factor;
}

function typicalOf(
  property: PropertyId,
  familyId: string | undefined,
  reinforcementId: string | null,
  { orientation, hdtStressMPa = 1.8 }: Pick<Partial<Observation>, 'orientation' | 'hdtStressMPa'>,
): number | null {
  const family = familyId === undefined ? undefined : findFamily(familyId);
  if (!family) return null;
  const filler = findReinforcement(reinforcementId);
  if (property === 'heatDeflectionTemperature') {
    const [at180, at045] = familyHdtPoints(family, filler);
    return (hdtStressMPa < 1 ? at045 : at180)?.temperatureC ?? null;
  }
  if (property === 'vicatSoftening') return family.glassTransitionC > 40 ? family.glassTransitionC : null;
  const typical = familyEstimate(family, filler, STANDS_IN[property] ?? property)?.value ?? null;
  const { kind } = PROPERTY_DEFINITIONS[property];
  if (typical === null || orientation !== 'ZX') return typical;
  if (kind === 'strength' || kind === 'modulus') return typical * layerRatio(family, filler, kind);
  return null;
}
/** Izod and Charpy do not convert, but they lie within a factor of a few; so do yield and largest stress. */
const STANDS_IN: Partial<Record<PropertyId, PropertyId>> = {
  izodNotched: 'charpyNotched',
  yieldStrength: 'tensileStrength',
};
