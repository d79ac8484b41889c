import type { ImportFormat, ImportSettings } from '@anvilstone/schema';
import { FileError, LIMITS } from '@anvilstone/core/foundations';
import type { RawTable } from '../table.ts';
import { readCsv } from './csv.ts';
import { detectFormat } from './detectFormat.ts';
import { readJsonGrades } from './json.ts';

/** A file taken apart: a table that still has to be mapped, or documents of our own schema. */
export interface ImportSource {
  format: ImportFormat;
  sheets: string[];
  sheet: string | null;
  delimiter: string | null;
  table?: RawTable;
  documents?: unknown[];
}

type Reader = (
  bytes: Uint8Array,
  settings: ImportSettings,
) => Omit<ImportSource, 'format'> | Promise<Omit<ImportSource, 'format'>>;
const single = { sheets: [], sheet: null, delimiter: null };

/**
 * Every format that is read. Adding one is a module and a line here (and one in detectFormat). The libraries for workbooks
 * and XML are loaded with the first such file: they take longer to load than most files to read.
 */
const READERS: Record<ImportFormat, Reader> = {
  csv(bytes, settings) {
    const table = readCsv(bytes, settings);
    return { ...single, table, delimiter: table.delimiter };
  },
  async xlsx(bytes, settings) {
    const { readXlsx } = await import('./xlsx.ts');
    return { ...single, ...(await readXlsx(bytes, settings)) };
  },
  json: (bytes) => ({ ...single, documents: readJsonGrades(bytes) }),
  async matml(bytes) {
    const { readMatml } = await import('./matml.ts');
    return { ...single, table: readMatml(bytes) };
  },
  async 'data-package'(bytes, settings) {
    const { readDataPackage } = await import('./dataPackage.ts');
    return { ...single, ...readDataPackage(bytes, settings) };
  },
};

/** @throws FileError over a limit, of no known format, or broken; the message says which */
export async function readImportFile(bytes: Uint8Array, settings: ImportSettings): Promise<ImportSource> {
  if (bytes.length > LIMITS.fileBytes) {
    throw new FileError(
      `The file has ${Math.round(bytes.length / 1e6)} MB; at most ${LIMITS.fileBytes / 1e6} MB are read. Split it.`,
    );
  }
  const format = detectFormat(bytes);
  return { format, ...(await READERS[format](bytes, settings)) };
}
