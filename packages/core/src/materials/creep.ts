import { requireFiniteValue, requirePositiveValue } from '../input/require.ts';
import { timeShiftDecades, type ShiftMaterial } from './timeShift.ts';

export interface CreepMaterial extends ShiftMaterial {
  creepA: number;
  creepN: number;
}

/**
 * Growth of compliance under constant load, D(t,T)·E(T) = 1 + a·(t/a_T)^n, dimensionless and at least 1.
 * `durationH` in hours; 0 h gives 1. Source: Findley, Lai, Onaran, Creep and Relaxation of Nonlinear Viscoelastic
 * Materials (power law), with time–temperature shift. Range: stress below about a quarter of the strength.
 * @throws InputError duration not finite, below 0, or temperature not finite
 */
export function creepGrowth(material: CreepMaterial, temperatureC: number, durationH: number): number {
  requireFiniteValue('durationH', durationH);
  if (durationH <= 0) {
    if (durationH < 0) requirePositiveValue('durationH', durationH);
    return 1;
  }
  const equivalentDecades = Math.log10(durationH) + timeShiftDecades(material, temperatureC);
  return 1 + material.creepA * Math.exp(Math.LN10 * material.creepN * equivalentDecades);
}
