import type { BuildOrientation, PartGeometry } from '@anvilstone/schema';
import type { Working } from '../working/Working.ts';

/** Axes of a part model: along it, along the load, and sideways. */
export type PartAxis = 'length' | 'depth' | 'width';

/** Which way the layers are stacked in each build orientation. */
export const LAYER_NORMAL: Record<BuildOrientation, PartAxis> = { XY: 'depth', XZ: 'width', ZX: 'length' };

/** One place where a part may fail. Stresses are per newton of load; the concentration is already in `normalPerN`. */
export interface StressPlace {
  id: string;
  title: string;
  /** Largest tension along `axis`, MPa per N. */
  normalPerN: number;
  axis: PartAxis;
  /** Shear on the planes facing `shearPlanes`, MPa per N. */
  shearPerN: number;
  shearPlanes: readonly [PartAxis, PartAxis];
}

/** A part model with its dimensions filled in. All responses are linear in the load. */
export interface PartBody {
  volumeMm3: number;
  extentMm: Record<PartAxis, number>;
  places: readonly StressPlace[];
  /** Movement at the load, mm, under a load, for the moduli along the part and in shear, MPa. */
  deflectionMm(forceN: number, modulusMPa: number, shearModulusMPa: number): number;
  /** Shows the arithmetic of a place's stress, or of the deflection. */
  showStress(working: Working, place: StressPlace, forceN: number): void;
  showDeflection(working: Working, forceN: number, modulusMPa: number, shearModulusMPa: number): void;
}

/** One module and one line in `partModels` each. */
export interface PartModel<G extends PartGeometry = PartGeometry> {
  id: G['model'];
  title: string;
  /** What the part does, in the words by which an engineer picks it. */
  does: string;
  /** @throws InputError naming the dimension that cannot be used */
  body(geometry: G): PartBody;
}
