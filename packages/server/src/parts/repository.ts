import type { Brief, Part, PartSummary } from '@anvilstone/schema';
import type { Knex } from 'knex';

interface PartRow {
  id: string;
  revision: number;
  brief: Brief;
  created_at: Date;
  updated_at: Date;
}
const COLUMNS = ['id', 'revision', 'brief', 'created_at', 'updated_at'] as const;

function toPart(row: PartRow): Part {
  const { id, revision, brief } = row;
  return { id, revision, brief, createdAt: row.created_at.toISOString(), updatedAt: row.updated_at.toISOString() };
}

/** Newest change first, with how many decisions each part has. */
export async function listParts(db: Knex): Promise<PartSummary[]> {
  const decisionCount = db.raw('(select count(*)::int from decisions where part_id = parts.id) as decision_count');
  const rows = await db<PartRow>('parts')
    .select(...COLUMNS, decisionCount)
    .orderBy([{ column: 'updated_at', order: 'desc' }, 'id'])
    .then((found) => found as unknown as (PartRow & { decision_count: number })[]);
  return rows.map((row) => {
    const { id, revision, brief, updatedAt } = toPart(row);
    return { id, revision, brief, updatedAt, decisionCount: row.decision_count };
  });
}

/** `lock` keeps the row as it is until the transaction ends. Undefined: no such part. */
export async function findPart(db: Knex, id: string, lock = false): Promise<Part | undefined> {
  const query = db<PartRow>('parts')
    .where({ id })
    .first(...COLUMNS);
  const row = await (lock ? query.forShare() : query);
  return row && toPart(row);
}

export async function insertPart(db: Knex, id: string, brief: Brief): Promise<Part> {
  const [row] = await db<PartRow>('parts')
    .insert({ id, revision: 1, brief: json(brief) })
    .returning([...COLUMNS]);
  return toPart(row as PartRow);
}

/** Undefined when no part has this id and revision: removed, or changed by someone else. */
export async function saveBrief(db: Knex, id: string, brief: Brief, revision: number): Promise<Part | undefined> {
  const [row] = await db<PartRow>('parts')
    .where({ id, revision })
    .update({ brief: json(brief), revision: revision + 1, updated_at: db.fn.now() as unknown as Date })
    .returning([...COLUMNS]);
  return row && toPart(row);
}

export async function deletePart(db: Knex, id: string, revision: number): Promise<boolean> {
  return (await db<PartRow>('parts').where({ id, revision }).delete()) > 0;
}

/** pg would send a top-level array as a PostgreSQL array; text is unambiguous. */
function json(value: unknown): never {
  return JSON.stringify(value) as never;
}
