// Databases that an earlier run made would tell of the code as it was then, and one that was stopped has left its own behind.
import { randomUUID } from 'node:crypto';
import pg from 'pg';

export default async function beforeJest() {
  process.env.ANVILSTONE_TEST_RUN ??= randomUUID().slice(0, 8);
  const connectionString = process.env.ANVILSTONE_TEST_POSTGRES;
  if (!connectionString) return;
  const client = new pg.Client({ connectionString });
  await client.connect();
  const { rows } = await client.query(
    `select datname from pg_database where datname ~ '^(pattern|test|e2e)_' and datname not like $1 and pg_get_userbyid(datdba) = current_user`,
    [`pattern\\_${process.env.ANVILSTONE_TEST_RUN}\\_%`],
  );
  for (const { datname } of rows) await client.query(`drop database if exists ${datname} with (force)`);
  await client.end();
}
