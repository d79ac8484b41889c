import { XMLParser } from 'fast-xml-parser';
import { RECORD_HEADER } from '../canonicalTable.ts';
import { FileError, LIMITS } from '@anvilstone/core/foundations';
import { CLAIM_FIELDS, GRADE_FIELDS, OBSERVATION_FIELDS } from '../fields.ts';
import { CLAIM_PROPERTY } from '../matmlNames.ts';
import type { RawTable, TableRow } from '../table.ts';
import { decodeText } from './decodeText.ts';

type Text = string | number | { '#text'?: string };
interface Parameter {
  '@_parameter'?: string;
  Data?: Text;
}
interface PropertyData {
  '@_property'?: string;
  Data?: Text;
  ParameterValue?: Parameter[];
  Notes?: Text;
}
interface Details {
  '@_id'?: string;
  Name?: Text;
  Units?: { '@_name'?: string } | string;
  Unitless?: unknown;
}
interface MatmlMaterial {
  BulkDetails?: {
    Name?: Text;
    Class?: { Name?: Text }[];
    Source?: { '@_source'?: string } | string;
    PropertyData?: PropertyData[];
    Notes?: Text;
  };
}

const ARRAYS = new Set(['Material', 'PropertyData', 'ParameterValue', 'PropertyDetails', 'ParameterDetails', 'Class']);
const FIELDS = [...GRADE_FIELDS, ...OBSERVATION_FIELDS, ...CLAIM_FIELDS];
const HEADER = [RECORD_HEADER, ...FIELDS.map(({ header }) => header)];
const GRADE_HEADERS = new Set(GRADE_FIELDS.map(({ header }) => header));

/**
 * Materials of a MatML 3.1 document as one table: a line a material, a line a property value. Property names that are not
 * ours stay as they are and are mapped like those of any other file; parameters that are not ours go into the note.
 * A line number is the running number of the record, since XML has no lines that mean anything.
 * @throws FileError not XML, not MatML, or with a document type or entities, which are never read
 */
export function readMatml(bytes: Uint8Array): RawTable {
  const text = decodeText(bytes);
  if (/<!(DOCTYPE|ENTITY)/i.test(text)) {
    throw new FileError(
      'The XML has a document type or entities of its own. They can reach other files, so they are not read: remove them.',
    );
  }
  requireShallow(text);
  const parser = new XMLParser({
    ignoreAttributes: false,
    parseTagValue: false,
    parseAttributeValue: false,
    trimValues: true,
    htmlEntities: true,
    isArray: (name) => ARRAYS.has(name),
  });
  let document: {
    MatML_Doc?: {
      Material?: MatmlMaterial[];
      Metadata?: { PropertyDetails?: Details[]; ParameterDetails?: Details[] };
    };
  };
  try {
    document = parser.parse(text, true) as typeof document;
  } catch (error) {
    throw new FileError(`The XML is broken: ${(error as Error).message}.`);
  }
  const matml = document.MatML_Doc;
  if (!matml?.Material?.length)
    throw new FileError('This XML is not MatML with materials in it (MatML_Doc, Material).');
  const properties = namesById(matml.Metadata?.PropertyDetails ?? []);
  const parameters = namesById(matml.Metadata?.ParameterDetails ?? []);
  const rows: TableRow[] = [];
  for (const material of matml.Material) {
    for (const record of recordsOf(material, properties, parameters)) {
      rows.push({ line: rows.length + 2, cells: HEADER.map((header) => record.get(header) ?? '') });
    }
  }
  if (rows.length > LIMITS.rows)
    throw new FileError(`It has ${rows.length} values; at most ${LIMITS.rows} are read at once. Split it.`);
  return { name: 'materials', headerLine: 1, header: HEADER, rows };
}

/** A parser that recurses can be made to run out of stack by a file of nothing but opening tags. */
function requireShallow(text: string): void {
  let depth = 0;
  for (const [tag] of text.matchAll(/<[^>]*>/g)) {
    if (tag.startsWith('</')) depth -= 1;
    else if (!tag.endsWith('/>') && !tag.startsWith('<?') && !tag.startsWith('<!')) depth += 1;
    if (depth > LIMITS.xmlDepth)
      throw new FileError(`The XML is nested more than ${LIMITS.xmlDepth} deep. MatML is not.`);
  }
}

function namesById(details: readonly Details[]): Map<string, { name: string; unit: string }> {
  return new Map(
    details.map((one) => [
      one['@_id'] ?? '',
      { name: plain(one.Name), unit: typeof one.Units === 'object' ? (one.Units['@_name'] ?? '') : '' },
    ]),
  );
}

type Names = ReturnType<typeof namesById>;

function recordsOf(
  { BulkDetails: bulk = {} }: MatmlMaterial,
  properties: Names,
  parameters: Names,
): Map<string, string>[] {
  const source = typeof bulk.Source === 'object' ? (bulk.Source['@_source'] ?? '') : '';
  const grade = new Map([
    [RECORD_HEADER, 'grade'],
    ['Grade', plain(bulk.Name)],
    ['Maker', source],
    ['Family', plain(bulk.Class?.[0]?.Name)],
  ]);
  if (bulk.Notes !== undefined) grade.set('Grade note', plain(bulk.Notes));
  const others: Map<string, string>[] = [];
  for (const data of bulk.PropertyData ?? []) {
    const { name, unit } = properties.get(data['@_property'] ?? '') ?? { name: data['@_property'] ?? '', unit: '' };
    if (GRADE_HEADERS.has(name)) grade.set(name, plain(data.Data));
    else others.push(valueRecord(data, name, unit, parameters));
  }
  for (const record of others) {
    for (const header of ['Grade id', 'Grade', 'Maker']) record.set(header, grade.get(header) ?? '');
  }
  return [grade, ...others];
}

function valueRecord(data: PropertyData, name: string, unit: string, parameters: Names): Map<string, string> {
  const claim = name === CLAIM_PROPERTY;
  const record = new Map([[RECORD_HEADER, claim ? 'claim' : 'observation']]);
  if (!claim) {
    record.set('Property', name);
    record.set('Unit', unit || '-');
    const value = plain(data.Data);
    if (value !== '-') record.set('Value', value);
  }
  const foreign: string[] = [];
  for (const parameter of data.ParameterValue ?? []) {
    const known = parameters.get(parameter['@_parameter'] ?? '');
    const header = known?.name ?? parameter['@_parameter'] ?? '';
    if (HEADER.includes(header)) record.set(header, plain(parameter.Data));
    else if (/^(test )?temperature$/i.test(header))
      record.set('Test temperature (°C)', `${plain(parameter.Data)} ${known?.unit ?? ''}`.trim());
    else foreign.push(`${header} ${plain(parameter.Data)} ${known?.unit ?? ''}`.trim());
  }
  if (data.Notes !== undefined) foreign.push(plain(data.Notes));
  if (foreign.length > 0) record.set('Note', [record.get('Note'), ...foreign].filter(Boolean).join('; '));
  return record;
}

function plain(value: Text | undefined): string {
  if (value === undefined) return '';
  return typeof value === 'object' ? String(value['#text'] ?? '') : String(value);
}
