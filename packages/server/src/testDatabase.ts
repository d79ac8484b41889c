import { randomUUID } from 'node:crypto';
import knex, { type Knex } from 'knex';
import { pino } from 'pino';
import { connect, INSTALLATION_SCHEMA, migrate } from './db/connection.ts';
import { seedDemoOnce } from './db/seeds/demo.ts';
import { jobQueue } from './jobs/queue.ts';

/** What is in a database when a test gets it. */
export interface Contents {
  demo?: boolean | undefined;
  records?: boolean | undefined;
}

/** Number of the lock under which a pattern is made, as PostgreSQL wants it. */
const MAKING = 460_099;
const MOST_ATTEMPTS = 10;

/**
 * A migrated database of its own on the tests' PostgreSQL. The first that wants these contents makes a pattern, all others are
 * copies of it: to fill one takes many times as long. Used by tests only.
 */
export async function testDatabase(contents: Contents): Promise<{ url: string; drop: () => Promise<void> }> {
  const admin = adminUrl();
  const root = await adminOf(admin);
  const pattern = await madeOnce(root, admin, contents);
  const name = `test_${randomUUID().replaceAll('-', '')}`;
  await root.raw(`create database ${name} template ${pattern}`);
  return {
    url: urlOf(admin, name),
    async drop() {
      await root.raw(`drop database ${name} with (force)`);
      await root.destroy();
    },
  };
}

/** The name of a database with these contents, made unless it is there, for whoever copies it without this package. */
export async function testPattern(contents: Contents): Promise<string> {
  const admin = adminUrl();
  const root = await adminOf(admin);
  try {
    return await madeOnce(root, admin, contents);
  } finally {
    await root.destroy();
  }
}

function adminUrl(): string {
  const admin = process.env.ANVILSTONE_TEST_POSTGRES;
  if (!admin)
    throw new Error('ANVILSTONE_TEST_POSTGRES is not set; run the tests with “npm test” or “npm run test:unit”');
  return admin;
}

async function adminOf(admin: string): Promise<Knex> {
  const root = knex({ client: 'pg', connection: admin, acquireConnectionTimeout: 10_000 });
  await reached(root);
  return root;
}

/** Where the machine is held up for half a minute no connection comes about in that time; afterwards the next one does. */
async function reached(root: Knex): Promise<void> {
  for (let attempt = 1; ; attempt++)
    try {
      await root.raw('select 1');
      return;
    } catch (error) {
      if (attempt === MOST_ATTEMPTS || !(error instanceof knex.KnexTimeoutError)) throw error;
    }
}

async function madeOnce(root: Knex, admin: string, contents: Contents): Promise<string> {
  const what = contents.demo ? (contents.records ? 'records' : 'demo') : 'empty';
  const pattern = `pattern_${process.env.ANVILSTONE_TEST_RUN ?? 'alone'}_${what}`;
  await root.transaction(async (trx) => {
    await trx.raw('select pg_advisory_xact_lock(?)', [MAKING]);
    if (await trx('pg_database').where({ datname: pattern }).first()) return;
    // Under another name until all is in it: one that was left half filled must not be copied.
    await root.raw(`drop database if exists ${pattern}_begun with (force)`);
    await root.raw(`create database ${pattern}_begun`);
    await fill(urlOf(admin, `${pattern}_begun`), contents);
    await root.raw(`alter database ${pattern}_begun rename to ${pattern}`);
  });
  return pattern;
}

async function fill(url: string, { demo, records }: Contents): Promise<void> {
  const db = connect(url);
  const installation = connect(url, INSTALLATION_SCHEMA, 3);
  try {
    await migrate(db);
    await migrate(installation);
    if (demo) await seedDemoOnce(db, { records: records ?? false });
    // Its tables are made when it is first used, which takes a second.
    const queue = jobQueue(url, installation, pino({ level: 'silent' }));
    await queue.work(0, () => Promise.resolve());
    await queue.close();
  } finally {
    await db.destroy();
    await installation.destroy();
  }
}

function urlOf(admin: string, name: string): string {
  const url = new URL(admin);
  url.pathname = `/${name}`;
  return url.href;
}
