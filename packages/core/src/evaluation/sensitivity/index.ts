export * from './measurements.ts';
export * from './sensitivity.ts';
