import file from './data/tows.json' with { type: 'json' };

/**
 * A continuous-fibre strand as printed and consolidated: lamina values at 23 °C, dry. Axis 1 runs along the fibre, axis 2
 * across it in the layer. Typical and indicative; compression along the fibre is the least certain value.
 */
export interface Tow {
  id: string;
  name: string;
  fibre: { name: string; modulusMpa: number; strengthMpa: number; densityGPerCm3: number };
  matrix: { name: string; modulusMpa: number; densityGPerCm3: number };
  fibreVolumeFraction: number;
  voidPct: number;
  beadWidthMm: number;
  beadHeightMm: number;
  densityGPerCm3: number;
  e1Mpa: number;
  e2Mpa: number;
  g12Mpa: number;
  nu12: number;
  xtMpa: number;
  xcMpa: number;
  ytMpa: number;
  ycMpa: number;
  sMpa: number;
  interlaminarShearMpa: number;
  ultimateStrainPct: number;
  maxServiceC: number;
  maxServiceCompressionC: number;
  matrixGlassTransitionC: number;
  minimumBendRadiusMm: number;
  bendKnockdown: readonly { radiusMm: number; factor: number }[];
  minimumLengthMm: number;
  thermalExpansion1PerK: number;
  thermalExpansion2PerK: number;
  pricePerCm3Usd: number;
  waste: { perCutMm: number; typicalPct: number };
  covTypicalPct: number;
  covByPropertyPct: Readonly<Record<string, number>>;
  notes: string;
  handlingCaution: string;
}

export const tows = file.tows as unknown as readonly Tow[];
export const towStatement: string = file.about.statement;
export const towUncertainty: string = file.about.uncertainty;
