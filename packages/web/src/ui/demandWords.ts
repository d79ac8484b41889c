import type { CheckResult } from '@anvilstone/schema';
import { findCheck } from '@anvilstone/core/checks';
import type { UnitSystem } from '@anvilstone/core/foundations';
import { amount } from './amount.ts';

/** How demand and capacity are said, by what they are measured in. */
const WORDS: Record<string, readonly [demand: string, capacity: string]> = {
  MPa: ['Stress', 'allowable'],
  mm: ['Deflection', 'limit'],
  '°C': ['Required', 'limit'],
  g: ['Mass', 'limit'],
  USD: ['Cost', 'limit'],
};

/** "Moves 1.16 mm, allowed 5 mm". Empty when there is nothing to compare. */
export function demandSentence(check: CheckResult, units: UnitSystem): string {
  if (check.demand === null || check.capacity === null) return '';
  const [demand, capacity] = findCheck(check.checkId)?.words ?? WORDS[check.unit] ?? ['Demand', 'capacity'];
  return `${demand} ${amount(check.demand, check.unit, units)}, ${capacity} ${amount(check.capacity, check.unit, units)}`;
}
