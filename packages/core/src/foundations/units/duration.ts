import { formatNumber } from './formatQuantity.ts';

const STEPS: readonly [above: number, divisor: number, unit: string][] = [
  [8766 * 0.99, 8766, 'years'],
  [24 * 3, 24, 'days'],
  [1, 1, 'h'],
  [1 / 60, 1 / 60, 'min'],
  [0, 1 / 3600, 's'],
];

/** A duration in the unit a person would use: 17532 h is “2 years”. */
export function duration(hours: number): string {
  const [, divisor, unit] = STEPS.find(([above]) => hours >= above) ?? STEPS.at(-1)!;
  const value = formatNumber(hours / divisor, 2);
  return `${value} ${value === '1' && unit.endsWith('s') && unit !== 's' ? unit.slice(0, -1) : unit}`;
}
