export * from './compare/index.ts';
export * from './record/index.ts';
export * from './wording/index.ts';
export { mergeDocuments, sameContent, type Merge, type MergeConflict } from './record/merge.ts';
