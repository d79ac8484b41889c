import { requireFiniteValue, GAS_CONSTANT_KJ_PER_MOL_K, ZERO_C_IN_K } from '@anvilstone/core/foundations';
import type { Morphology } from '../reference/family.ts';

export interface ShiftMaterial {
  activationKjPerMol: number;
  morphology: Morphology;
  glassTransitionC: number;
}

const REFERENCE_K = 23 + ZERO_C_IN_K;
/** Below the glass transition by this much an amorphous polymer leaves Arrhenius. */
const ARRHENIUS_ENDS_BELOW_TG_K = 30;
const DECADES_PER_K_TO_TG = 0.25;
// Universal constants: Williams, Landel, Ferry, J. Am. Chem. Soc. 77 (1955) 3701; Ferry, Viscoelastic Properties of Polymers.
const WLF_C1 = 17.44;
const WLF_C2_K = 51.6;

/**
 * −log10 a_T: by how many decades creep runs faster at a temperature than at 23 °C (negative when colder).
 * Arrhenius throughout, but for amorphous grades only up to Tg − 30 °C, from there 0.25 decades per K to Tg, then WLF
 * (17.44, 51.6 K) from Tg on; continuous in all three.
 * Range: −80 °C up to where the modulus curve ends. Where Tg − 30 lies below 23 °C, the second branch starts there too.
 * @throws InputError temperature not finite
 */
export function timeShiftDecades(material: ShiftMaterial, temperatureC: number): number {
  requireFiniteValue('temperatureC', temperatureC);
  if (material.morphology !== 'amorphous') return arrheniusDecades(material.activationKjPerMol, temperatureC);
  const tg = material.glassTransitionC;
  const leavesC = tg - ARRHENIUS_ENDS_BELOW_TG_K;
  if (temperatureC <= leavesC) return arrheniusDecades(material.activationKjPerMol, temperatureC);
  const toLeaving = arrheniusDecades(material.activationKjPerMol, leavesC);
  if (temperatureC <= tg) return toLeaving + DECADES_PER_K_TO_TG * (temperatureC - leavesC);
  const above = temperatureC - tg;
  return toLeaving + DECADES_PER_K_TO_TG * ARRHENIUS_ENDS_BELOW_TG_K + (WLF_C1 * above) / (WLF_C2_K + above);
}

function arrheniusDecades(activationKjPerMol: number, temperatureC: number): number {
  const perK = 1 / REFERENCE_K - 1 / (temperatureC + ZERO_C_IN_K);
  return (activationKjPerMol / (Math.LN10 * GAS_CONSTANT_KJ_PER_MOL_K)) * perK;
}
