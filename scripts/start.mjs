#!/usr/bin/env node
// `npm start`: from a fresh clone to a served page. Needs nothing but Node; everything else is installed on the way.
import { fork } from 'node:child_process';
import { join } from 'node:path';
import { createServer } from 'node:net';
import { parseArgs } from 'node:util';
import { buildWeb } from './buildWeb.mjs';
import { installPackages } from './install.mjs';
import { root } from './paths.mjs';
import { startPostgres } from './postgres.mjs';
import { giveUp } from './run.mjs';

const HELP = `npm start -- [options]
  --port N       first port to try (4600); the next free one is taken
  --no-demo      do not load the demo workshop
  --reset-demo   put the demo's parts, grades and machines back as delivered (own parts and decisions stay)
  --recover NAME let the account with this sign-in name administer the installation again, and print a new way in
ANVILSTONE_DATABASE_URL=postgres://… uses that PostgreSQL (15 or newer) instead of a private one.`;

const options = readOptions();
await installPackages();
await buildWeb();
// It comes with the packages.
const { buildServer, builtServer } = await import('./buildServer.mjs');
await buildServer();
const database = await openDatabase();
const port = await firstFreePort(options.port);
serve(port);

function readOptions() {
  try {
    const { values } = parseArgs({
      options: {
        port: { type: 'string', default: process.env.ANVILSTONE_PORT ?? '4600' },
        'no-demo': { type: 'boolean', default: false },
        'reset-demo': { type: 'boolean', default: false },
        recover: { type: 'string' },
        help: { type: 'boolean', default: false },
      },
    });
    if (values.help) {
      console.log(HELP);
      process.exit(0);
    }
    const port = Number(values.port);
    if (!Number.isInteger(port) || port < 1 || port > 65535)
      giveUp(`--port ${values.port} is not a port: use 1 to 65535.`);
    return { ...values, port };
  } catch (error) {
    return giveUp(`${error.message}\n\n${HELP}`);
  }
}

async function openDatabase() {
  const given = process.env.ANVILSTONE_DATABASE_URL;
  if (given) return { url: given, stop() {} };
  const cluster = await startPostgres('app');
  const { appDatabase } = await import('./database.mjs');
  return { url: await appDatabase(cluster, 'anvilstone'), stop: cluster.stop };
}

async function firstFreePort(from) {
  for (let candidate = from; candidate < from + 50 && candidate <= 65535; candidate++) {
    if (await isFree(candidate)) return candidate;
  }
  return giveUp(`No free port from ${from} on. Choose another with --port.`);
}

function isFree(candidate) {
  return new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(false));
    probe.listen(candidate, '127.0.0.1', () => probe.close(() => resolve(true)));
  });
}

/** What PostgreSQL's refusals mean, and what to do about them. */
function inWords({ code, message }) {
  if (['ECONNREFUSED', 'ENOTFOUND', 'ETIMEDOUT', 'EAI_AGAIN'].includes(code)) {
    return `no PostgreSQL answers at ANVILSTONE_DATABASE_URL (${message}). Check the address, or leave it unset for a private one.`;
  }
  if (code === '28P01') return `PostgreSQL refuses the user or password in ANVILSTONE_DATABASE_URL (${message}).`;
  if (code === '3D000')
    return `the database named in ANVILSTONE_DATABASE_URL does not exist (${message}). Create it first.`;
  return message;
}

function serve(onPort) {
  const args = ['--port', `${onPort}`, '--web', join(root, 'packages/web/dist')];
  if (options['no-demo']) args.push('--no-demo');
  if (options['reset-demo']) args.push('--reset-demo');
  if (options.recover !== undefined) args.push('--recover', options.recover);
  const child = fork(builtServer, args, {
    cwd: root,
    // Its own process group, so that Ctrl-C reaches it once and through us.
    detached: true,
    execArgv: [],
    env: {
      ...process.env,
      ANVILSTONE_DATABASE_URL: database.url,
      ANVILSTONE_LOG_LEVEL: process.env.ANVILSTONE_LOG_LEVEL ?? 'warn',
      ANVILSTONE_BACKUPS: process.env.ANVILSTONE_BACKUPS ?? join(root, '.local/backups'),
    },
  });
  child.on('message', (message) => {
    if (message.ready) console.log(`\nAnvilstone is at http://127.0.0.1:${message.port}\nStop with Ctrl-C.`);
    else console.error(`\nThe server could not start: ${inWords(message)}`);
  });
  child.on('exit', (code) => {
    database.stop();
    process.exit(code ?? 1);
  });
  let asked = 0;
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) {
    process.on(signal, () => {
      asked += 1;
      child.kill(asked > 1 ? 'SIGKILL' : 'SIGTERM');
    });
  }
}
