export * from './houseRules.ts';
export * from './ruleMeanings.ts';
export * from './ruleValue.ts';
