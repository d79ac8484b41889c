import type { TableColumn } from '@anvilstone/core/evaluation';
import {
  definitionOf,
  formatNumber,
  fromCanonical,
  type Dimension,
  type UnitSystem,
} from '@anvilstone/core/foundations';
import { PROPERTY_DEFINITIONS } from '@anvilstone/core/materials';
import type { PropertyId } from '@anvilstone/schema';

/** Strengths and moduli in psi have up to seven digits; in ksi they can be read. */
function unitOf(dimension: Dimension, units: UnitSystem): string {
  return dimension === 'stress' && units === 'inchPound' ? 'ksi' : definitionOf(dimension)[units];
}

/** Unit a property is shown in; empty for a plain number or a class. */
function propertyUnit(property: PropertyId, units: UnitSystem): string {
  const { dimension, classes } = PROPERTY_DEFINITIONS[property];
  return classes || dimension === 'hardness' ? '' : unitOf(dimension, units);
}

/** A canonical value as shown in a cell, without its unit. Infinite is a bar that did not break. */
export function propertyNumber(value: number, property: PropertyId, units: UnitSystem): string {
  const { dimension, classes, logarithmic } = PROPERTY_DEFINITIONS[property];
  if (classes) return classes[value] ?? 'unknown';
  if (Number.isNaN(value)) return 'unknown';
  if (value === Infinity) return 'no break';
  const unit = unitOf(dimension, units);
  const shown = unit === '' ? value : fromCanonical(value, unit, dimension);
  if (logarithmic && shown > 0) return shown.toExponential(0).replace('e+', 'e').replace('e-', 'e−');
  return formatNumber(shown);
}

/** The same with its unit. */
export function propertyText(value: number, property: PropertyId, units: UnitSystem): string {
  const number = propertyNumber(value, property, units);
  const unit = propertyUnit(property, units);
  return unit === '' || !/\d/.test(number) ? number : `${number} ${unit}`;
}

/** A difference between two temperatures is not a temperature, and a decade is not a percent: how a difference is shown. */
export function differenceText(percent: number): string {
  const shown =
    Math.abs(percent) >= 1000 ? `× ${formatNumber(1 + percent / 100)}` : `${formatNumber(Math.abs(percent))} %`;
  if (Math.abs(percent) < 0.05) return 'equal';
  return Math.abs(percent) >= 1000 ? shown : `${percent > 0 ? '+ ' : '− '}${shown}`;
}

export const columnUnit = (column: TableColumn, units: UnitSystem) => propertyUnit(column.property, units);

/** A price per mass in the user's units. */
export const priceNumber = (usdPerKg: number, units: UnitSystem): string =>
  fromCanonical(usdPerKg, definitionOf('price')[units], 'price').toFixed(2);
export const priceUnit = (units: UnitSystem): string => definitionOf('price')[units];
