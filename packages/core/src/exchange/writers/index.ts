import type { Grade } from '@anvilstone/schema';
import { writeCsv } from './csv.ts';
import { writeDataPackage } from './dataPackage.ts';
import { writeMatml } from './matml.ts';
import { writeXlsx } from './xlsx.ts';

export interface LibraryWriter {
  id: string;
  title: string;
  extension: string;
  mediaType: string;
  write(grades: readonly Grade[]): string | Uint8Array | Promise<Uint8Array>;
}

/** Every format the library can be written in; each reads back without loss. Adding one is a module and a line here. */
export const libraryWriters: readonly LibraryWriter[] = [
  { id: 'csv', title: 'CSV, one table', extension: 'csv', mediaType: 'text/csv; charset=utf-8', write: writeCsv },
  {
    id: 'xlsx',
    title: 'Workbook, three sheets (XLSX)',
    extension: 'xlsx',
    mediaType: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
    write: writeXlsx,
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
    write: writeMatml,
  },
  {
    id: 'data-package',
    title: 'Tabular data package (ZIP)',
    extension: 'zip',
    mediaType: 'application/zip',
    write: writeDataPackage,
  },
];

export const findWriter = (id: string): LibraryWriter | undefined => libraryWriters.find((writer) => writer.id === id);
