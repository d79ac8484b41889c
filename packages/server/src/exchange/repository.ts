import type { ImportJob, ImportPlan, ImportSettings } from '@anvilstone/schema';
import type { Knex } from 'knex';

interface ImportRow {
  id: string;
  file_name: string;
  settings: ImportSettings;
  state: ImportJob['state'];
  progress: number;
  plan: ImportPlan | null;
  failure: string | null;
  created_at: Date;
}
const COLUMNS = ['id', 'file_name', 'settings', 'state', 'progress', 'plan', 'failure', 'created_at'] as const;
const KEPT_DAYS = 14;

const toJob = (row: ImportRow): ImportJob => ({
  id: row.id,
  fileName: row.file_name,
  state: row.state,
  progress: Math.min(1, Math.max(0, row.progress)),
  settings: row.settings,
  plan: row.plan,
  failure: row.failure,
  createdAt: row.created_at.toISOString(),
});

export async function insertImport(
  db: Knex,
  id: string,
  fileName: string,
  file: Buffer,
  settings: ImportSettings,
): Promise<ImportJob> {
  // Files that nobody came back to do not pile up.
  await db('imports')
    .where('created_at', '<', db.raw(`now() - interval '${KEPT_DAYS} days'`))
    .delete();
  const rows = (await db('imports')
    .insert({ id, file_name: fileName, file, settings: JSON.stringify(settings), state: 'reading' })
    .returning([...COLUMNS])) as ImportRow[];
  return toJob(rows[0]!);
}

/** Undefined: no such import. */
export async function findImport(db: Knex, id: string): Promise<ImportJob | undefined> {
  const row = (await db('imports')
    .where({ id })
    .first(...COLUMNS)) as ImportRow | undefined;
  return row && toJob(row);
}

/** Newest first, without their plans. */
export async function listImports(db: Knex): Promise<ImportJob[]> {
  const rows = (await db('imports')
    .select('id', 'file_name', 'settings', 'state', 'progress', 'failure', 'created_at', db.raw('null as plan'))
    .orderBy('created_at', 'desc')
    .limit(20)) as unknown as ImportRow[];
  return rows.map(toJob);
}

export async function fileOf(db: Knex, id: string): Promise<Buffer | undefined> {
  const row = (await db('imports').where({ id }).first('file')) as { file: Buffer | null } | undefined;
  return row?.file ?? undefined;
}

export async function rowsOf(db: Knex, id: string): Promise<Buffer | undefined> {
  const row = (await db('imports').where({ id }).first('rows')) as { rows: Buffer | null } | undefined;
  return row?.rows ?? undefined;
}

export interface ImportChange {
  state?: ImportJob['state'];
  progress?: number;
  settings?: ImportSettings;
  plan?: ImportPlan;
  rows?: Uint8Array;
  /** Documents the plan would write, a JSON array. */
  writes?: string;
  /** What the plan was made against. */
  libraryVersion?: string;
  failure?: string | null;
  /** The bytes are no longer needed. */
  dropFile?: boolean;
}

/** Changes an import only while it is in one of the states; says whether it was. */
export async function changeImport(
  db: Knex,
  id: string,
  from: readonly ImportJob['state'][],
  change: ImportChange,
): Promise<boolean> {
  const { settings, plan, rows, libraryVersion, dropFile, ...plain } = change;
  const count = await db('imports')
    .where({ id })
    .whereIn('state', [...from])
    .update({
      ...plain,
      ...(settings ? { settings: JSON.stringify(settings) } : {}),
      ...(plan ? { plan: JSON.stringify(plan) } : {}),
      ...(rows ? { rows: Buffer.from(rows) } : {}),
      ...(libraryVersion === undefined ? {} : { library_version: libraryVersion }),
      ...(dropFile ? { file: null, writes: null } : {}),
      updated_at: db.fn.now(),
    });
  return count > 0;
}

/** Library version the stored plan was made against. */
export async function plannedAgainst(db: Knex, id: string): Promise<string | null> {
  const row = (await db('imports').where({ id }).first('library_version')) as
    | { library_version: string | null }
    | undefined;
  return row?.library_version ?? null;
}

/**
 * Lays the documents the stored plan would write out in a table of this transaction, and says how many there are. The
 * database takes them from the import's own row: nothing travels to the server and back.
 */
export async function layOutWrites(trx: Knex, id: string): Promise<number> {
  await trx.raw(
    `create temporary table planned on commit drop as
     select one.place, one.document
     from imports, jsonb_array_elements(coalesce(imports.writes, '[]')::jsonb) with ordinality as one(document, place)
     where imports.id = ?`,
    [id],
  );
  const row = (await trx('planned').count('* as n').first()) as { n: string } | undefined;
  return Number(row?.n ?? 0);
}

/** Writes documents from + 1 … to of those laid out into the library, with their history. */
export async function writePlanned(trx: Knex, from: number, to: number): Promise<void> {
  await trx.raw(
    `with written as (
       insert into grades (id, document)
         select document ->> 'id', document from planned where place > :from and place <= :to
       on conflict (id) do update
         set document = excluded.document, revision = grades.revision + 1, updated_at = now()
       returning id, revision, document
     )
     insert into grade_changes (grade_id, revision, action, document)
     select id, revision, 'imported', document from written`,
    { from, to },
  );
}
