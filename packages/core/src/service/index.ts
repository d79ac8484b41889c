export * from './failureModes.ts';
export * from './foretoldMovement.ts';
export * from './inspectionPlan.ts';
