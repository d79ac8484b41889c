import { requireFiniteValue, requirePositiveValue } from '@anvilstone/core/foundations';
import { timeShiftDecades, type ShiftMaterial } from './timeShift.ts';

export interface CreepMaterial extends ShiftMaterial {
  creepA: number;
  creepN: number;
  /** Share of the creep of the polymer alone that its filler leaves; absent: it has none. */
  fillerFactor?: number;
}

/** An amorphous matrix begins to flow round its filler this far below the glass transition, K: where its creep leaves Arrhenius. */
const FLOWS_BELOW_TG_K = 30;

/**
 * By how many times `creepA` grows with temperature because a filler no longer holds an amorphous matrix back: 1 up to Tg − 30 °C, from
 * Tg on as if there were no filler, straight between. Crystals and rubber keep what the filler gives. Ours, class D.
 */
export function matrixCreep(
  { fillerFactor = 1, morphology, glassTransitionC }: CreepMaterial,
  temperatureC: number,
): number {
  if (fillerFactor >= 1 || morphology !== 'amorphous') return 1;
  const share = (temperatureC - (glassTransitionC - FLOWS_BELOW_TG_K)) / FLOWS_BELOW_TG_K;
  return 1 + Math.max(0, Math.min(1, share)) * (1 / fillerFactor - 1);
}

/**
 * Growth of compliance under constant load, D(t,T)·E(T) = 1 + a·m(T)·(t/a_T)^n, dimensionless and at least 1.
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
  return (
    1 +
    material.creepA * matrixCreep(material, temperatureC) * Math.exp(Math.LN10 * material.creepN * equivalentDecades)
  );
}
