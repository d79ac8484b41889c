import { CLAIM_FIELDS, GRADE_FIELDS, OBSERVATION_FIELDS } from '../fields.ts';
import { RECORD_HEADER, type RecordKind } from '../canonicalTable.ts';
import type { RawTable, TableRow } from '../table.ts';

interface NamedLines {
  name: string;
  lines: readonly TableRow[];
}

const KINDS: readonly { table: string; record: RecordKind }[] = [
  { table: 'grades', record: 'grade' },
  { table: 'observations', record: 'observation' },
  { table: 'claims', record: 'claim' },
];

/** Our own three tables as one, each row led by what it is; undefined where the tables are not ours. */
export function joinTables(tables: readonly NamedLines[]): RawTable | undefined {
  const found = KINDS.map(({ table, record }) => ({
    record,
    lines: tables.find(({ name }) => name.toLowerCase() === table)?.lines,
  }));
  const [grades, observations] = found;
  if (!grades?.lines?.length || !observations?.lines) return undefined;
  if (!grades.lines[0]!.cells.includes(GRADE_FIELDS[0]!.header)) return undefined;
  const fields = [...GRADE_FIELDS, ...OBSERVATION_FIELDS, ...CLAIM_FIELDS].map(({ header }) => header);
  const header = [RECORD_HEADER, ...fields];
  const place = new Map(header.map((title, i) => [title, i]));
  const rows = found.flatMap(({ record, lines = [] }) => {
    const columns = lines[0]?.cells.map((title) => place.get(title)) ?? [];
    return lines.slice(1).map(({ line, cells }) => {
      const joined = new Array<string>(header.length).fill('');
      joined[0] = record;
      cells.forEach((cell, i) => {
        const at = columns[i];
        if (at !== undefined) joined[at] = cell.trim();
      });
      return { line, cells: joined };
    });
  });
  return { name: 'library', headerLine: 1, header, rows };
}
