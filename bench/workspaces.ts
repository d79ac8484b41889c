/**
 * A thousand workspaces on one server: how many connections they hold, how long a restart takes, and how they answer.
 *   npm run bench   (alone: ANVILSTONE_TEST_POSTGRES=postgres://… node --import tsx bench/workspaces.ts 1000)
 */
import { fork, type ChildProcess } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { setTimeout as wait } from 'node:timers/promises';
import knex from 'knex';

const WORKSPACES = Number(process.argv[2] ?? 1000);
const AT_ONCE = 20;
/** What the server may hold: its own pool, the queue’s and that for news. */
const MOST_CONNECTIONS = 24;
/** After so long nobody’s are open but those for news and the queue, s. */
const REST_S = 20;

const admin = process.env.ANVILSTONE_TEST_POSTGRES;
if (!admin) throw new Error('ANVILSTONE_TEST_POSTGRES is not set; run “npm run bench”');
const root = knex({ client: 'pg', connection: admin, pool: { min: 0, max: 2 } });
const name = `bench_${randomUUID().replaceAll('-', '')}`;
await root.raw(`create database ${name}`);
const url = Object.assign(new URL(admin), { pathname: `/${name}` }).href;

const connections = async () => {
  const { rows } = await root.raw<{ rows: { count: string }[] }>(
    'select count(*) from pg_stat_activity where datname = ?',
    [name],
  );
  return Number(rows[0]!.count);
};

async function start(): Promise<{ child: ChildProcess; address: string; seconds: number }> {
  const began = performance.now();
  const child = fork('packages/server/src/main.ts', ['--port', '0', '--no-demo'], {
    execArgv: ['--import', 'tsx'],
    env: { ...process.env, ANVILSTONE_DATABASE_URL: url, ANVILSTONE_LOG_LEVEL: 'error' },
  });
  const { port } = await new Promise<{ port: number }>((resolve, reject) => {
    child.once('message', resolve);
    child.once('exit', (code) => reject(new Error(`the server ended with ${code}`)));
  });
  child.removeAllListeners('exit');
  return { child, address: `http://127.0.0.1:${port}`, seconds: (performance.now() - began) / 1000 };
}
const stop = (child: ChildProcess) =>
  new Promise<void>((resolve) => {
    child.once('exit', () => resolve());
    child.kill('SIGTERM');
  });

async function each(work: (slug: string) => Promise<void>, atOnce: number): Promise<{ perS: number; most: number }> {
  const slugs = Array.from({ length: WORKSPACES }, (_, i) => `w-${i}`);
  const began = performance.now();
  let most = 0;
  const timer = setInterval(() => void connections().then((now) => (most = Math.max(most, now))), 500);
  await Promise.all(
    Array.from({ length: atOnce }, async () => {
      for (let slug = slugs.pop(); slug !== undefined; slug = slugs.pop()) await work(slug);
    }),
  );
  clearInterval(timer);
  return { perS: WORKSPACES / ((performance.now() - began) / 1000), most };
}
async function ask(address: string, init?: RequestInit): Promise<void> {
  const reply = await fetch(address, init);
  if (!reply.ok) throw new Error(`${address}: ${reply.status} ${await reply.text()}`);
  await reply.arrayBuffer();
}

try {
  let server = await start();
  const post = (slug: string) =>
    ask(`${server.address}/api/v1/workspaces`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ slug, title: slug }),
    });
  const made = await each(post, 4);
  await stop(server.child);
  server = await start();
  const atStart = await connections();
  const first = await each((slug) => ask(`${server.address}/w/${slug}/api/v1/parts`), AT_ONCE);
  const again = await each((slug) => ask(`${server.address}/w/${slug}/api/v1/parts`), AT_ONCE);
  await wait(REST_S * 1000);
  const atRest = await connections();
  const most = Math.max(made.most, first.most, again.most, atStart);
  console.log(
    `${WORKSPACES} workspaces: made at ${made.perS.toFixed(1)} a second; restarted in ${server.seconds.toFixed(1)} s; opened and read at ${first.perS.toFixed(0)} a second, read again at ${again.perS.toFixed(0)}; at most ${most} connections (${(MOST_CONNECTIONS / most).toFixed(2)} of what is wanted), ${atRest} at rest.`,
  );
  await stop(server.child);
  if (most > MOST_CONNECTIONS) process.exitCode = 1;
} finally {
  await root.raw(`drop database ${name} with (force)`);
  await root.destroy();
}
