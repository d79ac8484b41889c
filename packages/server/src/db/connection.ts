import knex, { type Knex } from 'knex';
import { ActorClient } from './actorClient.ts';
import { houseMigrations } from './houseMigrations/index.ts';
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
export const HOUSE_SCHEMA = 'house';

/** Connections that see one schema and nothing else: what keeps workspaces apart is that no query can name another’s tables by accident. */
export function connect(url: string, schema = FIRST_SCHEMA, most = 10): Knex {
  return knex({
    client: ActorClient as unknown as typeof Knex.Client,
    connection: url,
    searchPath: [schema],
    pool: { min: 0, max: most },
    acquireConnectionTimeout: 10_000,
    migrations: {
      migrationSource: listed(schema === HOUSE_SCHEMA ? houseMigrations : migrations),
      schemaName: schema,
    },
  });
}

export async function migrate(db: Knex): Promise<void> {
  await db.migrate.latest();
}

/** Makes the house and brings it up to date. */
export async function migrateHouse(house: Knex): Promise<void> {
  await house.raw('create schema if not exists ??', [HOUSE_SCHEMA]);
  await house.migrate.latest();
}
