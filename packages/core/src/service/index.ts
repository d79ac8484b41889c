export * from './comparison.ts';
export * from './failureModes.ts';
export * from './fleet.ts';
export * from './foretoldMovement.ts';
export * from './grounds.ts';
export * from './inspectionPlan.ts';
export * from './inspections.ts';
export * from './proposals.ts';
