import file from './data/reinforcements.json' with { type: 'json' };

export type MatrixKind = 'polyamideLike' | 'amorphousOrPla';

/** Factors (×) and deltas (+, named so) on the unfilled family value. */
export interface FillerEffects {
  modulusXy: number;
  tensileStrengthXy: number;
  zStrength: number;
  zModulus: number;
  shear: number;
  elongationBreak: number;
  charpyNotched: number;
  hdt045DeltaC: number;
  hdt180DeltaC: number;
  creepA: number;
  warpTendencyDelta: number;
  density: number;
}

export interface Reinforcement {
  id: string;
  name: string;
  fillerMassPct: number | null;
  fillerDensityGPerCm3: number | null;
  effects: Record<MatrixKind, FillerEffects>;
  caps: Record<MatrixKind, { elongationBreakPct?: number | null; charpyNotched23KjPerM2?: number | null }>;
  abrasive: boolean;
  minimumNozzleMm: number;
  recommendedNozzleMm: number;
  colours: string;
  priceFactor: number;
  handlingCaution: string | null;
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
