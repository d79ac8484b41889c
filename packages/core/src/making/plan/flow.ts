import { fillerEffects } from '@anvilstone/core/materials';
import type { CardSetting } from './cardSetting.ts';

/** Melt volume rate at which a machine gives the flow it is rated at, cm³/10 min. Ours: an easy PLA. */
const REFERENCE_CM3_PER_10MIN = 6;
const LEAST_SHARE = 0.5;
const MOST_SHARE = 1.2;
/** Soft filament buckles above this, at a drive on the nozzle and through a guide tube, mm/s. */
const SOFT_MM_PER_S = { direct: 35, remote: 20 } as const;
const MOST_MM_PER_S = 250;

export interface Flow {
  lineWidthMm: number;
  layerHeightMm: number;
  /** Of the machine's rated flow that this melt takes, 0.5 … 1.2. */
  meltShare: number;
  speedMmPerS: number;
  /** What holds it lower than the flow would. */
  limit?: string;
}

/**
 * Line speed, mm/s: machine's sustained flow × melt volume rate over the reference (within 0.5 … 1.2) ÷ (line width × layer
 * height); for elastomers 35 mm/s at most, through a guide tube 20. A filler’s share of the melt flow counts. Evidence class D.
 */
export function flowOf({
  brief,
  machine,
  family,
  filler,
}: Pick<CardSetting, 'brief' | 'machine' | 'family' | 'filler'>): Flow {
  const lineWidthMm = brief.filled?.lineWidthMm ?? 1.1 * machine.nozzleDiameterMm;
  const layerHeightMm = brief.filled?.layerHeightMm ?? 0.5 * machine.nozzleDiameterMm;
  const rate =
    (family.meltFlow.gPer10min / family.meltDensityGPerCm3) * (fillerEffects(family, filler)?.mechanical.meltFlow ?? 1);
  const meltShare = Math.min(MOST_SHARE, Math.max(LEAST_SHARE, rate / REFERENCE_CM3_PER_10MIN));
  const free = (machine.volumetricFlowMm3PerS * meltShare) / (lineWidthMm * layerHeightMm);
  const softMmPerS = SOFT_MM_PER_S[machine.extruder];
  const soft = family.morphology === 'elastomer' && free > softMmPerS;
  const speedMmPerS = Math.min(free, soft ? softMmPerS : MOST_MM_PER_S);
  return {
    lineWidthMm,
    layerHeightMm,
    meltShare,
    speedMmPerS,
    ...(soft ? { limit: 'held lower, since soft filament buckles' } : {}),
  };
}
