export * from './arrange.ts';
export * from './briefIssues.ts';
export * from './chance.ts';
export * from './compareResults.ts';
export * from './demands.ts';
export * from './evaluate.ts';
export * from './fixes.ts';
export * from './funnel.ts';

export * from './layersUnderLoads.ts';
export * from './ranking.ts';
export * from './reserveOverTemperature.ts';
export * from './screen.ts';
export * from './sizing.ts';
