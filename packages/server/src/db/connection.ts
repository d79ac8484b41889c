import knex, { type Knex } from 'knex';
import { migrations } from './migrations/index.ts';

/** Migrations come from a list and not from a folder: a file nobody listed cannot run, and no loader is needed. */
const migrationSource: Knex.MigrationSource<(typeof migrations)[number]> = {
  getMigrations: () => Promise.resolve([...migrations]),
  getMigrationName: (migration) => migration.name,
  getMigration: (migration) => Promise.resolve(migration),
};

export function connect(url: string): Knex {
  return knex({
    client: 'pg',
    connection: url,
    pool: { min: 0, max: 10 },
    acquireConnectionTimeout: 10_000,
    migrations: { migrationSource },
  });
}

export async function migrate(db: Knex): Promise<void> {
  await db.migrate.latest();
}
