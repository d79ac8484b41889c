import type { CaseCheck } from './check.ts';
import { combinedMovement } from './combined/combinedMovement.ts';
import { combinedStability } from './combined/combinedStability.ts';
import { combinedStrength } from './combined/combinedStrength.ts';
import { deflectionAtLoad, movementLeft, sagAfterDuration } from '../movement/deflection.ts';
import { fatigueLife } from '../strength/fatigueLife.ts';
import { fibreBond, fibreStrength } from '../strength/fibreChecks.ts';
import { heldForm } from '../heat/heldForm.ts';
import { holdingForce } from '../strength/holdingForce.ts';
import { impactUnbroken, impactUndamaged } from '../impact/impact.ts';
import { stability } from '../strength/stability.ts';
import { strain } from '../strength/strain.ts';
import { strengthAcrossLayers } from '../strength/strengthAcrossLayers.ts';
import { strengthInPlane } from '../strength/strengthInPlane.ts';
import { struckFast } from '../impact/toughness.ts';

/** The checks made load case by load case; those that heat takes away from make up the service temperature limit. */
export const caseChecks: readonly CaseCheck[] = [
  strengthInPlane,
  strengthAcrossLayers,
  stability,
  strain,
  deflectionAtLoad,
  sagAfterDuration,
  movementLeft,
  fatigueLife,
  holdingForce,
  heldForm,
  impactUndamaged,
  impactUnbroken,
  struckFast,
  fibreStrength,
  fibreBond,
  combinedStrength,
  combinedStability,
  combinedMovement,
];
