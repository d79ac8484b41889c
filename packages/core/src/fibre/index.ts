export * from './layFibre.ts';
export * from './planFibre.ts';
