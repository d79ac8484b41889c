export * from './libraryTable.ts';
export * from './tableColumns.ts';
