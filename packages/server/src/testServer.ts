import { pino, type Logger } from 'pino';
import { FIRST_SLUG, lock, mayStill } from './accounts/authenticate.ts';
import { createApp, workspaceRouter } from './app.ts';
import { connect, FIRST_SCHEMA, INSTALLATION_SCHEMA } from './db/connection.ts';
import { leasesOf } from './db/leases.ts';
import { sharedConnections } from './db/sharedConnections.ts';
import { closeThreads } from './exchange/pool.ts';
import { publicAddress } from './http/originGuard.ts';
import { liveHub } from './live/hub.ts';
import { liveStream } from './live/stream.ts';
import { jobQueue } from './jobs/queue.ts';
import { workOnJobs } from './jobs/worker.ts';
import { makeParts } from './workspaces/parts.ts';
import { workspaceOpener } from './workspaces/open.ts';
import { workspaceRegistry } from './workspaces/registry.ts';
import { testDatabase } from './testDatabase.ts';
import { startStandIns } from './simulators/index.ts';

const MOST_CONNECTIONS = 6;

/** A fresh, migrated database of its own on the tests' PostgreSQL, with the app on it. Used by tests only. */
export async function testServer(
  options: {
    demo?: boolean;
    records?: boolean;
    standIns?: boolean;
    address?: string;
    works?: boolean;
    logger?: Logger;
    /** The stand-ins’ clock, and that of the runs that follow them. */
    now?: () => Date;
  } = {},
) {
  const { url, drop } = await testDatabase(options);
  const db = connect(url);
  const installation = connect(url, INSTALLATION_SCHEMA, 3);
  const logger = options.logger ?? pino({ level: 'silent' });
  const standIns = options.standIns ? await startStandIns(options.now ? { now: options.now } : {}) : undefined;
  const devices = standIns?.devices ?? [];
  const queue = jobQueue(url, installation, logger);
  const worker = 'the test';
  const leases = leasesOf(installation, worker);
  const shared = { logger, queue, leases, worker, devices, ...(options.now ? { rigNow: options.now } : {}) };
  const parts = makeParts(shared, { db, slug: FIRST_SLUG, schemaName: FIRST_SCHEMA });
  const connections = sharedConnections(url, MOST_CONNECTIONS);
  const open = workspaceOpener({ ...shared, devices: [], connections, works: false, lookEveryMs: 60_000 });
  const registry = workspaceRegistry(async (row) => {
    const { jobs } = parts;
    if (row.slug === FIRST_SLUG)
      return { router: workspaceRouter(parts), jobs, isBusy: () => true, close: () => Promise.resolve() };
    const one = open(row);
    await one.begin();
    return { router: workspaceRouter(one.parts), jobs: one.parts.jobs, isBusy: one.isBusy, close: one.close };
  });
  const working = options.works ? await workOnJobs({ queue, installation, registry, logger }) : undefined;
  const hub = liveHub(url, logger, queue.nudge);
  await hub.listen();
  const live = liveStream(hub, mayStill(installation, lock(installation, { isReachable: false, isEncrypted: false })));
  const address = publicAddress(options.address);
  return {
    db,
    installation,
    parts,
    shared,
    runs: parts.runs,
    instruments: parts.instruments,
    jobs: parts.jobs,
    devices,
    url,
    connections,
    registry,
    app: createApp({
      first: parts,
      installation,
      logger,
      registry,
      live,
      address,
      exposurePolicy: { isReachable: address !== undefined, isEncrypted: address?.protocol === 'https:' },
    }),
    async close() {
      live.closeAll();
      await hub.close();
      await working?.stop();
      await queue.rest();
      await registry.close();
      await connections.close();
      await parts.runs.stop();
      await parts.jobs.stop();
      await queue.close();
      await standIns?.close();
      await closeThreads();
      await db.destroy();
      await installation.destroy();
      await drop();
    },
  };
}
