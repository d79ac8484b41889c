import type { Grade } from '@anvilstone/schema';
import { writeCsv } from './csv.ts';

export interface LibraryWriter {
  id: string;
  title: string;
  extension: string;
  mediaType: string;
  write(grades: readonly Grade[]): string | Promise<string | Uint8Array>;
}

/** Every format the library can be written in; each reads back without loss. Adding one is a module and a line here. */
export const libraryWriters: readonly LibraryWriter[] = [
  { id: 'csv', title: 'CSV, one table', extension: 'csv', mediaType: 'text/csv; charset=utf-8', write: writeCsv },
  {
    id: 'xlsx',
    title: 'Workbook, three sheets (XLSX)',
    extension: 'xlsx',
    mediaType: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
    // The larger libraries are loaded when they are needed.
    write: async (grades) => (await import('./xlsx.ts')).writeXlsx(grades),
  },
  {
    id: 'json',
    title: 'JSON, published schema',
    extension: 'json',
    mediaType: 'application/json',
    write: (grades) => `${JSON.stringify({ grades, machines: [] }, null, 1)}\n`,
  },
  {
    id: 'matml',
    title: 'MatML 3.1 (XML)',
    extension: 'xml',
    mediaType: 'application/xml; charset=utf-8',
    write: async (grades) => (await import('./matml.ts')).writeMatml(grades),
  },
  {
    id: 'data-package',
    title: 'Tabular data package (ZIP)',
    extension: 'zip',
    mediaType: 'application/zip',
    write: async (grades) => (await import('./dataPackage.ts')).writeDataPackage(grades),
  },
];

export const findWriter = (id: string): LibraryWriter | undefined => libraryWriters.find((writer) => writer.id === id);
