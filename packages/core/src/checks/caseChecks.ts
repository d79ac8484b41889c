import type { CaseCheck } from './check.ts';
import { deflectionAtLoad, sagAfterDuration } from './deflection.ts';
import { strengthAcrossLayers } from './strengthAcrossLayers.ts';
import { strengthInPlane } from './strengthInPlane.ts';

/** The checks made load case by load case; the own heat limit is where the first of these gives out. */
export const caseChecks: readonly CaseCheck[] = [
  strengthInPlane,
  strengthAcrossLayers,
  deflectionAtLoad,
  sagAfterDuration,
];
