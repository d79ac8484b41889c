export * from './comparison.ts';
export * from './failureModes.ts';
export * from './fleet.ts';
export * from './predictedMovement.ts';
export * from './grounds.ts';
export * from './inspectionPlan.ts';
export * from './inspections.ts';
export * from './proposals.ts';
