import { AMOUNT_DIMENSIONS, type Amount } from '@anvilstone/schema';
import type { Dimension } from '../units/dimensions.ts';

/** Makes an amount of one dimension from its value in the canonical unit; `digits` are significant ones. @default 3 */
type AmountOf = (value: number, digits?: number) => Amount;

const of =
  (dimension: Amount['dimension']): AmountOf =>
  (value, digits) =>
    digits === undefined ? { value, dimension } : { value, dimension, digits };

/** Of parts and specimens. Nozzles, filament and lines are millimetres wherever one prints: they are written out. */
export const mm = of('length');
export const mm2 = of('area');
export const mm3 = of('volume');
export const mm4 = of('secondMoment');
export const megapascals = of('stress');
export const celsius = of('temperature');
export const kelvins = of('temperatureDifference');
export const newtons = of('force');
export const newtonMillimetres = of('torque');
export const grams = of('mass');
export const joules = of('energy');
export const metresPerSecond = of('speed');

/** The number alone, where the amount after it names the unit of both: “10 to 35 °C”. */
export const bare = (amount: Amount): Amount => ({ ...amount, bare: true });

/** An amount of whatever dimension; undefined: sentences hold none of that kind, as of times and shares. */
export function amountOf(value: number, dimension: Dimension | undefined, digits: number): Amount | undefined {
  const known = AMOUNT_DIMENSIONS.find((one) => one === dimension);
  return known && { value, dimension: known, digits };
}
