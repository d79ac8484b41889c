/** Files in and out. Apart from the rest of core, since it brings the libraries for workbooks, archives and XML with it. */
export { oneTable, threeTables } from './canonicalTable.ts';
export { gradeDifferences } from './gradeDifferences.ts';
export { neutralised, restored } from './neutralise.ts';
export { openIssues } from './planning/openIssues.ts';
export { planImport, type ImportOutcome, type PlanOptions } from './planning/planImport.ts';
export { readImportFile, type ImportSource } from './readers/index.ts';
export { orthotropicConstants, writeFeaCard, type FeaCardOptions } from './writers/feaCard.ts';
export { findWriter, libraryWriters, type LibraryWriter } from './writers/index.ts';
