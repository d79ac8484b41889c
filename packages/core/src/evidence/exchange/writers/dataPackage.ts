import type { Grade } from '@anvilstone/schema';
import { strToU8, zipSync } from 'fflate';
import { threeTables, type WrittenTable } from '../canonicalTable.ts';
import type { FieldKind } from '../fields.ts';
import { tableAsCsv } from './csv.ts';

const TYPES: Record<FieldKind, string> = {
  text: 'string',
  number: 'number',
  integer: 'integer',
  boolean: 'boolean',
  list: 'string',
};

/** A tabular data package: datapackage.json with a table schema for each of three CSV files, zipped. */
export function writeDataPackage(grades: readonly Grade[]): Uint8Array {
  const tables = threeTables(grades);
  const descriptor = {
    profile: 'tabular-data-package',
    name: 'filament-grades',
    title: 'Filament grades with their evidence',
    resources: tables.map(resource),
  };
  const files = Object.fromEntries(tables.map((table) => [`${table.name}.csv`, strToU8(tableAsCsv(table))]));
  return zipSync(
    { 'datapackage.json': strToU8(JSON.stringify(descriptor, null, 2)), ...files },
    { mtime: new Date(1980, 0, 1) },
  );
}

function resource({ name, fields }: WrittenTable): object {
  const foreignKey = { fields: 'Grade id', reference: { resource: 'grades', fields: 'Grade id' } };
  return {
    name,
    path: `${name}.csv`,
    profile: 'tabular-data-resource',
    encoding: 'utf-8',
    dialect: { delimiter: ',', doubleQuote: true },
    schema: {
      fields: fields.map(({ header, kind }) => ({ name: header, type: TYPES[kind] })),
      missingValues: [''],
      ...(name === 'grades' ? { primaryKey: 'Grade id' } : { foreignKeys: [foreignKey] }),
    },
  };
}
