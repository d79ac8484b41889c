export * from './loadName.ts';
export * from './amount.ts';
export * from './briefWords.ts';
export * from './surroundingSentences.ts';
export * from './choiceWords.ts';
export * from './heatLimitWords.ts';
export * from './rejectionReasons.ts';
