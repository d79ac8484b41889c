export * from './failure.ts';
export * from './lamina.ts';
export * from './laminate.ts';
export * from './loop.ts';
export * from './plyMaterials.ts';
export * from './plyStress.ts';
export * from './progressive.ts';
export * from './report.ts';
