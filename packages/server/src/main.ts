import { createServer } from 'node:http';
import { parseArgs } from 'node:util';
import { pino } from 'pino';
import { createApp } from './app.ts';
import { runService } from './bench/runService.ts';
import { connect, migrate } from './db/connection.ts';
import { importService } from './exchange/importService.ts';
import { closeThreads, warmThreads } from './exchange/pool.ts';
import { failAbandoned } from './exchange/repository.ts';
import { resetDemo, seedDemoOnce } from './db/seeds/demo.ts';
import { instrumentService } from './instruments/service.ts';
import { backupService } from './workshop/backups.ts';
import { startStandIns } from './simulators/index.ts';

/** Requests under way get this long to finish before connections are cut. */
const GRACE_MS = 5000;

const { values } = parseArgs({
  options: {
    port: { type: 'string', default: '4600' },
    web: { type: 'string' },
    'no-demo': { type: 'boolean', default: false },
    'reset-demo': { type: 'boolean', default: false },
  },
});
const logger = pino({ level: process.env.ANVILSTONE_LOG_LEVEL ?? 'info' });
const url = process.env.ANVILSTONE_DATABASE_URL;
if (!url) {
  logger.fatal('ANVILSTONE_DATABASE_URL is not set; “npm start” sets it');
  process.exit(1);
}

const db = connect(url);
let stopping = false;
const imports = importService(db, logger);
// Seconds between the stand-in logger’s readings, and so between looks at it.
const loggerS = Number(process.env.ANVILSTONE_LOGGER_SECONDS ?? 900);
const standIns = await startStandIns({ everyS: loggerS });
const instruments = instrumentService(db, logger, standIns.devices);
const runs = runService(db, logger, instruments, standIns.devices);
const backups = backupService(db, logger, {
  ...(process.env.ANVILSTONE_BACKUPS ? { folder: process.env.ANVILSTONE_BACKUPS } : {}),
  everyH: Number(process.env.ANVILSTONE_BACKUP_HOURS ?? 24),
});
let stopWatching = () => {};
const app = createApp({
  db,
  logger,
  imports,
  instruments,
  runs,
  backups,
  stopping: () => stopping,
  ...(values.web ? { webFolder: values.web } : {}),
});
const server = createServer(app);
// Longer than clients and proxies keep an idle connection, so that none is closed under a request on its way.
server.keepAliveTimeout = 75_000;

async function start(): Promise<void> {
  await migrate(db);
  await failAbandoned(db);
  if (values['reset-demo']) await resetDemo(db);
  else if (!values['no-demo']) await seedDemoOnce(db);
  await runs.resume();
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(Number(values.port), '127.0.0.1', resolve);
  });
  const address = server.address();
  const port = typeof address === 'object' && address ? address.port : Number(values.port);
  logger.info({ port }, 'serving');
  warmThreads();
  backups.watch();
  stopWatching = instruments.watch(Math.min(60_000, loggerS * 1000));
  process.send?.({ ready: true, port });
}

async function stop(reason: string): Promise<void> {
  if (stopping) return;
  stopping = true;
  logger.info({ reason }, 'stopping');
  const closed = new Promise((resolve) => server.close(resolve));
  server.closeIdleConnections();
  const cut = setTimeout(() => server.closeAllConnections(), GRACE_MS);
  await closed;
  clearTimeout(cut);
  stopWatching();
  backups.stop();
  await runs.stop();
  await standIns.close();
  await closeThreads();
  await imports.idle();
  await db.destroy();
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
  await db.destroy();
  process.exitCode = 1;
  if (process.connected) process.disconnect?.();
});
