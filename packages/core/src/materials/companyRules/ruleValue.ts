import { formatNumber } from '@anvilstone/core/foundations';
import type { RuleMeaning, RuleValue } from './ruleMeanings.ts';

/** A policy value in words: a share as a percentage, a choice as its sentence, nothing as what stands in for it. */
export function ruleValue(meaning: RuleMeaning, value: RuleValue): string {
  if (value === undefined) return 'each machine’s own';
  if (typeof value !== 'number') return meaning.choices?.[value] ?? value;
  if (meaning.unit === 'share') return `${formatNumber(100 * value)} %`;
  return meaning.unit ? `${formatNumber(value)} ${meaning.unit}` : formatNumber(value);
}
