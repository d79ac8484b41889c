import type { Grade } from '@anvilstone/schema';
import { cellOf, CLAIM_FIELDS, GRADE_FIELDS, OBSERVATION_FIELDS, type Cell, type FieldDefinition } from './fields.ts';

/** What a line of the one-table form holds. */
export const RECORD_HEADER = 'Record';
export type RecordKind = 'grade' | 'observation' | 'claim';

export interface WrittenTable {
  name: string;
  fields: readonly FieldDefinition[];
  header: string[];
  rows: Cell[][];
}

const row = (record: Parameters<typeof cellOf>[0], fields: readonly FieldDefinition[]) =>
  fields.map((one) => cellOf(record, one));

const idField = GRADE_FIELDS[0]!;
const headers = (fields: readonly FieldDefinition[]) => fields.map((one) => one.header);

/** Three tables that join on the grade id: grades, observations, claims. Together they hold all there is. */
export function threeTables(grades: readonly Grade[]): WrittenTable[] {
  const withGrade = (fields: readonly FieldDefinition[]) => [idField, ...fields];
  return [
    {
      name: 'grades',
      fields: GRADE_FIELDS,
      header: headers(GRADE_FIELDS),
      rows: grades.map((grade) => row(grade, GRADE_FIELDS)),
    },
    {
      name: 'observations',
      fields: withGrade(OBSERVATION_FIELDS),
      header: headers(withGrade(OBSERVATION_FIELDS)),
      rows: grades.flatMap((grade) => grade.observations.map((one) => [grade.id, ...row(one, OBSERVATION_FIELDS)])),
    },
    {
      name: 'claims',
      fields: withGrade(CLAIM_FIELDS),
      header: headers(withGrade(CLAIM_FIELDS)),
      rows: grades.flatMap((grade) => (grade.claims ?? []).map((one) => [grade.id, ...row(one, CLAIM_FIELDS)])),
    },
  ];
}

/** The same in one table: a line a record, its kind first. Observation and claim lines repeat grade and maker for readers. */
export function oneTable(grades: readonly Grade[]): WrittenTable {
  const fields = [...GRADE_FIELDS, ...OBSERVATION_FIELDS, ...CLAIM_FIELDS];
  const blank = (count: number): Cell[] => new Array<Cell>(count).fill(null);
  const short = (grade: Grade): Cell[] => [grade.id, grade.name, grade.maker, ...blank(GRADE_FIELDS.length - 3)];
  const rows = grades.flatMap((grade): Cell[][] => [
    ['grade', ...row(grade, GRADE_FIELDS), ...blank(OBSERVATION_FIELDS.length + CLAIM_FIELDS.length)],
    ...grade.observations.map((one): Cell[] => [
      'observation',
      ...short(grade),
      ...row(one, OBSERVATION_FIELDS),
      ...blank(CLAIM_FIELDS.length),
    ]),
    ...(grade.claims ?? []).map((one): Cell[] => [
      'claim',
      ...short(grade),
      ...blank(OBSERVATION_FIELDS.length),
      ...row(one, CLAIM_FIELDS),
    ]),
  ]);
  return { name: 'library', fields, header: [RECORD_HEADER, ...headers(fields)], rows };
}
