import type { EvidenceClass, Grade } from '@anvilstone/schema';
import { canonicalValue } from '../resolving/canonicalValue.ts';
import { fatigueAmplitudeMPa, type FatigueLaw } from './fatigue.ts';

export interface OwnFatigue {
  law: FatigueLaw;
  /** C where own readings stand behind it, D where it is the family’s. */
  evidence: EvidenceClass;
}

const SMALLEST_SCALE = 0.1;
const LARGEST_SCALE = 5;

/**
 * The family’s fatigue law, moved in height so that it goes through the geometric mean of the grade’s own fatigue strengths. An amplitude σa with
 * a mean σm counts as the fully reversed σa / (1 − σm/σu) that is as bad (Goodman; Shigley, 10th ed., section 6-12). Readings across the
 * layers are left out, and so are those at which the mean alone would break it.
 */
export function ownFatigue(grade: Grade, family: FatigueLaw, staticStrengthMPa: number): OwnFatigue {
  const logs = grade.observations.flatMap((one) => {
    const { property, source, orientation, cycles, stressRatio = -1 } = one;
    if (property !== 'fatigueStrength' || source === 'estimate' || orientation === 'ZX' || !cycles) return [];
    const reading = canonicalValue(one, 'fatigueStrength');
    if (!reading.ok || stressRatio >= 1) return [];
    const meanMPa = (reading.value * (1 + stressRatio)) / (1 - stressRatio);
    const left = 1 - meanMPa / staticStrengthMPa;
    if (left <= 0) return [];
    return [Math.log(reading.value / left / fatigueAmplitudeMPa(family, staticStrengthMPa, cycles))];
  });
  if (logs.length === 0) return { law: family, evidence: 'D' };
  const mean = Math.exp(logs.reduce((sum, one) => sum + one, 0) / logs.length);
  const scale = Math.min(LARGEST_SCALE, Math.max(SMALLEST_SCALE, mean));
  return { law: { ...family, coefficient: family.coefficient * scale }, evidence: 'C' };
}
