import { createServer } from 'node:http';
import { parseArgs } from 'node:util';
import { randomUUID } from 'node:crypto';
import { hostname } from 'node:os';
import { FIRST_SLUG, lock, mayStill } from './accounts/authenticate.ts';
import { allWorkspaces } from './accounts/repository.ts';
import { accountService } from './accounts/service.ts';
import { createApp, createHealthApp, workspaceRouter } from './app.ts';
import { makeLogger } from './http/logger.ts';
import { isLoopback, publicAddress } from './http/originGuard.ts';
import { liveHub } from './live/hub.ts';
import { liveStream } from './live/stream.ts';
import { isBackupDue } from './workshop/backups.ts';
import { workspaceOpener } from './workspaces/open.ts';
import { backupFolderOf } from './workspaces/parts.ts';
import { patrol } from './workspaces/patrol.ts';
import { workspaceRegistry } from './workspaces/registry.ts';
import { FIRST_SCHEMA, INSTALLATION_SCHEMA, migrate, oneAtATime } from './db/connection.ts';
import { sharedConnections } from './db/sharedConnections.ts';
import { leasesOf } from './db/leases.ts';
import { jobQueue } from './jobs/queue.ts';
import { JOB_TIMES } from './jobs/service.ts';
import { workOnJobs } from './jobs/worker.ts';
import { closeThreads, warmThreads } from './exchange/pool.ts';
import { resetDemo, seedDemoOnce } from './db/seeds/demo.ts';
import { startStandIns } from './simulators/index.ts';

/** Requests under way get this long to finish before connections are cut. */
const GRACE_MS = 5000;
const LONGEST_UPLOAD_MS = 12 * 3.6e6;

const { values } = parseArgs({
  options: {
    port: { type: 'string', default: '4600' },
    web: { type: 'string' },
    'no-demo': { type: 'boolean', default: false },
    'reset-demo': { type: 'boolean', default: false },
    // Sign-in name of an account that is to administer the installation again.
    recover: { type: 'string' },
  },
});
const logger = makeLogger(process.env.ANVILSTONE_LOG_LEVEL ?? 'info');
const url = process.env.ANVILSTONE_DATABASE_URL;
if (!url) {
  logger.fatal('ANVILSTONE_DATABASE_URL is not set; “npm start” sets it');
  process.exit(1);
}

const host = process.env.ANVILSTONE_HOST ?? '127.0.0.1';
const address = readAddress();
const isReachable = !isLoopback(host) || (address !== undefined && !isLoopback(address.host));
const isEncrypted = address?.protocol === 'https:';

const role = readRole();
const serves = role !== 'worker';
const works = role !== 'web';

let stopping = false;
// With the queue’s and that for news a process has some more: several processes have to fit into what the database gives.
const connections = sharedConnections(url, Number(process.env.ANVILSTONE_CONNECTIONS ?? 20));
const installation = connections.to(INSTALLATION_SCHEMA, 8);
const worker = `${hostname()}-${process.pid}-${randomUUID().slice(0, 4)}`;
const queue = jobQueue(url, installation, logger);
// A process that says nothing for so long is taken for lost, s.
const silentS = Number(process.env.ANVILSTONE_JOB_SILENT_SECONDS ?? JOB_TIMES.silentS);
// Seconds between the stand-in logger’s readings, and so between looks at it.
const loggerS = Number(process.env.ANVILSTONE_LOGGER_SECONDS ?? 900);
// How many times as fast the stand-in rig pulls, for whoever shows or tests it.
const rigPace = Number(process.env.ANVILSTONE_RIG_PACE ?? 1);
const standIns = await startStandIns({ everyS: loggerS, rigPace });
const backupFolder = process.env.ANVILSTONE_BACKUPS;
const backupEveryH = Number(process.env.ANVILSTONE_BACKUP_HOURS ?? 24);
const open = workspaceOpener({
  connections,
  logger,
  queue,
  leases: leasesOf(installation, worker),
  worker,
  works,
  jobTimes: { ...JOB_TIMES, silentS, beatS: silentS / 5 },
  devices: standIns.devices,
  backupFolder,
  backupEveryH,
  lookEveryMs: Math.min(60_000, loggerS * 1000),
});
const first = open({ slug: FIRST_SLUG, schemaName: FIRST_SCHEMA });
const registry = workspaceRegistry(async (row) => {
  const one = row.slug === FIRST_SLUG ? first : open(row);
  await one.begin();
  return { router: workspaceRouter(one.parts), jobs: one.parts.jobs, isBusy: one.isBusy, close: one.close };
});
const hub = liveHub(url, logger, works ? queue.nudge : undefined);
const exposurePolicy = { isReachable, isEncrypted };
const live = liveStream(hub, mayStill(installation, lock(installation, exposurePolicy)));
const app = serves
  ? createApp({
      first: first.parts,
      installation,
      logger,
      exposurePolicy,
      address,
      proxies: Number(process.env.ANVILSTONE_PROXIES ?? 0),
      registry,
      live,
      stopping: () => stopping,
      ...(values.web ? { webFolder: values.web } : {}),
    })
  : createHealthApp({ db: first.parts.db, logger, stopping: () => stopping });
