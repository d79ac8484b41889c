import type { FoamPoint } from '@anvilstone/schema';
import familyFile from './data/families.json' with { type: 'json' };

export type Morphology = 'amorphous' | 'semiCrystalline' | 'elastomer' | 'support';
export interface LowMidHigh {
  low: number;
  mid: number;
  high: number;
}
export type Fumes = 'low' | 'styrene' | 'caprolactam' | 'acrylic' | 'highTemperature';
export type Class3 = 'good' | 'fair' | 'poor';

/** What the reference values are, as stated by their source. Shown wherever one of them is. */
export const referenceStatement: string = `${familyFile.about.split('. ')[0]}.`;

/**
 * A polymer family, unfilled. Typical and indicative, evidence class D: none of it was measured. Printed solid, XY,
 * 23 °C, dry, unless the name says otherwise. `null` = does not apply (an elastomer has no heat deflection temperature
 * and its notched Charpy bar does not break), never “unknown”.
 */
export interface Family {
  id: string;
  name: string;
  abbreviation: string;
  morphology: Morphology;
  densityGPerCm3: number;
  tensileModulusXyMpa: LowMidHigh;
  tensileStrengthXyMpa: LowMidHigh;
  elongationYieldPct: number | null;
  elongationBreakPct: LowMidHigh;
  flexuralModulusMpa: number;
  flexuralStrengthMpa: number | null;
  zToXyStrengthRatio: LowMidHigh;
  zToXyModulusRatio: number;
  poisson: number;
  compressiveToTensileStrengthRatio: number;
  shearToTensileStrengthRatio: number;
  charpyNotched23KjPerM2: LowMidHigh | null;
  charpyNotchedMinus30KjPerM2: number | null;
  brittleBelowC: number;
  rateSensitivity: 'low' | 'medium' | 'high';
  /** The same with fibre, where that differs: filled polyesters are tough when slow and shatter when struck. */
  rateSensitivityFilled?: 'low' | 'medium' | 'high';
  /** How much a notch takes from it beyond the stress that it raises, dry and unfilled. */
  notchSensitivity: 'low' | 'medium' | 'high';
  failureManner: 'ductile' | 'warns' | 'snaps';
  glassTransitionC: number;
  meltingC: number | null;
  /** Of an elastomer: where its hard phase lets go of the shape, far below melting. */
  softeningC?: number;
  /** Strain that printing leaves locked in along the strands, %; let go, the part shrinks and warps by it. */
  lockedStrainPct: number;
  /** It crystallises too slowly for printing: as printed it is amorphous. Everything else stated is of the crystallised polymer. */
  printedAmorphous?: {
    hdt045C: number;
    hdt180C: number;
    /** Stiffness and strength at 23 °C, and creep, over those of the crystallised polymer. */
    modulusShare: number;
    strengthShare: number;
    creepFactor: number;
    /** Family of the amorphous sister that fluids treat alike. */
    fluidsAs?: string;
  };
  hdt045C: number | null;
  hdt180C: number | null;
  continuousServiceC: number;
  /** The same once it is crystallised, where softening and not air sets the other. */
  crystallisedServiceC?: number;
  thermalExpansion1e6PerK: number;
  printShrinkPct: number;
  thermalConductivityWPerMK: number;
  specificHeatJPerGK: number;
  meltFlow: { gPer10min: number; temperatureC: number; massKg: number };
  meltDensityGPerCm3: number;
  waterSaturationPct: number | null;
  waterAt23C50RhPct: number;
  modulusRetentionConditioned: number;
  strengthRetentionConditioned: number;
  impactFactorConditioned: number;
  swellingPctAtSaturation: number | null;
  sorptionHalfTime2mmH: number;
  dryingC: number;
  dryingH: number;
  openHoursAt50Rh: number;
  creep: { a: number; n: number; activationKjPerMol: number };
  temperatureStrengthExponent: number;
  staticFatigueLossPerDecade: number;
  fatigueFraction1e6: number;
  fatigueFraction1e7: number;
  frictionVsSteel: number;
  wearClass: Class3;
  shoreHardness: string;
  uvClass: Class3;
  strengthRetentionPer1000hWeathering: number;
  flameClassTypical: 'HB' | 'V-2' | 'V-1' | 'V-0' | 'not rated';
  flameThicknessMm: number | null;
  oxygenIndexPct: number;
  surfaceResistivityLog10Ohm: number;
  clarity: 'clear' | 'translucent' | 'opaque';
  nozzleC: LowMidHigh;
  /** Density and hardness by nozzle temperature; absent: it does not foam. */
  foaming?: readonly FoamPoint[];
  bedC: { low: number; high: number };
  chamberC: { minimum: number | null; recommended: number | null };
  enclosure: 'open' | 'enclosed' | 'heated';
  abrasive: boolean;
  minimumNozzleMm: number;
  bedSurfaces: readonly string[];
  releaseAgentNeeded: boolean;
  fanPct: { low: number; high: number };
  directDriveNeeded: boolean;
  fumes: Fumes;
  printEase1to5: number;
  warpTendency1to5: number;
  pricePerKgUsd: LowMidHigh;
  solvents: readonly string[];
  foodNote: string;
  sterilisation: readonly string[];
  annealing: { temperatureC: number; hours: number; shrinkPct: number; hdtGainC: number } | null;
  notes: string;
}

export const families: readonly Family[] = familyFile.families as readonly Family[];
const byId = new Map(families.map((family) => [family.id, family]));

/** Undefined when the reference data does not know the family; whatever depends on it is then unknown. */
export function findFamily(id: string): Family | undefined {
  return byId.get(id);
}
