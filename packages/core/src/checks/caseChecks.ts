import type { CaseCheck } from './check.ts';
import { combinedMovement } from './combined/combinedMovement.ts';
import { combinedStability } from './combined/combinedStability.ts';
import { combinedStrength } from './combined/combinedStrength.ts';
import { deflectionAtLoad, movementLeft, sagAfterDuration } from './deflection.ts';
import { fatigueLife } from './fatigueLife.ts';
import { fibreBond, fibreStrength } from './fibreChecks.ts';
import { heldForm } from './heldForm.ts';
import { holdingForce } from './holdingForce.ts';
import { impactUnbroken, impactUndamaged } from './impact.ts';
import { stability } from './stability.ts';
import { strain } from './strain.ts';
import { strengthAcrossLayers } from './strengthAcrossLayers.ts';
import { strengthInPlane } from './strengthInPlane.ts';
import { struckFast } from './toughness.ts';

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
