import type { Claim, Grade, Observation } from '@anvilstone/schema';
import { TEST_PARAMETERS } from '@anvilstone/core/materials';

export type FieldKind = 'text' | 'number' | 'integer' | 'boolean' | 'list';
/** One column of a written table. `path` leads into the record; the header carries the unit. */
export interface FieldDefinition {
  path: string;
  header: string;
  kind: FieldKind;
}

const field = (path: string, header: string, kind: FieldKind = 'text'): FieldDefinition => ({ path, header, kind });

/** The columns of a grade, apart from its evidence. */
export const GRADE_FIELDS: readonly FieldDefinition[] = [
  field('id', 'Grade id'),
  field('name', 'Grade'),
  field('maker', 'Maker'),
  field('familyId', 'Family'),
  field('reinforcementId', 'Filler'),
  field('colours', 'Colours', 'list'),
  field('pricePerKgUsd', 'Price (USD/kg)', 'number'),
  field('leadTimeDays', 'Lead time (d)', 'number'),
  field('discontinued', 'Discontinued', 'boolean'),
  field('process.nozzleC.low', 'Nozzle, low (°C)', 'number'),
  field('process.nozzleC.high', 'Nozzle, high (°C)', 'number'),
  field('process.bedC.low', 'Bed, low (°C)', 'number'),
  field('process.bedC.high', 'Bed, high (°C)', 'number'),
  field('process.chamberC.low', 'Chamber, low (°C)', 'number'),
  field('process.chamberC.high', 'Chamber, high (°C)', 'number'),
  field('process.fanPct.low', 'Fan, low (%)', 'number'),
  field('process.fanPct.high', 'Fan, high (%)', 'number'),
  field('process.enclosure', 'Enclosure'),
  field('process.minimumNozzleMm', 'Smallest nozzle (mm)', 'number'),
  field('process.abrasive', 'Abrasive', 'boolean'),
  field('process.dryingC', 'Drying temperature (°C)', 'number'),
  field('process.dryingH', 'Drying time (h)', 'number'),
  field('process.openHours', 'Time out of the dryer (h)', 'number'),
  field('note', 'Grade note'),
  field('sampleData', 'Sample data', 'boolean'),
];

const parameterFields = Object.entries(TEST_PARAMETERS).map(([path, { title, unit }]) =>
  field(path, unit === '' || unit === 'cycles' ? title : `${title} (${unit})`, path === 'agentId' ? 'text' : 'number'),
);

export const OBSERVATION_FIELDS: readonly FieldDefinition[] = [
  field('id', 'Observation id'),
  field('property', 'Property'),
  field('value', 'Value', 'number'),
  field('low', 'Low', 'number'),
  field('high', 'High', 'number'),
  field('classValue', 'Class'),
  field('bound', 'Bound'),
  field('unit', 'Unit'),
  field('standardDeviation', 'Standard deviation', 'number'),
  field('count', 'Specimens (n)', 'integer'),
  field('source', 'Source'),
  field('method', 'Method'),
  field('specimen', 'Specimen'),
  field('crystallinity', 'Crystallinity'),
  field('orientation', 'Build orientation'),
  field('conditioning', 'Moisture state'),
  field('temperatureC', 'Test temperature (°C)', 'number'),
  ...parameterFields,
  field('reference', 'Reference'),
  field('date', 'Date'),
  field('note', 'Note'),
];

export const CLAIM_FIELDS: readonly FieldDefinition[] = [
  field('kind', 'Claim kind'),
  field('statement', 'Claim'),
  field('value', 'Claim value', 'number'),
  field('standard', 'Claim standard'),
  field('scope', 'Claim scope'),
  field('thicknessMm', 'Claim thickness (mm)', 'number'),
  field('colour', 'Claim colour'),
  field('date', 'Claim date'),
  field('reference', 'Claim reference'),
];

/** What a cell says where a value is known not to be stated (null), apart from an empty cell (absent). */
const NOT_STATED = 'not stated';
const NONE = 'none';
const LIST_SEPARATOR = ' | ';

/** A cell of a written table; null leaves it empty. */
export type Cell = string | number | boolean | null;

export function cellOf(record: Grade | Observation | Claim, { path, kind }: FieldDefinition): Cell {
  const value = path
    .split('.')
    .reduce<unknown>((at, key) => (at as Record<string, unknown> | undefined)?.[key], record);
  if (value === undefined) return null;
  if (value === null) return path === 'pricePerKgUsd' ? null : path === 'reinforcementId' ? NONE : NOT_STATED;
  if (kind === 'list') return (value as string[]).join(LIST_SEPARATOR);
  return value as Cell;
}

export type ReadField = { ok: true; value: unknown } | { ok: false; message: string };

/** The inverse of `cellOf`. An empty cell is no statement: the caller leaves the field out. */
export function fieldValue(text: string, { kind, header, path }: FieldDefinition): ReadField {
  if (text === NOT_STATED) return { ok: true, value: null };
  if (path === 'reinforcementId' && text.toLowerCase() === NONE) return { ok: true, value: null };
  switch (kind) {
    case 'text':
      return { ok: true, value: text };
    case 'list':
      return { ok: true, value: text.split(/\s*[|;,]\s*/).filter(Boolean) };
    case 'boolean': {
      const yes = /^(true|yes|y|1|x)$/i.test(text);
      if (!yes && !/^(false|no|n|0|-)$/i.test(text)) return { ok: false, message: `“${text}” is neither yes nor no` };
      return { ok: true, value: yes };
    }
    case 'number':
    case 'integer': {
      const number = Number(text.replace(/^(\d+),(\d{1,2})$/, '$1.$2'));
      if (text.trim() === '' || !Number.isFinite(number))
        return { ok: false, message: `“${text}” is not a number (${header})` };
      if (kind === 'integer' && !Number.isInteger(number))
        return { ok: false, message: `“${text}” is not a whole number (${header})` };
      return { ok: true, value: number };
    }
  }
}

/** Puts a value at a dotted path, making the objects on the way. */
export function setPath(record: Record<string, unknown>, path: string, value: unknown): void {
  const keys = path.split('.');
  let at = record;
  for (const key of keys.slice(0, -1)) at = (at[key] ??= {}) as Record<string, unknown>;
  at[keys.at(-1)!] = value;
}
