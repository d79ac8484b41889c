import {
  requirePositiveValue,
  requireFiniteValue,
  GAS_CONSTANT_KJ_PER_MOL_K,
  ZERO_C_IN_K,
} from '@anvilstone/core/foundations';

/** Half of the equilibrium gain of a plate: D·t½/h² = 0.0492 (Crank, The Mathematics of Diffusion, 2nd ed., eq. 10.18). */
const HALF_TIME_NUMBER = 0.04919;
const REFERENCE_THICKNESS_MM = 2;
/** Water in polymers, typical; the reference data state no activation energy of their own. */
const DIFFUSION_ACTIVATION_KJ_PER_MOL = 50;
const SERIES_TERMS = 30;
/** A term that a sum of shares no longer feels. */
const NOTHING = 1e-17;

/**
 * Diffusion coefficient of water, mm²/h, from the half time of a 2 mm wall at 23 °C, carried to a temperature by Arrhenius
 * (50 kJ/mol). Range: −20 °C to the glass transition.
 * @throws InputError half time not finite and above 0; temperature not finite
 */
export function waterDiffusionMm2PerH(halfTime2mmH: number, temperatureC = 23): number {
  requirePositiveValue('halfTime2mmH', halfTime2mmH);
  requireFiniteValue('temperatureC', temperatureC);
  const perK = 1 / (23 + ZERO_C_IN_K) - 1 / (temperatureC + ZERO_C_IN_K);
  const shift = Math.exp((DIFFUSION_ACTIVATION_KJ_PER_MOL / GAS_CONSTANT_KJ_PER_MOL_K) * perK);
  return ((HALF_TIME_NUMBER * REFERENCE_THICKNESS_MM ** 2) / halfTime2mmH) * shift;
}

/**
 * Share of its equilibrium gain that a wall open on both faces has taken up (or given off), 0 … 1:
 * 1 − 8/π²·Σ exp(−(2k+1)²·π²·D·t/h²)/(2k+1)². Early, where the series converges slowly: 4·√(D·t/(π·h²)).
 * Source: Crank, The Mathematics of Diffusion, 2nd ed., eq. 4.18 and 4.20.
 * @throws InputError thickness or diffusion not above 0, time below 0 or not finite
 */
export function waterUptakeFraction(thicknessMm: number, diffusionMm2PerH: number, timeH: number): number {
  requirePositiveValue('thicknessMm', thicknessMm);
  requirePositiveValue('diffusionMm2PerH', diffusionMm2PerH);
  requireFiniteValue('timeH', timeH);
  if (timeH <= 0) return 0;
  const fourier = (diffusionMm2PerH * timeH) / thicknessMm ** 2;
  if (fourier < 0.02) return 4 * Math.sqrt(fourier / Math.PI);
  let rest = 0;
  for (let k = 0; k < SERIES_TERMS; k++) {
    const odd = 2 * k + 1;
    const term = Math.exp(-odd * odd * Math.PI * Math.PI * fourier) / (odd * odd);
    rest += term;
    if (term < NOTHING) break;
  }
  return 1 - (8 / (Math.PI * Math.PI)) * rest;
}
