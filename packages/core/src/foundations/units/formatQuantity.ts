import { definitionOf, type Dimension, type UnitSystem } from './dimensions.ts';
import { fromCanonical } from './convert.ts';

/** A number with about `digits` significant figures, no exponent below a million, no trailing zeros, a true minus. */
export function formatNumber(value: number, digits = 3): string {
  if (!Number.isFinite(value)) return value > 0 ? '∞' : value < 0 ? '−∞' : 'not a number';
  // Limits and settings are mostly whole: these need no rounding.
  if (Number.isInteger(value) && Math.abs(value) < 1e6) return String(value).replace('-', '−');
  const magnitude = Math.floor(Math.log10(Math.abs(value)));
  if (magnitude >= 6 || magnitude < -4) {
    return value
      .toExponential(digits - 1)
      .replace(/\.?0+e/, 'e')
      .replace('e+', 'e')
      .replaceAll('-', '−');
  }
  const decimals = Math.max(0, digits - 1 - magnitude);
  const fixed = value.toFixed(decimals);
  const trimmed = fixed.includes('.') ? fixed.replace(/\.?0+$/, '') : fixed;
  return trimmed.replace('-', '−');
}

/** From here on nobody counts grams, g. */
const KILOGRAMS_FROM_G = 10_000;

/** How often, in words: 60,000 or 5 million. */
export const countWords = (count: number): string =>
  count >= 1e6 ? `${formatNumber(count / 1e6)} million` : Math.round(count).toLocaleString('en');

/** A canonical value in the user's unit system, unit included: formatQuantity(304.8, 'length', 'inchPound') = "12 in". */
export function formatQuantity(canonical: number, dimension: Dimension, system: UnitSystem, digits = 3): string {
  if (dimension === 'mass' && system === 'metric' && Math.abs(canonical) >= KILOGRAMS_FROM_G)
    return `${formatNumber(canonical / 1000, digits)} kg`;
  const unit = definitionOf(dimension)[system];
  const value = unit === '' ? canonical : fromCanonical(canonical, unit, dimension);
  return unit === '' ? formatNumber(value, digits) : `${formatNumber(value, digits)} ${unit}`;
}

/** Reserves beyond this are all the same to a designer: no model is as good as its number there. */
export const PLENTY = 20;

/** The one way a reserve factor is written: two decimals, cut and not rounded, so that 0.999 never reads as a pass. */
export function formatReserve(reserve: number): string {
  if (reserve > PLENTY) return `> ${PLENTY}`;
  return (Math.floor(reserve * 100 + 1e-9) / 100).toFixed(2);
}
