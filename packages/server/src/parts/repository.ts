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

/** Another after any change of what is listed. */
export async function partsVersion(db: Knex): Promise<string> {
  const { rows } = await db.raw<{ rows: [{ version: string }] }>(
    `select concat_ws('-', count(*), coalesce(sum(revision), 0), extract(epoch from max(updated_at)),
       (select count(*) from decisions), (select concat_ws('.', count(*), sum(revision)) from campaigns),
       (select concat_ws('.', count(*), sum(revision)) from installations)) as version from parts`,
  );
  return rows[0].version;
}

const countByPart = (table: 'campaigns' | 'installations') =>
  `select document ->> 'partId' as part_id, count(*)::int as n from ${table} group by 1`;

/** Newest change first, with how far each part has come; put together by the database, since there may be thousands. */
export async function partsJson(db: Knex): Promise<string> {
  const { rows } = await db.raw<{ rows: [{ json: string }] }>(
    `select '[' || coalesce(string_agg(json_build_object(
         'id', id, 'revision', revision, 'brief', brief,
         'updatedAt', to_char(updated_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"'),
         'campaignCount', coalesce(c.n, 0), 'decisionCount', coalesce(d.n, 0), 'decided', d.newest, 'inServiceCount', coalesce(i.n, 0))::text, ',' order by updated_at desc, id), '') || ']' as json
     from parts
       left join (select part_id, count(*)::int as n, (array_agg(json_build_object('number', number, 'gradeId', grade_id,
           'gradeName', grade_name, 'orientation', orientation) order by number desc))[1] as newest
         from decisions group by part_id) d on d.part_id = parts.id
       left join (${countByPart('campaigns')}) c on c.part_id = parts.id::text
       left join (${countByPart('installations')}) i on i.part_id = parts.id::text`,
  );
  return rows[0].json;
}

export const listParts = async (db: Knex) => JSON.parse(await partsJson(db)) as PartSummary[];

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
