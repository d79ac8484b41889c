import type { FoamPoint, Grade, PropertyId } from '@anvilstone/schema';
import type { Family } from '../reference/family.ts';
import { formatNumber as f, say, celsius } from '@anvilstone/core/foundations';
import { gentModulusMPa } from './gentModulus.ts';
import type { Resolution } from '../resolving/resolution.ts';
import { PROPERTY_DEFINITIONS } from '../resolving/properties.ts';

/** How a foaming grade’s density and hardness go with the nozzle temperature: the maker’s points, else its family’s. */
export const foamCurveOf = (grade: Grade, family: Family | undefined): readonly FoamPoint[] | undefined =>
  grade.process.foaming ?? family?.foaming;

/** Density, g/cm³, and Shore A hardness at a nozzle temperature, °C: straight between points. Undefined outside of them. */
export function foamAt(curve: readonly FoamPoint[], nozzleC: number): Omit<FoamPoint, 'nozzleC'> | undefined {
  const points = [...curve].sort((a, b) => a.nozzleC - b.nozzleC);
  const after = points.findIndex((one) => one.nozzleC >= nozzleC);
  if (after < 0 || nozzleC < points[0]!.nozzleC) return undefined;
  const high = points[after]!;
  const low = points[Math.max(0, after - 1)]!;
  const share = high === low ? 0 : (nozzleC - low.nozzleC) / (high.nozzleC - low.nozzleC);
  return {
    densityGPerCm3: low.densityGPerCm3 + share * (high.densityGPerCm3 - low.densityGPerCm3),
    shoreA: low.shoreA + share * (high.shoreA - low.shoreA),
  };
}

/** Where on its curve a grade’s stated values were taken: the nozzle temperature that gives this density, else the nearest end. */
export function nozzleOfDensity(curve: readonly FoamPoint[], densityGPerCm3: number): number {
  const points = [...curve].sort((a, b) => a.nozzleC - b.nozzleC);
  for (let i = 1; i < points.length; i++) {
    const [a, b] = [points[i - 1]!, points[i]!];
    const share = (densityGPerCm3 - a.densityGPerCm3) / (b.densityGPerCm3 - a.densityGPerCm3);
    if (share >= 0 && share <= 1) return a.nozzleC + share * (b.nozzleC - a.nozzleC);
  }
  const [first, last] = [points[0]!, points.at(-1)!];
  const isNearer = Math.abs(first.densityGPerCm3 - densityGPerCm3) < Math.abs(last.densityGPerCm3 - densityGPerCm3);
  return (isNearer ? first : last).nozzleC;
}

/** A foam beside the one that the grade’s values were taken of. */
export interface Foam {
  nozzleC: number;
  statedNozzleC: number;
  densityShare: number;
  modulusShare: number;
  strengthShare: number;
  hardnessShare: number;
  /** Volume to feed for a volume of part, over that of the least foamed: the rest is gas. */
  flowShare: number;
}

/** Crushing strength of a foam goes with its density to this power: Gibson & Ashby, Cellular Solids, 2nd ed., ch. 5, open cells. */
const STRENGTH_POWER = 1.5;

/**
 * What another nozzle temperature makes of a foaming grade: density and hardness from its curve, modulus by Gent’s relation from
 * the hardness, strength by the density to the power 1.5. Typical, evidence class C at best. Undefined: outside of the curve.
 */
export function foamOf(
  curve: readonly FoamPoint[],
  statedDensityGPerCm3: number | undefined,
  nozzleC: number,
): Foam | undefined {
  const then = foamAt(curve, nozzleC);
  if (!then) return undefined;
  const densest = Math.max(...curve.map((one) => one.densityGPerCm3));
  const middle = curve.reduce((sum, one) => sum + one.densityGPerCm3, 0) / curve.length;
  const statedNozzleC = nozzleOfDensity(curve, statedDensityGPerCm3 ?? middle);
  const stated = foamAt(curve, statedNozzleC)!;
  const densityShare = then.densityGPerCm3 / (statedDensityGPerCm3 ?? stated.densityGPerCm3);
  return {
    nozzleC,
    statedNozzleC,
    densityShare,
    modulusShare: gentModulusMPa(then.shoreA) / gentModulusMPa(stated.shoreA),
    strengthShare: (then.densityGPerCm3 / stated.densityGPerCm3) ** STRENGTH_POWER,
    hardnessShare: then.shoreA / stated.shoreA,
    flowShare: then.densityGPerCm3 / densest,
  };
}

/** A property of the foam from that of the stated one. Properties that foam does not change come back as they are. */
export function foamed(
  resolution: Resolution,
  property: PropertyId,
  foam: Foam | 'outside',
  explain: boolean,
): Resolution {
  if (!resolution.known) return resolution;
  const share = (of: Foam): number | undefined => {
    if (property === 'density') return of.densityShare;
    if (property === 'hardnessShoreA') return of.hardnessShare;
    const { kind } = PROPERTY_DEFINITIONS[property];
    return kind === 'modulus' ? of.modulusShare : kind === 'strength' ? of.strengthShare : undefined;
  };
  if (foam === 'outside')
    return property === 'density' || PROPERTY_DEFINITIONS[property].kind !== 'other'
      ? { known: false, gaps: ['Its foam is not known at this nozzle temperature'] }
      : resolution;
  const by = share(foam);
  if (by === undefined || by === 1) return resolution;
  const value = resolution.value * by;
  const text = say`× ${f(by)}: foamed at ${celsius(foam.nozzleC)} instead of about ${celsius(foam.statedNozzleC)}`;
  return {
    ...resolution,
    value,
    evidence: resolution.evidence === 'D' ? 'D' : 'C',
    cov: Math.max(resolution.cov, 0.2),
    steps: explain ? [...resolution.steps, { text, value }] : [],
  };
}
