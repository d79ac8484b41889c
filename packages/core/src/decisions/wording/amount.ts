import { type Dimension, type UnitSystem, formatNumber, formatQuantity } from '@anvilstone/core/foundations';

/** The computation's units, and the dimension each belongs to; what is not listed is shown as it is. */
const DIMENSION_OF_UNIT: Record<string, Dimension> = {
  mm: 'length',
  MPa: 'stress',
  '°C': 'temperature',
  g: 'mass',
  N: 'force',
  'N·mm': 'torque',
  J: 'energy',
  '°': 'angle',
  'm/s': 'speed',
  'g/cm³': 'density',
};

/** A number in a canonical unit, shown in the user's units. */
export function amount(value: number, unit: string, system: UnitSystem, digits = 3): string {
  const dimension = DIMENSION_OF_UNIT[unit];
  if (dimension) return formatQuantity(value, dimension, system, digits);
  if (unit === 'USD') return `${value.toFixed(2)} USD`;
  return unit === '' ? formatNumber(value, digits) : `${formatNumber(value, digits)} ${unit}`;
}
