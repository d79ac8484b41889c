export * from './convert.ts';
export * from './dimensions.ts';
export * from './formatQuantity.ts';
export * from './parseQuantity.ts';
export * from './inSentence.ts';
export * from './duration.ts';
export * from './fieldMeaning.ts';
