import type { Outcome, TestMethod } from '@anvilstone/core/evidence';
import {
  definitionOf,
  formatQuantity,
  formatNumber,
  type Dimension,
  type UnitSystem,
} from '@anvilstone/core/foundations';
import { orientationName } from '@anvilstone/core/shapes';
import {
  ORIENTATIONS,
  type BuildOrientation,
  type Conditioning,
  type PartGeometry,
  type Specimen,
} from '@anvilstone/schema';

/** Of test bars. */
export const WAY_WORDS: Record<BuildOrientation, string> = { XY: 'XY flat', XZ: 'XZ on edge', ZX: 'ZX upright' };
export const WAY_OPTIONS = ORIENTATIONS.map((value) => ({ value, label: WAY_WORDS[value] }));

export const CONDITIONING_WORDS: Record<Conditioning, string> = {
  dry: 'dry, as printed',
  conditioned: 'equilibrium at 50 % RH',
  wet: 'saturated',
};
export const DEFECT_WORDS: Record<Specimen['defects'][number], string> = {
  gap: 'gaps between beads',
  warped: 'warped',
  stringing: 'strings',
  'layer-shift': 'layers shifted',
  blobs: 'blobs',
  delaminated: 'layer separation',
  wet: 'bubbles from damp filament',
};
export const DIRECTION_WORDS: Record<Specimen['loadDirection'], string> = {
  'as-drawn': 'as drawn',
  reversed: 'reversed',
  sideways: 'sideways',
};
export const STATE_WORDS = { running: 'running', done: 'done', abandoned: 'no result' } as const;
export const SOURCE_WORDS = { live: 'gauges', file: 'file', typed: 'typed' } as const;
export const EVENT_WORDS = {
  'drop-out': 'lost connection',
  back: 'reconnected',
  'over-range': 'past its range',
  restart: 'server restarted',
  gap: 'readings lost',
  damaged: 'implausible',
} as const;

/** A value of an outcome in the reader’s units. */
export function outcomeText(value: number, { dimension }: Pick<Outcome, 'dimension'>, units: UnitSystem): string {
  return quantity(value, dimension, units);
}

export function quantity(value: number, dimension: Dimension, units: UnitSystem, digits = 3): string {
  return definitionOf(dimension)[units] === ''
    ? formatNumber(value, digits)
    : formatQuantity(value, dimension, units, digits);
}

/** A part is called by how it lies; a bar lies as it is called. */
export const wayOf = ({ tests }: TestMethod, orientation: BuildOrientation, part: PartGeometry): string =>
  tests === 'part' ? orientationName(part, orientation) : WAY_WORDS[orientation];
