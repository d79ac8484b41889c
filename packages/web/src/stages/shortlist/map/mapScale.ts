import type { MapAxis } from '@anvilstone/core/evaluation';
import { definitionOf, formatReserve, fromCanonical, type UnitSystem } from '@anvilstone/core/foundations';
import { scaleLinear, scaleLog, type ScaleContinuousNumeric } from 'd3';
import { amount, duration } from '../../../ui/amount.ts';

/** Room beyond the outermost points, as a share of the span. */
const MARGIN = 0.06;

/** Numbers far outside say nothing more: a reserve of 900 would press all others into a corner. */
const RESERVE_SHOWN = [0.05, 30] as const;

export type MapScale = ScaleContinuousNumeric<number, number>;

/** From the axis’s own unit to pixels, over the points and the line to pass. */
export function mapScale(axis: MapAxis, values: readonly number[], range: [number, number]): MapScale {
  const shown = axis.unit === '' ? values.map((value) => clampReserve(value)) : [...values];
  if (axis.passAt !== undefined) shown.push(axis.passAt);
  const [low, high] = [Math.min(...shown), Math.max(...shown)];
  if (axis.logarithmic) {
    const factor = Math.max(1.05, (high / low) ** MARGIN);
    return scaleLog()
      .domain([low / factor, high * factor])
      .range(range)
      .clamp(true);
  }
  const room = Math.max(1, (high - low) * MARGIN);
  return scaleLinear()
    .domain([low - room, high + room])
    .range(range)
    .clamp(true);
}

const clampReserve = (value: number) => Math.min(RESERVE_SHOWN[1], Math.max(RESERVE_SHOWN[0], value));

/** A handful of round numbers: on a logarithmic scale 1, 2 and 5 of each decade. */
export function mapTicks(axis: MapAxis, scale: MapScale, most = 8): number[] {
  if (!axis.logarithmic) return scale.ticks(6);
  const [low, high] = scale.domain() as [number, number];
  const found: number[] = [];
  for (let decade = Math.floor(Math.log10(low)); decade <= Math.ceil(Math.log10(high)); decade++)
    for (const step of [1, 2, 5]) {
      const value = Number((step * 10 ** decade).toPrecision(1));
      if (value >= low && value <= high) found.push(value);
    }
  if (found.length < 3) return scale.ticks(5);
  return found.length <= most ? found : found.filter((value) => /^1/.test(value.toExponential()));
}

/** A value of an axis in the user’s units. */
export function axisValue(axis: MapAxis, value: number, units: UnitSystem): string {
  if (axis.unit === '') return formatReserve(value);
  return axis.unit === 'h' ? duration(value) : amount(value, axis.unit, units);
}

export function axisTick(axis: MapAxis, value: number, units: UnitSystem): string {
  const dimension = axis.unit === 'g' ? 'mass' : axis.unit === '°C' ? 'temperature' : undefined;
  const shown = dimension ? fromCanonical(value, definitionOf(dimension)[units], dimension) : value;
  return String(Number(shown.toPrecision(3)));
}

export function axisTitle(axis: MapAxis, units: UnitSystem): string {
  const dimension = axis.unit === 'g' ? 'mass' : axis.unit === '°C' ? 'temperature' : undefined;
  const unit = dimension ? definitionOf(dimension)[units] : axis.unit === '' ? 'reserve' : axis.unit;
  return axis.unit === '' && axis.id !== 'reserve'
    ? `${axis.title}, ${unit}`
    : axis.unit === ''
      ? axis.title
      : `${axis.title}, ${unit}`;
}
