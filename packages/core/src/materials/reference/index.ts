export * from './agent.ts';
export * from './chemicalResistanceSummary.ts';
export * from './family.ts';
export * from './reinforcement.ts';
export * from './surroundings.ts';
export { type Support, type SupportPairing, supports } from './support.ts';
export { type Tow, tows } from './tow.ts';
