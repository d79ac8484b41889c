export * from './companyRules.ts';
export * from './ruleMeanings.ts';
export * from './ruleValue.ts';
