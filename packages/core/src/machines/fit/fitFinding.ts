import type { Machine, Statement } from '@anvilstone/schema';
import type { Family } from '@anvilstone/core/materials';

export type FitVerdict = 'pass' | 'caution' | 'blocker';

export interface FitFinding {
  verdict: 'caution' | 'blocker';
  text: Statement;
  /** Share of prints that fail by it, beside the usual ones; absent: none that is known. */
  failShare?: number;
}

/** Nothing of it is known of a bare machine, so tests and callers may leave it out. */
export interface HandlingNeeds {
  bedHighC: number;
  bedSurfaces: readonly string[];
  releaseAgentNeeded: boolean;
  fumes: Family['fumes'];
  glassTransitionC: number;
  amorphous: boolean;
  diametersMm: readonly number[] | undefined;
}

/** What a grade needs of a machine: the maker's statement, else the family's typical value. */
export interface ProcessNeeds {
  nozzleC: { low: number; mid: number };
  bedLowC: number;
  enclosure: Machine['enclosure'];
  chamber: { minimum: number | null; recommended: number | null };
  /** Chamber in which it is to crystallise as it is laid, °C; absent: it need not. */
  crystallisesAtC?: number;
  warpTendency1to5: number;
  abrasive: boolean;
  minimumNozzleMm: number;
  recommendedNozzleMm: number;
  directDriveNeeded: boolean;
  /** Of a soft filament as it is fed; absent: harder than that scale. */
  shoreA?: number;
  handling?: HandlingNeeds;
}
