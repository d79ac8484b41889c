import familyFile from './data/families.json' with { type: 'json' };

export type Morphology = 'amorphous' | 'semiCrystalline' | 'elastomer' | 'support';
export interface LowMidHigh {
  low: number;
  mid: number;
  high: number;
}

/** The fields of a reference family that the computation reads. Typical and indicative: evidence class D. */
export interface Family {
  id: string;
  name: string;
  abbreviation: string;
  morphology: Morphology;
  densityGPerCm3: number;
  tensileModulusXyMpa: LowMidHigh;
  tensileStrengthXyMpa: LowMidHigh;
  elongationBreakPct: LowMidHigh;
  flexuralModulusMpa: number;
  flexuralStrengthMpa: number | null;
  zToXyStrengthRatio: LowMidHigh;
  zToXyModulusRatio: number;
  poisson: number;
  charpyNotched23KjPerM2: LowMidHigh | null;
  glassTransitionC: number;
  meltingC: number | null;
  hdt045C: number | null;
  hdt180C: number | null;
  continuousServiceC: number;
  waterSaturationPct: number | null;
  waterAt23C50RhPct: number;
  modulusRetentionConditioned: number;
  strengthRetentionConditioned: number;
  creep: { a: number; n: number; activationKjPerMol: number };
  temperatureStrengthExponent: number;
  staticFatigueLossPerDecade: number;
  failureManner: 'ductile' | 'warns' | 'snaps';
  nozzleC: LowMidHigh;
  bedC: { low: number; high: number };
  chamberC: { minimum: number | null; recommended: number | null };
  enclosure: 'open' | 'enclosed' | 'heated';
  abrasive: boolean;
  minimumNozzleMm: number;
  directDriveNeeded: boolean;
  fumes: string;
  warpTendency1to5: number;
  pricePerKgUsd: LowMidHigh;
  notes: string;
}

export const families: readonly Family[] = familyFile.families as readonly Family[];
const byId = new Map(families.map((family) => [family.id, family]));

/** Undefined when the reference data does not know the family; whatever depends on it is then unknown. */
export function findFamily(id: string): Family | undefined {
  return byId.get(id);
}
