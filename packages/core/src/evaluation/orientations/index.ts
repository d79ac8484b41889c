export * from './fillings.ts';
export * from './supports.ts';
export * from './tiltSweep.ts';
export * from './waysUp.ts';
export * from './foams.ts';
export * from './splits.ts';
export type { SkinBond } from './skinBond.ts';
