import { randomUUID } from 'node:crypto';
import knex from 'knex';
import { pino } from 'pino';
import { FIRST_SLUG, lock, mayStill } from './accounts/authenticate.ts';
import { createApp, workspaceRouter } from './app.ts';
import { runService } from './bench/runService.ts';
import { connect, HOUSE_SCHEMA, migrate, migrateHouse } from './db/connection.ts';
import { importService } from './exchange/importService.ts';
import { closeThreads } from './exchange/pool.ts';
import { seedDemoOnce } from './db/seeds/demo.ts';
import { instrumentService } from './instruments/service.ts';
import { publicAddress } from './http/originGuard.ts';
import { liveHub } from './live/hub.ts';
import { liveStream } from './live/stream.ts';
import { workspaceOpener } from './workspaces/open.ts';
import { workspaceRegistry } from './workspaces/registry.ts';
import { backupService } from './workshop/backups.ts';
import { startStandIns } from './simulators/index.ts';

/** A fresh, migrated database of its own on the tests' PostgreSQL, with the app on it. Used by tests only. */
export async function testServer(
  options: { demo?: boolean; records?: boolean; standIns?: boolean; address?: string } = {},
) {
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
  const house = connect(url.href, HOUSE_SCHEMA, 3);
  await migrateHouse(house);
  if (options.demo) await seedDemoOnce(db, { records: options.records ?? false });
  const logger = pino({ level: 'silent' });
  const imports = importService(db, logger);
  const standIns = options.standIns ? await startStandIns() : undefined;
  const devices = standIns?.devices ?? [];
  const instruments = instrumentService(db, logger, devices);
  const runs = runService(db, logger, instruments, devices);
  const parts = { db, imports, instruments, runs, backups: backupService(db, logger, {}) };
  const open = workspaceOpener({
    url: url.href,
    logger,
    devices: [],
    backupFolder: undefined,
    backupEveryH: 24,
    lookEveryMs: 60_000,
  });
  const registry = workspaceRegistry(async (row) => {
    if (row.slug === FIRST_SLUG) return { router: workspaceRouter(parts), close: () => Promise.resolve() };
    const one = open(row);
    await one.begin();
    return { router: workspaceRouter(one.parts), close: one.close };
  });
  const hub = liveHub(url.href, logger);
  await hub.listen();
  const live = liveStream(hub, mayStill(house, lock(house, { isReachable: false, isEncrypted: false })));
  const address = publicAddress(options.address);
  return {
    db,
    house,
    imports,
    instruments,
    runs,
    devices,
    url: url.href,
    app: createApp({
      ...parts,
      house,
      logger,
      registry,
      live,
      address,
      door: { isReachable: address !== undefined, isEncrypted: address?.protocol === 'https:' },
    }),
    async close() {
      live.closeAll();
      await hub.close();
      await registry.close();
      await runs.stop();
      await standIns?.close();
      await closeThreads();
      await imports.idle();
      await db.destroy();
      await house.destroy();
      await root.raw(`drop database ${name} with (force)`);
      await root.destroy();
    },
  };
}
