import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { inverse, Matrix } from 'ml-matrix';
import { InputError, requirePositiveValue } from '@anvilstone/core/foundations';
import { tPoint } from './distributions.ts';
import type { Interval } from './summary.ts';

/** Movement under a load that stays on. */
export interface TimedMovement {
  timeH: number;
  /** In any unit, above 0. */
  moved: number;
}

/** δ(t) = δ₀·(1 + a·tⁿ), t in h, with 95 % intervals of each parameter. */
export interface CreepBand {
  instant: number;
  instantInterval: Interval;
  creepA: number;
  creepAInterval: Interval;
  creepN: number;
  creepNInterval: Interval;
  /** Coefficient of variation of a, and standard error of n. */
  creepACov: number;
  creepNError: number;
  /** Scatter of the readings about the curve, share. */
  scatter: number;
  readings: number;
  /** Latest reading, h: beyond it is extrapolated. */
  longestH: number;
  /** The curve and its 95 % interval at a time, in the readings’ unit. @throws InputError time not above 0 */
  at(timeH: number): { moved: number } & Interval;
}

const FEWEST = 5;
const CONFIDENCE = 0.95;
const A_RANGE = [1e-4, 50] as const;
const N_RANGE = [0.01, 0.9] as const;

/**
 * Fits δ₀·(1 + a·tⁿ) to readings of one specimen by Levenberg–Marquardt on the logarithm of the movement, whose scatter is a share of it.
 * Intervals from the linearised covariance with Student’s t; those of δ₀ and a on their logarithms. Source: Findley power law; Seber and
 * Wild, Nonlinear Regression, ch. 5.
 * @throws InputError fewer than five readings, times that span less than a decade, or no growth
 */
export function fitCreepBand(readings: readonly TimedMovement[]): CreepBand {
  if (readings.length < FEWEST)
    throw new InputError('readings', readings.length, `at least ${FEWEST} readings are needed`);
  readings.forEach(({ timeH, moved }, i) => {
    requirePositiveValue(`readings/${i}/timeH`, timeH);
    requirePositiveValue(`readings/${i}/moved`, moved);
  });
  const x = readings.map(({ timeH }) => timeH);
  const y = readings.map(({ moved }) => Math.log(moved));
  const longestH = Math.max(...x);
  if (longestH < 10 * Math.min(...x)) throw new InputError('readings', x, 'times that span at least a decade');
  const early = y[x.indexOf(Math.min(...x))]!;
  const late = y[x.indexOf(longestH)]!;
  if (late <= early) throw new InputError('readings', late - early, 'a movement that grows');
  const model =
    ([instant = 0, logA = 0, n = 0]: number[]) =>
    (hours: number) =>
      instant + Math.log1p(Math.exp(logA) * hours ** n);
  const { parameterValues } = levenbergMarquardt({ x, y }, model, {
    initialValues: startOf(readings),
    minValues: [early - 3, Math.log(A_RANGE[0]), N_RANGE[0]],
    maxValues: [late, Math.log(A_RANGE[1]), N_RANGE[1]],
    damping: 0.001,
    gradientDifference: 1e-6,
    centralDifference: true,
    maxIterations: 40,
    errorTolerance: 1e-14,
  });
  const [instant = 0, logA = 0, n = 0] = parameterValues;
  const a = Math.exp(logA);
  const slopes = (hours: number) => {
    const grown = a * hours ** n;
    return [1, grown / (1 + grown), (grown * Math.log(hours)) / (1 + grown)];
  };
  const misfit = x.map((hours, i) => y[i]! - model([instant, logA, n])(hours));
  const dof = readings.length - 3;
  const variance = misfit.reduce((sum, one) => sum + one * one, 0) / dof;
  const jacobian = new Matrix(x.map(slopes));
  const covariance = inverse(jacobian.transpose().mmul(jacobian), true).mul(variance);
  const t = tPoint((1 + CONFIDENCE) / 2, dof);
  const error = (i: number) => Math.sqrt(Math.max(0, covariance.get(i, i)));
  const onLog = (log: number, i: number) => ({ low: Math.exp(log - t * error(i)), high: Math.exp(log + t * error(i)) });
  return {
    instant: Math.exp(instant),
    instantInterval: onLog(instant, 0),
    creepA: a,
    creepAInterval: onLog(logA, 1),
    creepACov: error(1),
    creepN: n,
    creepNInterval: { low: n - t * error(2), high: n + t * error(2) },
    creepNError: error(2),
    scatter: Math.sqrt(variance),
    readings: readings.length,
    longestH,
    at(timeH) {
      requirePositiveValue('timeH', timeH);
      const slope = new Matrix([slopes(timeH)]);
      const half = t * Math.sqrt(Math.max(0, slope.mmul(covariance).mmul(slope.transpose()).get(0, 0)));
      const log = model([instant, logA, n])(timeH);
      return { moved: Math.exp(log), low: Math.exp(log - half), high: Math.exp(log + half) };
    },
  };
}

/** For each of some exponents δ₀ + δ₀a·tⁿ is a straight line: the best of them is close to the valley’s floor. */
function startOf(readings: readonly TimedMovement[]): [number, number, number] {
  const count = readings.length;
  let best: { misfit: number; start: [number, number, number] } | undefined;
  for (let n = 0.04; n <= 0.8; n += 0.04) {
    const powers = readings.map(({ timeH }) => timeH ** n);
    const meanX = powers.reduce((sum, one) => sum + one, 0) / count;
    const meanY = readings.reduce((sum, { moved }) => sum + moved, 0) / count;
    const spread = powers.reduce((sum, one) => sum + (one - meanX) ** 2, 0);
    const slope = powers.reduce((sum, one, i) => sum + (one - meanX) * (readings[i]!.moved - meanY), 0) / spread;
    const instant = meanY - slope * meanX;
    if (!(instant > 0) || !(slope > 0)) continue;
    const misfit = powers.reduce((sum, one, i) => sum + ((instant + slope * one) / readings[i]!.moved - 1) ** 2, 0);
    const logA = Math.log(Math.min(A_RANGE[1] / 2, Math.max(A_RANGE[0] * 2, slope / instant)));
    if (!best || misfit < best.misfit) best = { misfit, start: [Math.log(instant), logA, n] };
  }
  return best?.start ?? [Math.log(readings[0]!.moved), Math.log(0.3), 0.2];
}
