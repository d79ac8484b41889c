import { ROOM_C } from '@anvilstone/core/foundations';
import type { Grade } from '@anvilstone/schema';
import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { canonicalValue } from '../resolving/canonicalValue.ts';
import { ROOM_TOLERANCE_K } from './temperatureFactor.ts';

/** Creep modulus after a time under constant load, as a growth of compliance over the short-time value. */
export interface CreepReading {
  durationH: number;
  /** D(t)·E, at least 1. */
  growth: number;
}
export interface CreepFit {
  creepA: number;
  creepN: number;
  /** Largest difference between a reading and the fitted curve, share of the reading. */
  largestMisfit: number;
}

/** A modulus of a short tensile test is reached in about ten seconds. */
const SHORT_TIME_H = 10 / 3600;
const FEWEST_READINGS = 3;

/**
 * The grade's creep readings at 23 °C in the layer plane, as growth of compliance. The reference is the grade's own tensile
 * or flexural modulus at 23 °C; without one the readings cannot be told from the start of the curve, and none are returned.
 */
export function creepReadings(grade: Grade): CreepReading[] {
  const room = (property: 'tensileModulus' | 'flexuralModulus' | 'creepModulus') =>
    grade.observations.filter(
      (one) =>
        one.property === property &&
        one.orientation !== 'ZX' &&
        Math.abs((one.temperatureC ?? ROOM_C) - ROOM_C) <= ROOM_TOLERANCE_K,
    );
  const readings = room('creepModulus').filter((one) => one.durationH !== undefined && one.durationH > SHORT_TIME_H);
  if (readings.length < FEWEST_READINGS) return [];
  const specimen = readings[0]!.specimen;
  // A creep modulus of a printed bar is held against the modulus of a printed bar, not of a moulded one.
  const reference = [...room('tensileModulus'), ...room('flexuralModulus')].find((one) => one.specimen === specimen);
  const shortTime = reference && canonicalValue(reference, reference.property);
  if (!shortTime?.ok) return [];
  return readings.flatMap((one) => {
    const modulus = canonicalValue(one, 'creepModulus');
    return modulus.ok && one.specimen === specimen
      ? [{ durationH: one.durationH!, growth: shortTime.value / modulus.value }]
      : [];
  });
}

/**
 * Fits growth = 1 + a·tⁿ (t in h) to three or more readings by Levenberg–Marquardt. Undefined: too few readings, all at one
 * time, or none that shows growth. Bounds: a 0.001 … 5, n 0.02 … 0.8.
 */
export function fitCreep(readings: readonly CreepReading[]): CreepFit | undefined {
  const growing = readings.filter((one) => one.growth > 1);
  if (growing.length < FEWEST_READINGS || new Set(growing.map((one) => one.durationH)).size < 2) return undefined;
  const x = growing.map((one) => one.durationH);
  const y = growing.map((one) => one.growth);
  const { parameterValues } = levenbergMarquardt(
    { x, y },
    ([a = 0, n = 0]) =>
      (hours) =>
        1 + a * hours ** n,
    {
      initialValues: startingValues(x, y),
      minValues: [0.001, 0.02],
      maxValues: [5, 0.8],
      damping: 0.1,
      gradientDifference: 1e-5,
      maxIterations: 200,
      errorTolerance: 1e-12,
    },
  );
  const [creepA = 0, creepN = 0] = parameterValues;
  const largestMisfit = Math.max(...x.map((hours, i) => Math.abs(1 + creepA * hours ** creepN - y[i]!) / y[i]!));
  return { creepA, creepN, largestMisfit };
}

const fits = new WeakMap<Grade, CreepFit | 'none'>();

/** The fit of a grade's own readings, made once for a grade as it stands. */
export function fittedCreepOf(grade: Grade): CreepFit | undefined {
  const known = fits.get(grade) ?? fitCreep(creepReadings(grade)) ?? 'none';
  fits.set(grade, known);
  return known === 'none' ? undefined : known;
}

/** A straight line through log(growth − 1) over log(t), which is already close. */
function startingValues(x: readonly number[], y: readonly number[]): [number, number] {
  const points = x.map((hours, i) => [Math.log(hours), Math.log(y[i]! - 1)] as const);
  const meanX = points.reduce((sum, [at]) => sum + at, 0) / points.length;
  const meanY = points.reduce((sum, [, value]) => sum + value, 0) / points.length;
  const spread = points.reduce((sum, [at]) => sum + (at - meanX) ** 2, 0);
  const n = points.reduce((sum, [at, value]) => sum + (at - meanX) * (value - meanY), 0) / spread;
  const slope = Math.min(0.8, Math.max(0.02, n));
  return [Math.min(5, Math.max(0.001, Math.exp(meanY - slope * meanX))), slope];
}
