import type { ImportSettings } from '@anvilstone/schema';
import { FileError, unpack } from '@anvilstone/core/foundations';
import type { RawTable } from '../table.ts';
import { readDelimitedText, tableOf } from './csv.ts';
import { decodeText } from './decodeText.ts';
import { joinTables } from './joinTables.ts';
import Papa from 'papaparse';

interface Resource {
  name: string;
  path?: string;
  dialect?: { delimiter?: string };
}

export interface DataPackageFile {
  sheets: string[];
  sheet: string | null;
  table: RawTable;
}

/**
 * A tabular data package in a zip archive: datapackage.json and the CSV files it names. Our own three resources are joined;
 * of others one is read. Addresses outside the archive are not followed.
 * @throws FileError broken, over a limit, a resource that is missing or outside the archive
 */
export function readDataPackage(
  bytes: Uint8Array,
  settings: Pick<ImportSettings, 'sheet' | 'headerLine' | 'delimiter'>,
): DataPackageFile {
  const files = unpack(bytes);
  const descriptorName = [...files.keys()].find((name) => /(^|\/)datapackage\.json$/.test(name));
  // The directory at its end may name what the archive does not hold.
  if (descriptorName === undefined) throw new FileError('The archive is broken: datapackage.json is not in it.');
  const folder = descriptorName.slice(0, -'datapackage.json'.length);
  const resources = resourcesOf(decodeText(files.get(descriptorName)!));
  const textOf = ({ name, path }: Resource) => {
    if (path === undefined || /^[a-z]+:|^\/|(^|\/)\.\.(\/|$)/i.test(path)) {
      throw new FileError(`Resource “${name}” is not a file inside the archive; nothing outside of it is fetched.`);
    }
    const file = files.get(folder + path);
    if (!file) throw new FileError(`Resource “${name}”: the archive has no file ${path}.`);
    return decodeText(file);
  };
  const sheets = resources.map(({ name }) => name);
  if (settings.sheet === undefined) {
    const tables = resources.map((one) => {
      const { data } = Papa.parse<string[]>(textOf(one).replace(/^\uFEFF/, ''), {
        delimiter: one.dialect?.delimiter ?? ',',
        skipEmptyLines: true,
      });
      // Goes through the table reader, so that limits hold and apostrophes put there against formulas are taken off.
      const table =
        data.length > 1
          ? tableOf(
              data.map((cells, i) => ({ line: i + 1, cells })),
              1,
              one.name,
            )
          : undefined;
      return { name: one.name, lines: table ? [{ line: 1, cells: table.header }, ...table.rows] : [] };
    });
    const joined = joinTables(tables);
    if (joined) return { sheets, sheet: null, table: joined };
  }
  const resource = settings.sheet === undefined ? resources[0] : resources.find(({ name }) => name === settings.sheet);
  if (!resource)
    throw new FileError(`The package has no table “${settings.sheet ?? ''}”; it has ${sheets.join(', ')}.`);
  return { sheets, sheet: resource.name, table: readDelimitedText(textOf(resource), settings, resource.name) };
}

function resourcesOf(text: string): Resource[] {
  let descriptor: { resources?: unknown };
  try {
    descriptor = JSON.parse(text) as { resources?: unknown };
  } catch (error) {
    throw new FileError(`datapackage.json is not JSON: ${(error as Error).message}.`);
  }
  const { resources } = descriptor;
  if (!Array.isArray(resources) || resources.length === 0) throw new FileError('datapackage.json lists no resources.');
  return resources as Resource[];
}
