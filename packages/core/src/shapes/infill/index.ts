export * from './fill.ts';
export * from './patterns.ts';
