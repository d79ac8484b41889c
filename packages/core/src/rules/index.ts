export * from './houseRules.ts';
export * from './ruleMeanings.ts';
