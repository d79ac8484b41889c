import type { Grade } from '@anvilstone/schema';
import { LIBRARY_FORMATS, type LibraryFormat } from '../formats.ts';
import { writeCsv } from './csv.ts';

type Write = (grades: readonly Grade[]) => string | Promise<string | Uint8Array>;
export interface LibraryWriter extends LibraryFormat {
  write: Write;
}

/** Each reads back without loss. Adding one is a module, a line here and a line in the formats. */
const WRITERS: Record<(typeof LIBRARY_FORMATS)[number]['id'], Write> = {
  csv: writeCsv,
  // The larger libraries are loaded when they are needed.
  xlsx: async (grades) => (await import('./xlsx.ts')).writeXlsx(grades),
  json: (grades) => `${JSON.stringify({ grades, machines: [] }, null, 1)}\n`,
  matml: async (grades) => (await import('./matml.ts')).writeMatml(grades),
  'data-package': async (grades) => (await import('./dataPackage.ts')).writeDataPackage(grades),
};

export const libraryWriters: readonly LibraryWriter[] = LIBRARY_FORMATS.map((format) => ({
  ...format,
  write: WRITERS[format.id],
}));

export const findWriter = (id: string): LibraryWriter | undefined => libraryWriters.find((writer) => writer.id === id);
