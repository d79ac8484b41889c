import type { ChangeDetail, RecordedChange } from '@anvilstone/schema';
import type { Knex } from 'knex';

interface ChangeRow {
  id: string;
  at: Date;
  kind: string;
  record: string;
  revision: number | null;
  action: RecordedChange['action'];
  who: string;
  before: unknown;
}
const COLUMNS = ['id', 'at', 'kind', 'record', 'revision', 'action', 'who'] as const;

/** Where a record’s document is, and what it is called by in it. */
const KEPT: Record<string, { document: string; title: string }> = {
  parts: { document: 'brief', title: 'title' },
  house_rules: { document: 'rules', title: '' },
  agents: { document: 'document', title: 'name' },
  machines: { document: 'document', title: 'name' },
  spools: { document: 'document', title: 'id' },
  places: { document: 'document', title: 'name' },
  dryers: { document: 'document', title: 'name' },
  dryer_schedule: { document: 'document', title: '' },
  campaigns: { document: 'document', title: 'title' },
  trials: { document: 'document', title: 'specimenId' },
  installations: { document: 'document', title: 'mark' },
  service_findings: { document: 'document', title: 'text' },
};

const toChange = (row: ChangeRow, title: string | null = null): RecordedChange => ({
  id: String(row.id),
  at: row.at.toISOString(),
  who: row.who,
  kind: row.kind,
  record: row.record,
  title,
  revision: row.revision,
  action: row.action,
});

export interface ChangesAsked {
  kind?: string | undefined;
  record?: string | undefined;
  who?: string | undefined;
  /** Only those before it. */
  before?: number | undefined;
  most: number;
}

/** Newest first; grades, which keep their own history, among them. */
export async function listChanges(
  db: Knex,
  { kind, record, who, before, most }: ChangesAsked,
): Promise<RecordedChange[]> {
  const query = db('changes')
    .orderBy('id', 'desc')
    .limit(most)
    .select(...COLUMNS, 'before');
  if (kind !== undefined) void query.where({ kind });
  if (record !== undefined) void query.where({ record });
  if (who !== undefined) void query.where({ who });
  if (before !== undefined) void query.where('id', '<', before);
  const rows = (await query) as ChangeRow[];
  const titles = await titlesOf(db, rows);
  return rows.map((row) => toChange(row, titles.get(`${row.kind} ${row.record}`) ?? titleIn(row.kind, row.before)));
}

const titleIn = (kind: string, document: unknown): string | null => {
  const field = KEPT[kind]?.title;
  const found = field ? (document as Record<string, unknown> | null)?.[field] : undefined;
  return typeof found === 'string' ? found.slice(0, 200) : null;
};

/** What the records are called now. */
async function titlesOf(db: Knex, rows: readonly ChangeRow[]): Promise<Map<string, string>> {
  const titles = new Map<string, string>();
  for (const kind of new Set(rows.map((row) => row.kind))) {
    const kept = KEPT[kind];
    if (!kept?.title) continue;
    const ids = [...new Set(rows.filter((row) => row.kind === kind).map(({ record }) => record))];
    const found = (await db(kind)
      .whereRaw('id::text = any(?)', [ids])
      .select(db.raw('id::text as id'), db.raw('left(?? ->> ?, 200) as title', [kept.document, kept.title]))) as {
      id: string;
      title: string | null;
    }[];
    for (const { id, title } of found) if (title) titles.set(`${kind} ${id}`, title);
  }
  return titles;
}

export interface FoundChange extends Omit<ChangeDetail, 'canBePutBack'> {
  kind: string;
  record: string;
}

/** What a change found, and what it left: that is what the next one found, or what is there now. Undefined: no such change. */
export async function findChange(db: Knex, id: number): Promise<FoundChange | undefined> {
  const row = (await db('changes')
    .where({ id })
    .first(...COLUMNS, 'before')) as ChangeRow | undefined;
  if (!row) return undefined;
  const { kind, record } = row;
  const next = (await db('changes').where({ kind, record }).where('id', '>', id).orderBy('id').first('before')) as
    | { before: unknown }
    | undefined;
  const after = row.action === 'removed' ? null : next ? next.before : await currentOf(db, kind, record);
  const title = titleIn(kind, after) ?? titleIn(kind, row.before);
  return { kind, record, change: toChange(row, title), before: row.before ?? null, after, isLast: next === undefined };
}

/** Null: it is gone, or keeps no document. */
export async function currentOf(db: Knex, kind: string, record: string): Promise<unknown> {
  const kept = KEPT[kind];
  if (!kept) return null;
  const row = (await db(kind)
    .whereRaw('id::text = ?', [record])
    .first(db.raw('?? as document', [kept.document]))) as { document: unknown } | undefined;
  return row?.document ?? null;
}
