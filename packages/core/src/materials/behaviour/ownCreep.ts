import { ROOM_C } from '@anvilstone/core/foundations';
import type { EvidenceClass, Grade } from '@anvilstone/schema';
import { canonicalValue } from '../resolving/canonicalValue.ts';
import { creepGrowth, type CreepMaterial } from './creep.ts';
import { fittedCreepOf } from './creepFit.ts';
import type { ModulusCurve } from './modulusCurve.ts';
import { ROOM_TOLERANCE_K } from './temperatureFactor.ts';

export interface OwnCreep {
  creepA: number;
  creepN: number;
  /** C where the grade’s own readings stand behind it, D where it is the family’s. */
  evidence: EvidenceClass;
}

/** A factor on growth beyond these says that the reading is of something else than creep. */
const SMALLEST_SCALE = 0.05;
const LARGEST_SCALE = 50;

/**
 * Creep of a grade, from the best there is: a fit of three or more readings at room temperature (`fitCreep`), or the family’s a and n; and that
 * scaled by own bench and service readings at other temperatures or of fewer than three times, so that the curve goes through their
 * geometric mean: a′ = a·∏(measured growth − 1)/(predicted growth − 1). With a fit at room temperature the scale only counts where it makes
 * creep larger: what was seen hot must not lower what was measured at room temperature.
 * Of a reading, growth = E(T) / creep modulus, with E(T) as the grade’s own modulus curve has it.
 */
export function ownCreep(
  grade: Grade,
  family: CreepMaterial,
  curve: Pick<ModulusCurve, 'ratio'>,
  modulus23MPa: number,
): OwnCreep {
  const fitted = fittedCreepOf(grade);
  const base = fitted ? { ...family, creepA: fitted.creepA, creepN: fitted.creepN } : family;
  const scale = scaleOf(grade, base, curve, modulus23MPa, fitted !== undefined);
  const counted = fitted && scale !== undefined ? Math.max(1, scale) : (scale ?? 1);
  return {
    creepA: base.creepA * counted,
    creepN: base.creepN,
    evidence: fitted || scale !== undefined ? 'C' : 'D',
  };
}

/** Undefined: there are no such readings, or none that grew. */
function scaleOf(
  grade: Grade,
  base: CreepMaterial,
  curve: Pick<ModulusCurve, 'ratio'>,
  modulus23MPa: number,
  fitted: boolean,
): number | undefined {
  const logs = grade.observations.flatMap((one) => {
    const { property, source, orientation, durationH, temperatureC = ROOM_C } = one;
    if (property !== 'creepModulus' || source !== 'bench' || orientation === 'ZX' || !durationH) return [];
    // Those are in the fit already.
    if (fitted && Math.abs(temperatureC - ROOM_C) <= ROOM_TOLERANCE_K) return [];
    const reading = canonicalValue(one, 'creepModulus');
    if (!reading.ok || !(reading.value > 0)) return [];
    const measured = (modulus23MPa * curve.ratio(temperatureC)) / reading.value;
    const predicted = creepGrowth(base, temperatureC, durationH);
    return measured > 1 && predicted > 1 ? [Math.log((measured - 1) / (predicted - 1))] : [];
  });
  if (logs.length === 0) return undefined;
  const mean = Math.exp(logs.reduce((sum, one) => sum + one, 0) / logs.length);
  return Math.min(LARGEST_SCALE, Math.max(SMALLEST_SCALE, mean));
}
