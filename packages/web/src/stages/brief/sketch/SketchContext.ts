import { LAYER_NORMAL, type PartAxis } from '@anvilstone/core/shapes';
import type { BuildOrientation } from '@anvilstone/schema';
import { createContext, useContext } from 'react';

/** What every piece of a sketch needs to know. */
export interface SketchSettings {
  /** Prefix of the ids of patterns in this drawing. */
  id: string;
  orientation: BuildOrientation;
  /** Only the shape: no dimensions and no words, for small pictures. */
  bare: boolean;
  /** Id of the place that governs; it is ringed. */
  governs: string | undefined;
  /** A length in the user’s unit, without the unit. */
  label: (mm: number) => string;
  /** How large the load is, in words. */
  load: string;
  /** Changes a dimension by its pointer within the part; one gesture is one step to undo. Absent: it cannot be dragged. */
  onDimension: ((pointer: string, mm: number, gesture: string) => void) | undefined;
}

export const SketchContext = createContext<SketchSettings | null>(null);

export function useSketch(): SketchSettings {
  const settings = useContext(SketchContext);
  if (!settings) throw new Error('A piece of a sketch is drawn outside of a sketch');
  return settings;
}

export type LayerLines = 'along' | 'upright' | 'none';

/** How layers show in a view with these axes across and down the paper: as level lines, as upright ones, or as one face. */
export function layerLines(orientation: BuildOrientation, across: PartAxis, down: PartAxis): LayerLines {
  const normal = LAYER_NORMAL[orientation];
  return normal === down ? 'along' : normal === across ? 'upright' : 'none';
}
