import { InputError } from '../input/InputError.ts';
import { definitionOf, findUnit, type Dimension, type Unit } from './dimensions.ts';

/**
 * A value in a named unit, in the unit the computation works in (mm, N, MPa, °C, g, h, g/cm³, kJ/m², %).
 * @throws InputError when the value is not finite or the unit does not belong to the dimension
 */
export function toCanonical(value: number, unitName: string, dimension: Dimension): number {
  if (!Number.isFinite(value)) throw new InputError('value', value, 'a finite number is needed');
  const unit = unitOf(unitName, dimension);
  return value * unit.factor + (unit.offset ?? 0);
}

/** The inverse of toCanonical. @throws InputError when the unit does not belong to the dimension */
export function fromCanonical(canonical: number, unitName: string, dimension: Dimension): number {
  const unit = unitOf(unitName, dimension);
  return (canonical - (unit.offset ?? 0)) / unit.factor;
}

function unitOf(name: string, dimension: Dimension): Unit {
  const unit = findUnit(dimension, name);
  if (!unit) throw new InputError('unit', name, `use ${unitList(dimension)}`);
  return unit;
}

/** The units that may be typed for a dimension, as shown in messages. */
export function unitList(dimension: Dimension): string {
  const names = definitionOf(dimension).units.map((unit) => unit.names[0]);
  return names.length === 1 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} or ${names.at(-1)}`;
}
