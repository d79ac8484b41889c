import pg from 'pg';

/** Makes a database unless it is there. Needs node_modules, unlike the rest of the start-up scripts. */
export async function ensureDatabase(url, name) {
  const client = new pg.Client({ connectionString: url('postgres') });
  await client.connect();
  try {
    const { rowCount } = await client.query('select 1 from pg_database where datname = $1', [name]);
    if (rowCount === 0) await client.query(`create database ${pg.escapeIdentifier(name)}`);
  } finally {
    await client.end();
  }
  return url(name);
}

export async function dropDatabase(url, name) {
  const client = new pg.Client({ connectionString: url('postgres') });
  await client.connect();
  try {
    await client.query(`drop database if exists ${pg.escapeIdentifier(name)} with (force)`);
  } finally {
    await client.end();
  }
}

/** A database that is what another was when it was copied. Nobody may be using that one. */
export async function copyDatabase(url, from, name) {
  const client = new pg.Client({ connectionString: url('postgres') });
  await client.connect();
  try {
    await client.query(`create database ${pg.escapeIdentifier(name)} template ${pg.escapeIdentifier(from)}`);
  } finally {
    await client.end();
  }
  return url(name);
}
