export * from './bench/index.ts';
export * from './service/index.ts';
export { gradeDifferences, observationName } from './exchange/gradeDifferences.ts';
