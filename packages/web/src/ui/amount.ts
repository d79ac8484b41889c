import { formatNumber, formatQuantity, type Dimension, type UnitSystem } from '@anvilstone/core';

/** The computation's units, and the dimension each belongs to; what is not listed is shown as it is. */
const DIMENSION_OF_UNIT: Record<string, Dimension> = {
  mm: 'length',
  MPa: 'stress',
  '°C': 'temperature',
  g: 'mass',
  N: 'force',
  'g/cm³': 'density',
};

/** A number in a canonical unit, shown in the user's units. */
export function amount(value: number, unit: string, system: UnitSystem, digits = 3): string {
  const dimension = DIMENSION_OF_UNIT[unit];
  if (dimension) return formatQuantity(value, dimension, system, digits);
  if (unit === 'USD') return `${value.toFixed(2)} USD`;
  return unit === '' ? formatNumber(value, digits) : `${formatNumber(value, digits)} ${unit}`;
}

const HOURS: readonly [above: number, divisor: number, unit: string][] = [
  [8766 * 0.99, 8766, 'years'],
  [24 * 3, 24, 'days'],
  [1, 1, 'h'],
  [1 / 60, 1 / 60, 'min'],
  [0, 1 / 3600, 's'],
];

/** A duration in the unit a person would use: 17532 h is 2 years. */
export function duration(hours: number): string {
  const [, divisor, unit] = HOURS.find(([above]) => hours >= above) ?? HOURS.at(-1)!;
  const value = formatNumber(hours / divisor, 2);
  return `${value} ${value === '1' && unit.endsWith('s') && unit !== 's' ? unit.slice(0, -1) : unit}`;
}
