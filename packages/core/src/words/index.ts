export * from './briefWords.ts';
export * from './duration.ts';
