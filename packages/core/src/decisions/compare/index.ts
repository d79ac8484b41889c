export * from './angleChart.ts';
export * from './buys.ts';
export * from './comparison.ts';
export * from './costParts.ts';
export * from './fillerSets.ts';
export type { Finalist } from './finalist.ts';
export type { PrintNeeds } from './printNeeds.ts';
export * from './propertyRows.ts';
export * from './csv.ts';
