import { randomUUID } from 'node:crypto';
import knex from 'knex';
import { pino } from 'pino';
import { createApp } from './app.ts';
import { runService } from './bench/runService.ts';
import { connect, migrate } from './db/connection.ts';
import { importService } from './exchange/importService.ts';
import { closeThreads } from './exchange/pool.ts';
import { seedDemoOnce } from './db/seeds/demo.ts';
import { instrumentService } from './instruments/service.ts';
import { startStandIns } from './simulators/index.ts';

/** A fresh, migrated database of its own on the tests' PostgreSQL, with the app on it. Used by tests only. */
export async function testServer(options: { demo?: boolean; records?: boolean; standIns?: boolean } = {}) {
  const admin = process.env.ANVILSTONE_TEST_POSTGRES;
  if (!admin)
    throw new Error('ANVILSTONE_TEST_POSTGRES is not set; run the tests with “npm test” or “npm run test:unit”');
  const name = `test_${randomUUID().replaceAll('-', '')}`;
  const root = knex({ client: 'pg', connection: admin });
  await root.raw(`create database ${name}`);
  const url = new URL(admin);
  url.pathname = `/${name}`;
  const db = connect(url.href);
  await migrate(db);
  if (options.demo) await seedDemoOnce(db, { records: options.records ?? false });
  const logger = pino({ level: 'silent' });
  const imports = importService(db, logger);
  const standIns = options.standIns ? await startStandIns() : undefined;
  const devices = standIns?.devices ?? [];
  const instruments = instrumentService(db, logger, devices);
  const runs = runService(db, logger, instruments, devices);
  return {
    db,
    imports,
    instruments,
    runs,
    devices,
    url: url.href,
    app: createApp({ db, logger, imports, instruments, runs }),
    async close() {
      await runs.stop();
      await standIns?.close();
      await closeThreads();
      await imports.idle();
      await db.destroy();
      await root.raw(`drop database ${name} with (force)`);
      await root.destroy();
    },
  };
}
