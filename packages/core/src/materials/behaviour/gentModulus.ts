import { requireWithin } from '@anvilstone/core/foundations';

/**
 * Young's modulus of an elastomer from its Shore A hardness, MPa: 0.0981·(56 + 7.62336·S)/(0.137505·(254 − 2.54·S)).
 * Source: A. N. Gent, Rubber Chemistry and Technology 31 (1958) 896. Range: 20 … 95 Shore A, small strain.
 * @throws InputError hardness outside 20 … 95
 */
export function gentModulusMPa(shoreA: number): number {
  requireWithin('shoreA', shoreA, 20, 95);
  return (0.0981 * (56 + 7.62336 * shoreA)) / (0.137505 * (254 - 2.54 * shoreA));
}
