import { requireFiniteValue, requirePositiveValue } from '@anvilstone/core/foundations';

/** A part that is used up: what one costs, what changing to the next costs, and how many uses it gives. USD. */
export interface Consumable {
  partUsd: number;
  changeOverUsd: number;
  uses: number;
}

/**
 * Cost of a use, USD: the part and the change-over, over its uses.
 * @throws InputError uses not above 0, an amount not finite
 */
export function costPerUse({ partUsd, changeOverUsd, uses }: Consumable): number {
  requireFiniteValue('partUsd', partUsd);
  requireFiniteValue('changeOverUsd', changeOverUsd);
  requirePositiveValue('uses', uses);
  return (partUsd + changeOverUsd) / uses;
}

/**
 * Uses that one part must give so that a use costs no more than with another: (part + change-over) ÷ the other’s cost of a use.
 * Infinite: the other is free.
 */
export function breakEvenUses(one: Omit<Consumable, 'uses'>, other: Consumable): number {
  const perUse = costPerUse(other);
  const total = costPerUse({ ...one, uses: 1 });
  return perUse > 0 ? total / perUse : Infinity;
}
