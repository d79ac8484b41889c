import { requireFiniteValue, requirePositiveValue } from '@anvilstone/core/foundations';
import { waterDiffusionMm2PerH, waterUptakeFraction } from '@anvilstone/core/materials';

export interface SizeDrift {
  nominalMm: number;
  shrinkPct: number;
  /** Scatter of the shrinkage as a share of it, 0 … 1. */
  scatterShare: number;
  swellingSaturationPct: number;
  relativeHumidityPct: number;
  expansion1e6PerK: number;
  coldestC: number;
  hottestC: number;
  /** Absent: it stands in the damp until it takes up no more. */
  soak?: { hours: number; thicknessMm: number; halfTime2mmH: number };
}

/**
 * How far a printed size strays from itself dry at 23 °C, mm: scatter of shrinkage, swelling (in a straight line with
 * humidity, times the share of it taken up in the time), growth by heat and shrinking by cold.
 * @throws InputError nominal size not above 0, humidity or temperatures not finite
 */
export function sizeDrift(size: SizeDrift): {
  scatterMm: number;
  swellingMm: number;
  uptake: number;
  warmMm: number;
  coldMm: number;
} {
  requirePositiveValue('nominalMm', size.nominalMm);
  requireFiniteValue('relativeHumidityPct', size.relativeHumidityPct);
  requireFiniteValue('coldestC', size.coldestC);
  requireFiniteValue('hottestC', size.hottestC);
  const uptake = size.soak
    ? waterUptakeFraction(size.soak.thicknessMm, waterDiffusionMm2PerH(size.soak.halfTime2mmH), size.soak.hours)
    : 1;
  const perK = size.nominalMm * size.expansion1e6PerK * 1e-6;
  return {
    scatterMm: size.nominalMm * (size.shrinkPct / 100) * size.scatterShare,
    swellingMm: size.nominalMm * (size.swellingSaturationPct / 100) * (size.relativeHumidityPct / 100) * uptake,
    uptake,
    warmMm: Math.max(0, size.hottestC - 23) * perK,
    coldMm: Math.max(0, 23 - size.coldestC) * perK,
  };
}
