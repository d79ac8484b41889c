export * from './calculators/index.ts';
export * from './outcomes/index.ts';
export * from './training/index.ts';
