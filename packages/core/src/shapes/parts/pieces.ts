import type { LoadKind } from '@anvilstone/schema';
import type { PartResponse, SizeKind, StressPlace } from './partModel.ts';

/** Loads of a model that is pushed or pulled and moves under it. */
export const FORCE_LOADS: Partial<Record<LoadKind, SizeKind>> = {
  lasting: 'forceN',
  short: 'forceN',
  repeated: 'forceN',
  knock: 'knock',
  held: 'displacementMm',
};

/** A place without stress, to be filled in: most places know one kind only. */
export function place(given: Pick<StressPlace, 'id' | 'title' | 'direction'> & Partial<StressPlace>): StressPlace {
  return {
    tensionPerUnit: 0,
    compressionPerUnit: 0,
    shearPerUnit: 0,
    shearPlanes: [],
    concentration: 1,
    lines: [],
    ...given,
  };
}

export function response(given: Pick<PartResponse, 'places' | 'tearAreaMm2'> & Partial<PartResponse>): PartResponse {
  return { complianceTerms: [], shear: undefined, buckling: [], seriesPerUnit: 0, shearForcePerUnit: 0, ...given };
}