let working: { stop(): Promise<void> } | undefined;
let patrolling: { stop(): Promise<void> } | undefined;
const server = createServer(app);
// Longer than clients and proxies keep an idle connection, so that none is closed under a request on its way.
server.keepAliveTimeout = 75_000;
// An archive of fifty gigabytes over a slow line takes hours; the usual five minutes would cut it off.
server.requestTimeout = LONGEST_UPLOAD_MS;

async function start(): Promise<void> {
  await migrate(installation);
  await migrate(first.parts.db);
  await oneAtATime(first.parts.db, async () => {
    if (values['reset-demo']) await resetDemo(first.parts.db);
    else if (!values['no-demo']) await seedDemoOnce(first.parts.db);
  });
  if (isReachable && serves) await sayHowToBegin();
  if (values.recover !== undefined) {
    const secret = await accountService(installation).recover(values.recover);
    process.stdout.write(
      `\n“${values.recover}” administers the installation. A new way in, good for a week: …/welcome#${secret}\n`,
    );
  }
  for (const row of await allWorkspaces(installation)) if (row.slug === FIRST_SLUG) await registry.of(row);
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(Number(values.port), host, resolve);
  });
  const bound = server.address();
  const port = typeof bound === 'object' && bound ? bound.port : Number(values.port);
  logger.info({ port, role, worker }, serves ? 'serving' : 'working');
  warmThreads();
  void hub.listen();
  if (works) {
    working = await workOnJobs({ queue, installation, registry, logger });
    const isDue = async ({ slug }: { slug: string }) => {
      const folder = backupFolderOf({ backupFolder }, slug);
      return folder !== undefined && (await isBackupDue(folder, backupEveryH));
    };
    // Each goes on with what was left in it, whether or not anybody asks for it soon.
    patrolling = patrol({ installation, registry, logger, isDue });
  }
  process.send?.({ ready: true, port });
}

/** What this process is for. One that is named wrongly must not do everything. */
function readRole(): 'web' | 'worker' | 'all' {
  const role = process.env.ANVILSTONE_ROLE ?? 'all';
  if (role === 'web' || role === 'worker' || role === 'all') return role;
  logger.fatal(`ANVILSTONE_ROLE is “${role}”: say web, worker or all`);
  process.exit(1);
}

/** @throws never: what cannot be used ends the process with the reason */
function readAddress(): URL | undefined {
  try {
    const found = publicAddress(process.env.ANVILSTONE_ADDRESS);
    if (!found && !isLoopback(host))
      throw new Error(
        'ANVILSTONE_HOST is not loopback: say with ANVILSTONE_ADDRESS under which address people reach it',
      );
    return found;
  } catch (error) {
    logger.fatal((error as Error).message);
    process.exit(1);
  }
}

/** Before there is an account, whoever comes first must prove that they can read what this process prints. */
async function sayHowToBegin(): Promise<void> {
  if (!isEncrypted) logger.warn('people reach this server without https: passwords can be read on the way');
  const accounts = accountService(installation);
  if (await accounts.anyAccount()) return;
  const code = await accounts.newSetupCode();
  process.stdout.write(`\nNo account yet. Open the address and create the first one with this code: ${code}\n`);
}

async function stop(reason: string): Promise<void> {
  if (stopping) return;
  stopping = true;
  logger.info({ reason }, 'stopping');
  const closed = new Promise((resolve) => server.close(resolve));
  server.closeIdleConnections();
  live.closeAll();
  const cut = setTimeout(() => server.closeAllConnections(), GRACE_MS);
  await closed;
  clearTimeout(cut);
  await hub.close();
  await working?.stop();
  await patrolling?.stop();
  await queue.rest();
  await registry.close();
  await queue.close();
  await standIns.close();
  await closeThreads();
  await connections.close();
  // The channel to the parent alone would keep this process alive.
  if (process.connected) process.disconnect?.();
}

for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => void stop(signal));
// Started by a parent that has since gone (killed, even): do not stay behind and hold the port.
process.on('disconnect', () => void stop('parent gone'));

start().catch(async (error: unknown) => {
  logger.fatal({ err: error }, 'could not start');
  process.send?.({
    ready: false,
    message: error instanceof Error ? error.message : String(error),
    code: (error as { code?: string }).code,
  });
  await connections.close();
  process.exitCode = 1;
  if (process.connected) process.disconnect?.();
});
