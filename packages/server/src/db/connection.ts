import knex, { type Knex } from 'knex';
import { ActorClient } from './actorClient.ts';
import { installationMigrations } from './houseMigrations/index.ts';
import { migrations } from './migrations/index.ts';
import type { NamedMigration } from './migrations/migration.ts';

/** Migrations come from a list and not from a folder: a file nobody listed cannot run, and no loader is needed. */
const listed = (list: readonly NamedMigration[]): Knex.MigrationSource<NamedMigration> => ({
  getMigrations: () => Promise.resolve([...list]),
  getMigrationName: (migration) => migration.name,
  getMigration: (migration) => Promise.resolve(migration),
});

/** Where the first workspace of an installation has always been. */
export const FIRST_SCHEMA = 'public';
/** Accounts, workspaces and what belongs to none of them. */
export const INSTALLATION_SCHEMA = 'house';

/** Connections that see one schema and nothing else: what keeps workspaces apart is that no query can name another’s tables by accident. */
export const connect = (url: string, schema = FIRST_SCHEMA, most = 10): Knex =>
  knex({ ...configOf(schema), connection: url, pool: { min: 0, max: most } });

/** Wherever its connections come from. */
export const configOf = (schema: string): Knex.Config => ({
  client: ActorClient as unknown as typeof Knex.Client,
  searchPath: [schema],
  acquireConnectionTimeout: 10_000,
  migrations: {
    migrationSource: listed(schema === INSTALLATION_SCHEMA ? installationMigrations : migrations),
    schemaName: schema,
  },
});

/** Numbers of the locks of a database, as PostgreSQL wants them. */
const LOCKS = { start: 460_001, queue: 460_002 };

/** Whoever waits in this process waits here, and holds no connection that the one at work needs. */
const turns: Record<keyof typeof LOCKS, Promise<unknown>> = { start: Promise.resolve(), queue: Promise.resolve() };

/** Of several that begin at once, here or in other processes, one does it and the others wait. It takes a connection beside those that `work` takes. */
export function oneAtATime<T>(db: Knex, work: () => Promise<T>, lock: keyof typeof LOCKS = 'start'): Promise<T> {
  const alone = () =>
    db.transaction(async (trx) => {
      await trx.raw('select pg_advisory_xact_lock(?)', [LOCKS[lock]]);
      return work();
    });
  const mine = turns[lock].then(alone, alone);
  turns[lock] = mine.catch(() => undefined);
  return mine;
}

/**
 * Makes the schema and brings its tables up to date.
 * @throws whatever a migration throws; then nothing of that one is changed
 */
export const migrate = (db: Knex): Promise<void> =>
  oneAtATime(db, async () => {
    const { searchPath } = (db.client as { config: Knex.Config }).config;
    const schema = String(searchPath?.[0] ?? FIRST_SCHEMA);
    // Asked first: to make one takes a right that an operator may have withheld once all are there.
    const { rows } = await db.raw<{ rows: unknown[] }>('select 1 from pg_namespace where nspname = ?', [schema]);
    if (rows.length === 0) await db.raw('create schema if not exists ??', [schema]);
    const [, waiting] = (await db.migrate.list()) as [unknown[], unknown[]];
    if (waiting.length === 0) return;
    // Nobody else migrates now: a mark that says so is of a process that was killed in the middle.
    await db.migrate.forceFreeMigrationsLock();
    await db.migrate.latest();
  });
