import { requireWithin } from '@anvilstone/core/foundations';
import { jStat } from './jstat.ts';

/** Point below which a share of the standard normal distribution lies. @throws InputError share not within 0 … 1 */
export function normalPoint(share: number): number {
  requireWithin('share', share, 1e-12, 1 - 1e-12);
  return jStat.normal.inv(share, 0, 1);
}

/** Point below which a share of Student’s t lies. @throws InputError share not within 0 … 1, or dof below 1 */
export function tPoint(share: number, dof: number): number {
  requireWithin('share', share, 1e-12, 1 - 1e-12);
  requireWithin('dof', dof, 1, 1e9);
  return jStat.studentt.inv(share, dof);
}

/** Chance that Student’s t is farther from 0 than |t|, on both sides. */
export const tTails = (t: number, dof: number): number => 2 * (1 - jStat.studentt.cdf(Math.abs(t), dof));

const FEWEST_STEPS = 400;
/** Φ(x·s − δ) rises over 1/x: so many steps of that. */
const STEPS_OVER_RISE = 8;
/** Of the spread of s about 1; beyond it nothing is left. */
const SPREADS = 12;

/**
 * Chance that noncentral t is at most x: ∫ Φ(x·s − δ)·f(s) ds over s = √(χ²/ν), by Simpson’s rule; at least 8 digits for ν 1 … 10,000.
 * The usual series fails for large δ. Source: Johnson, Kotz and Balakrishnan, Continuous Univariate Distributions 2, eq. 31.15.
 */
export function noncentralT(x: number, dof: number, noncentrality: number): number {
  const spread = SPREADS / Math.sqrt(2 * dof);
  const [from, to] = [Math.max(0, 1 - spread), 1 + spread];
  const logScale = Math.log(2) + (dof / 2) * Math.log(dof / 2) - jStat.gammaln(dof / 2);
  const steps = 2 * Math.ceil(Math.max(FEWEST_STEPS, STEPS_OVER_RISE * Math.abs(x) * (to - from)) / 2);
  const step = (to - from) / steps;
  let sum = 0;
  for (let i = 0; i <= steps; i++) {
    const s = from + i * step;
    const weight = i === 0 || i === steps ? 1 : i % 2 === 1 ? 4 : 2;
    const density =
      s > 0 ? Math.exp(logScale + (dof - 1) * Math.log(s) - (dof * s * s) / 2) : dof === 1 ? Math.exp(logScale) : 0;
    sum += weight * density * jStat.normal.cdf(x * s - noncentrality, 0, 1);
  }
  return (sum * step) / 3;
}
