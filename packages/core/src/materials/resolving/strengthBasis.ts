import type { CompanyRules } from '@anvilstone/schema';
import type { Resolution } from './resolution.ts';

/** One-sided 90 % point of the standard normal distribution. */
const NINE_OF_TEN = 1.2816;

/**
 * What nine of ten parts reach at least, over the mean: exp(−1.2816·s), s² = ln(1 + CoV²), for a log-normal strength whose
 * scatter is taken as known. Source: CMH-17 volume 1, section 8.2 (B-basis as the lower tenth percentile); the tolerance
 * factor for a small sample belongs to the bench statistics. CoV ≥ 0.
 */
export function nineOfTenFactor(cov: number): number {
  return Math.exp(-NINE_OF_TEN * Math.sqrt(Math.log1p(cov * cov)));
}

/** A strength as the company rules want it: the mean, or the B-basis value. */
export function onBasis(strength: Resolution, rules: CompanyRules, explain: boolean): Resolution {
  if (!strength.known || rules.strengthBasis !== 'b-basis') return strength;
  const factor = nineOfTenFactor(strength.cov);
  const value = strength.value * factor;
  const text = `× ${factor.toFixed(2)}: nine of ten parts reach this (B-basis, scatter ${(100 * strength.cov).toFixed(0)} %)`;
  return { ...strength, value, steps: explain ? [...strength.steps, { text, value }] : strength.steps };
}
