import { ROOM_C } from '@anvilstone/core/foundations';
import type { Family } from '../reference/family.ts';
import type { ModulusCurve } from './modulusCurve.ts';
import type { PropertyKind } from '../resolving/properties.ts';
import { strengthTemperatureFactor } from '../resolving/strengthFactors.ts';

/** Test temperatures within this of each other count as the same. */
export const ROOM_TOLERANCE_K = 3;
const COLD_CHARPY_C = -30;
const COLDEST_IMPACT_C = -60;

/** What carries a room-temperature value of one grade to another temperature. */
export interface TemperatureModel {
  curve: ModulusCurve;
  strengthExponent: number;
  family: Family;
}

/**
 * Value at a temperature over its value at 23 °C. Modulus: the grade's curve; strength: its power m; notched impact below
 * 23 °C: geometric between the family's values at 23 and −30 °C, carried on to −60 °C; above 23 °C not raised.
 * Undefined: nothing documented carries it there (elongation in the cold, impact of a family without cold values).
 */
export function temperatureFactor(
  model: TemperatureModel,
  kind: PropertyKind,
  temperatureC: number,
): number | undefined {
  switch (kind) {
    case 'modulus':
      return model.curve.ratio(temperatureC);
    case 'strength':
      return strengthTemperatureFactor(model.curve.ratio(temperatureC), model.strengthExponent);
    case 'elongation':
      return temperatureC > ROOM_C ? 1 : undefined;
    case 'impact':
      return impactFactor(model.family, temperatureC);
    case 'other':
      return undefined;
  }
}

function impactFactor(family: Family, temperatureC: number): number | undefined {
  if (temperatureC >= ROOM_C) return 1;
  const warm = family.charpyNotched23KjPerM2?.mid;
  const cold = family.charpyNotchedMinus30KjPerM2;
  if (warm === undefined || cold === null) return undefined;
  const share = (ROOM_C - Math.max(temperatureC, COLDEST_IMPACT_C)) / (ROOM_C - COLD_CHARPY_C);
  return Math.min(1, (cold / warm) ** share);
}
