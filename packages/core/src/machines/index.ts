export * from './cautions/index.ts';
export * from './cost/index.ts';
export * from './fit/index.ts';
