import file from './data/reinforcements.json' with { type: 'json' };

export type MatrixKind = 'polyamideLike' | 'polyesterOrPps' | 'amorphousOrPla';

/** Factors (×) and deltas (+, named so) on the unfilled family value. */
export interface FillerEffects {
  modulusXy: number;
  tensileStrengthXy: number;
  zStrength: number;
  zModulus: number;
  shear: number;
  shearModulus: number;
  elongationBreak: number;
  charpyNotched: number;
  charpyUnnotched: number;
  hdt045DeltaC: number;
  hdt180DeltaC: number;
  creepA: number;
  thermalExpansion: number;
  thermalExpansionZ: number;
  printShrink: number;
  warpTendencyDelta: number;
  density: number;
  thermalConductivity: number;
  friction: number;
  wear: number;
  meltFlow: number;
  waterSaturation: number;
}

export interface Reinforcement {
  id: string;
  name: string;
  kind: string;
  filler: string;
  fillerMassPct: number | null;
  fillerDensityGPerCm3: number | null;
  effects: Record<MatrixKind, FillerEffects>;
  caps: Record<MatrixKind, { elongationBreakPct?: number | null; charpyNotched23KjPerM2?: number | null }>;
  abrasive: boolean;
  minimumNozzleMm: number;
  recommendedNozzleMm: number;
  colours: string;
  /** Takes the place of the family's surface resistivity; null: the filler does not change it. */
  surfaceResistivityLog10Ohm: { low: number; typical: number; high: number } | null;
  electrostaticControl: { mayBeReliedOn: boolean; mustBeMeasured: boolean; note: string } | null;
  hidesLayerLines: boolean;
  priceFactor: number;
  handlingCaution: string | null;
  notes: Partial<Record<MatrixKind | 'general', string | null>>;
}

export const reinforcements = file.reinforcements as unknown as readonly Reinforcement[];
export const referenceModulusMPa = file.about.referenceModulusMpa as Record<MatrixKind, number>;
const matrixKinds = file.matrixKindByFamily as Record<string, { mechanical: MatrixKind; thermal: MatrixKind }>;
const byId = new Map(reinforcements.map((reinforcement) => [reinforcement.id, reinforcement]));

export function findReinforcement(id: string | null): Reinforcement | undefined {
  return id === null ? undefined : byId.get(id);
}

/** Which columns of the effects a family uses; families the table does not name behave like an amorphous matrix. */
export function matrixKindOf(familyId: string): { mechanical: MatrixKind; thermal: MatrixKind } {
  return matrixKinds[familyId] ?? { mechanical: 'amorphousOrPla', thermal: 'amorphousOrPla' };
}
