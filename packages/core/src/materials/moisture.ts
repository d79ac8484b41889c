import type { Conditioning } from '@anvilstone/schema';
import type { Family } from '../reference/family.ts';

const NEVER_BELOW = 0.2;

/**
 * Property at a moisture state over its dry value. Conditioned (23 °C, 50 % RH) comes from the family; wet is carried on
 * in a straight line in water content to saturation, never below 0.2. Properties that are neither strength nor modulus: 1.
 */
export function conditioningRetention(
  family: Family,
  kind: 'strength' | 'modulus' | 'other',
  state: Conditioning,
): number {
  if (kind === 'other' || state === 'dry') return 1;
  const at50 = kind === 'strength' ? family.strengthRetentionConditioned : family.modulusRetentionConditioned;
  if (state === 'conditioned') return at50;
  const share =
    family.waterSaturationPct === null ? 1 : family.waterSaturationPct / Math.max(family.waterAt23C50RhPct, 1e-6);
  return Math.max(NEVER_BELOW, 1 - (1 - at50) * share);
}
