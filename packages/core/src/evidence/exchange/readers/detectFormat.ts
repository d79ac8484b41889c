import type { ImportFormat } from '@anvilstone/schema';
import { FileError, zipEntryNames } from '@anvilstone/core/foundations';
import { decodeText } from './decodeText.ts';

/** Format by what the file holds, not by its name. @throws FileError none that is read here */
export function detectFormat(bytes: Uint8Array): ImportFormat {
  if (bytes.length === 0) throw new FileError('The file is empty.');
  if (bytes[0] === 0x50 && bytes[1] === 0x4b) {
    const names = zipEntryNames(bytes);
    if (names.includes('xl/workbook.xml')) return 'xlsx';
    if (names.some((name) => /(^|\/)datapackage\.json$/.test(name))) return 'data-package';
    throw new FileError(
      'This archive is neither a workbook (.xlsx) nor a tabular data package (with datapackage.json).',
    );
  }
  if (bytes[0] === 0xd0 && bytes[1] === 0xcf) {
    throw new FileError('This is an old binary workbook (.xls). Save it as .xlsx or CSV and try again.');
  }
  if (bytes[0] === 0x25 && bytes[1] === 0x50) {
    throw new FileError(
      'This is a PDF. Numbers cannot be read out of it reliably: type them, or ask the maker for a table.',
    );
  }
  const start = decodeText(bytes.subarray(0, 4096)).trimStart();
  if (start.startsWith('{') || start.startsWith('[')) return 'json';
  if (start.startsWith('<')) return 'matml';
  return 'csv';
}
