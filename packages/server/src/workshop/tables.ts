import type { Knex } from 'knex';

/** A table as an archive holds it. */
export interface ArchivedTable {
  name: string;
  /** Those that are stored; what is worked out of them is left to the database. */
  columns: readonly string[];
  key: readonly string[];
  /** Columns that count up by themselves. */
  counters: readonly string[];
  /** Columns of bytes. */
  binaries: readonly string[];
}

/** Not of the workshop: the database’s own books, work under way, and the key that seals records (see `holdsKey`). */
export const LEFT_OUT = [
  'knex_migrations',
  'knex_migrations_lock',
  'imports',
  'import_rows',
  'trial_runs',
  'answered_once',
  'jobs',
];
export const KEY_TABLE = 'installation_keys';

/**
 * Every table of the workshop, those that others refer to first. Read from the database itself, so that a table that is added later cannot be
 * forgotten in a backup.
 */
export async function archivedTables(db: Knex, withKey: boolean): Promise<ArchivedTable[]> {
  const { rows: columns } = await db.raw<{
    rows: { table_name: string; column_name: string; data_type: string; is_generated: string; is_identity: string }[];
  }>(`
    select c.table_name, c.column_name, c.data_type, c.is_generated, c.is_identity
    from information_schema.columns c
    join information_schema.tables t using (table_schema, table_name)
    where c.table_schema = current_schema() and t.table_type = 'BASE TABLE'
    order by c.table_name, c.ordinal_position
  `);
  const { rows: keys } = await db.raw<{ rows: { table_name: string; column_name: string }[] }>(`
    select r.relname as table_name, a.attname as column_name
    from pg_index i
    join pg_class r on r.oid = i.indrelid and r.relnamespace = current_schema()::regnamespace
    join unnest(i.indkey) with ordinality as k (attnum, place) on true
    join pg_attribute a on a.attrelid = r.oid and a.attnum = k.attnum
    where i.indisprimary order by r.relname, k.place
  `);
  const names = [...new Set(columns.map(({ table_name }) => table_name))].filter(
    (name) => !LEFT_OUT.includes(name) && (withKey || name !== KEY_TABLE),
  );
  const tables = names.map((name): ArchivedTable => {
    const own = columns.filter(({ table_name }) => table_name === name);
    return {
      name,
      columns: own.filter(({ is_generated }) => is_generated === 'NEVER').map(({ column_name }) => column_name),
      key: keys.filter(({ table_name }) => table_name === name).map(({ column_name }) => column_name),
      binaries: own.filter(({ data_type }) => data_type === 'bytea').map(({ column_name }) => column_name),
      counters: own.filter(({ is_identity }) => is_identity === 'YES').map(({ column_name }) => column_name),
    };
  });
  return inOrder(tables, await references(db));
}

/** Which table refers to which. */
export async function references(db: Knex): Promise<{ from: string; to: string }[]> {
  const { rows } = await db.raw<{ rows: { from: string; to: string }[] }>(`
    select conrelid::regclass::text as "from", confrelid::regclass::text as "to"
    from pg_constraint where contype = 'f' and connamespace = current_schema()::regnamespace
  `);
  return rows.filter(({ from, to }) => from !== to);
}

/** What is referred to comes before what refers to it; otherwise by name. */
function inOrder(tables: readonly ArchivedTable[], refs: readonly { from: string; to: string }[]): ArchivedTable[] {
  const placed: ArchivedTable[] = [];
  const left = [...tables].sort((a, b) => (a.name < b.name ? -1 : 1));
  while (left.length > 0) {
    const waiting = new Set(left.map(({ name }) => name));
    const next = left.findIndex(({ name }) => !refs.some(({ from, to }) => from === name && waiting.has(to)));
    // Tables that refer to each other in a circle: none of ours do.
    placed.push(...left.splice(Math.max(0, next), 1));
  }
  return placed;
}

/** Name of the newest change to the database’s shape. */
export async function shapeOf(db: Knex): Promise<string> {
  const row = (await db('knex_migrations').orderBy('id', 'desc').first('name')) as { name: string };
  return row.name;
}
