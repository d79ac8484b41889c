export * from './comparisons.ts';
export * from './outliers.ts';
export * from './summary.ts';
export * from './toleranceFactor.ts';
export * from './weibull.ts';
export * from './readReadings.ts';
