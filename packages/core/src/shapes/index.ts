export * from './fibre/index.ts';
export * from './infill/index.ts';
export * from './laminate/index.ts';
export * from './mesh/index.ts';
export * from './parts/index.ts';
export * from './sections/index.ts';
