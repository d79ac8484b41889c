import type { Grade, GradeChange, GradeRecord } from '@anvilstone/schema';
import type { Knex } from 'knex';

interface GradeRow {
  id: string;
  document: Grade;
  revision: number;
  updated_at: Date;
}
const RECORD = ['id', 'document', 'revision', 'updated_at'] as const;
/** PostgreSQL takes at most 65,535 values in one statement, and a statement of some megabytes is quick enough. */
const ROWS_A_STATEMENT = 500;

const toRecord = (row: GradeRow): GradeRecord => ({
  grade: row.document,
  revision: row.revision,
  updatedAt: row.updated_at.toISOString(),
});

export async function allGrades(db: Knex): Promise<Grade[]> {
  const rows = (await db('grades').select('document').orderBy('id')) as { document: Grade }[];
  return rows.map((row) => row.document);
}

/** Those of these ids that there are: a few of what may be thousands. */
export async function gradesOfIds(db: Knex, ids: Iterable<string>): Promise<Grade[]> {
  const rows = (await db('grades')
    .whereIn('id', [...new Set(ids)])
    .select('document')) as { document: Grade }[];
  return rows.map((row) => row.document);
}

export async function allGradeRecords(db: Knex): Promise<GradeRecord[]> {
  const rows = (await db('grades')
    .select(...RECORD)
    .orderBy('id')) as GradeRow[];
  return rows.map(toRecord);
}

/** All documents as one JSON array, put together by the database: nothing is parsed and written again on the way out. */
export async function allGradesJson(db: Knex): Promise<string> {
  const result = await db.raw<{ rows: { json: string }[] }>(
    `select '[' || coalesce(string_agg(document::text, ',' order by id), '') || ']' as json from grades`,
  );
  return result.rows[0]!.json;
}

/** Goes up with every change of any grade. */
export async function libraryVersion(db: Knex): Promise<string> {
  const row = (await db('grade_changes').max('id as last').first()) as { last: string | null };
  return row.last ?? '0';
}

/** Undefined: no such grade. `lock` keeps the row as it is until the transaction ends. */
export async function findGrade(db: Knex, id: string, lock = false): Promise<GradeRecord | undefined> {
  const query = db<GradeRow>('grades')
    .where({ id })
    .first(...RECORD);
  const row = (await (lock ? query.forUpdate() : query)) as GradeRow | undefined;
  return row && toRecord(row);
}

/** After many grades were written at once: without it the database plans its next searches as if the table were as before. */
export async function settleAfterBulk(db: Knex): Promise<void> {
  await db.raw('vacuum (analyze) grades');
}

/** Undefined: the id is taken. */
export async function insertGrade(
  db: Knex,
  grade: Grade,
  action: GradeChange['action'],
): Promise<GradeRecord | undefined> {
  const rows = (await db('grades')
    .insert({ id: grade.id, document: JSON.stringify(grade) })
    .onConflict('id')
    .ignore()
    .returning([...RECORD])) as GradeRow[];
  if (!rows[0]) return undefined;
  await recordChange(db, grade.id, 1, action, grade);
  return toRecord(rows[0]);
}

/** Undefined when no grade has this id and revision: removed, or changed by someone else. */
export async function saveGrade(
  db: Knex,
  grade: Grade,
  revision: number,
  action: GradeChange['action'],
): Promise<GradeRecord | undefined> {
  const [row] = (await db('grades')
    .where({ id: grade.id, revision })
    .update({ document: JSON.stringify(grade), revision: revision + 1, updated_at: db.fn.now() })
    .returning([...RECORD])) as GradeRow[];
  if (!row) return undefined;
  await recordChange(db, grade.id, row.revision, action, grade);
  return toRecord(row);
}

export async function deleteGrade(db: Knex, id: string, revision: number): Promise<boolean> {
  if ((await db('grades').where({ id, revision }).delete()) === 0) return false;
  await recordChange(db, id, revision + 1, 'removed', null);
  return true;
}

/** Writes many grades as they are, whatever their revision was; `afterBatch` is told how many are in. */
export async function upsertGrades(
  db: Knex,
  grades: readonly Grade[],
  action: GradeChange['action'],
  afterBatch: (written: number) => Promise<void> = () => Promise.resolve(),
): Promise<void> {
  for (let from = 0; from < grades.length; from += ROWS_A_STATEMENT) {
    const batch = grades.slice(from, from + ROWS_A_STATEMENT);
    const rows = batch.map((grade) => ({ id: grade.id, document: JSON.stringify(grade) }));
    const written = (await db('grades')
      .insert(rows)
      .onConflict('id')
      .merge({
        document: db.raw('excluded.document'),
        revision: db.raw('grades.revision + 1'),
        updated_at: db.fn.now(),
      })
      .returning(['id', 'revision'])) as { id: string; revision: number }[];
    const revisions = new Map(written.map(({ id, revision }) => [id, revision]));
    await db('grade_changes').insert(
      rows.map(({ id, document }) => ({ grade_id: id, revision: revisions.get(id) ?? 1, action, document })),
    );
    await afterBatch(from + batch.length);
  }
}

async function recordChange(
  db: Knex,
  gradeId: string,
  revision: number,
  action: GradeChange['action'],
  document: Grade | null,
): Promise<void> {
  await db('grade_changes').insert({
    grade_id: gradeId,
    revision,
    action,
    document: document && JSON.stringify(document),
  });
}

export interface StoredChange {
  revision: number;
  action: GradeChange['action'];
  at: Date;
  document: Grade | null;
}

/** Oldest first. */
export async function changesOf(db: Knex, gradeId: string): Promise<StoredChange[]> {
  return (await db('grade_changes')
    .where({ grade_id: gradeId })
    .orderBy('id')
    .select('revision', 'action', 'at', 'document')) as StoredChange[];
}

export interface DecisionUse {
  id: string;
  number: number;
  part_id: string;
  part_title: string;
  decided_at: Date;
}

/** Decisions that chose the grade, newest first. */
export async function decisionsUsing(db: Knex, gradeId: string): Promise<DecisionUse[]> {
  return (await db('decisions')
    .join('parts', 'parts.id', 'decisions.part_id')
    .where({ grade_id: gradeId })
    .orderBy('number', 'desc')
    .select(
      'decisions.id',
      'number',
      'part_id',
      'decided_at',
      db.raw(`parts.brief ->> 'title' as part_title`),
    )) as unknown as DecisionUse[];
}
