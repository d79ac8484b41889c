import type { Conditioning } from '@anvilstone/schema';
import type { Family } from '../reference/family.ts';
import type { PropertyKind } from '../resolving/properties.ts';

const NEVER_BELOW = 0.2;

/**
 * Property at a moisture state over its dry value. Conditioned (23 °C, 50 % RH) comes from the family; wet is carried on
 * in a straight line in water content to saturation, never below 0.2. Impact has the family's factor, which may be above
 * 1; elongation follows it. What does not depend on water: 1.
 */
export function conditioningRetention(family: Family, kind: PropertyKind, state: Conditioning): number {
  if (kind === 'other' || state === 'dry') return 1;
  const at50 = AT_50_RH[kind](family);
  if (state === 'conditioned') return at50;
  const share =
    family.waterSaturationPct === null ? 1 : family.waterSaturationPct / Math.max(family.waterAt23C50RhPct, 1e-6);
  return Math.max(NEVER_BELOW, 1 - (1 - at50) * share);
}

const AT_50_RH: Record<Exclude<PropertyKind, 'other'>, (family: Family) => number> = {
  strength: (family) => family.strengthRetentionConditioned,
  modulus: (family) => family.modulusRetentionConditioned,
  impact: (family) => family.impactFactorConditioned,
  elongation: (family) => family.impactFactorConditioned,
};
