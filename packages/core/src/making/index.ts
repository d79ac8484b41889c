export * from './drying/index.ts';
export * from './plan/index.ts';
export * from './prices/index.ts';
export * from './spools/index.ts';
