/**
 * How fast a server starts and answers, beside the plainest server there is on the same database.
 *   npm run bench
 */
import { fork, type ChildProcess } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { fileURLToPath } from 'node:url';
import autocannon from 'autocannon';
import knex from 'knex';
import { perSecond, printHead, printRow } from './rows.ts';

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url));
const admin = process.env.ANVILSTONE_TEST_POSTGRES;
if (!admin) throw new Error('ANVILSTONE_TEST_POSTGRES is not set; “npm run bench” sets it');

interface Started {
  child: ChildProcess;
  port: number;
  ms: number;
}

function start(file: string, args: string[], env: Record<string, string>): Promise<Started> {
  const from = performance.now();
  const child = fork(file, args, {
    execArgv: file.endsWith('.ts') ? ['--import', 'tsx'] : [],
    env: { ...process.env, ...env, ANVILSTONE_LOG_LEVEL: 'silent', NODE_OPTIONS: '' },
  });
  return new Promise((resolve, reject) => {
    child.once('exit', (code) => reject(new Error(`${file} ended with ${code}`)));
    child.once('message', (said: { port: number }) =>
      resolve({ child, port: said.port, ms: performance.now() - from }),
    );
  });
}
const stop = ({ child }: Started) =>
  new Promise<void>((resolve) => {
    child.removeAllListeners('exit').once('exit', () => resolve());
    child.kill('SIGTERM');
  });
const rateOf = async (url: string) => {
  const { requests } = await autocannon({ url, connections: 20, duration: 6 });
  return requests.average;
};

const name = `bench_${randomUUID().replaceAll('-', '')}`;
const root = knex({ client: 'pg', connection: admin });
await root.raw(`create database ${name}`);
const url = Object.assign(new URL(admin), { pathname: `/${name}` }).href;
try {
  const main = here('../packages/server/src/main.ts');
  const plain = here('./reference/plainServer.mjs');
  // The first start makes the tables and brings the sample; that is once in the life of a workshop.
  await stop(await start(main, ['--port', '0'], { ANVILSTONE_DATABASE_URL: url }));
  const starts: number[] = [];
  let server: Started | undefined;
  for (let i = 0; i < 3; i++) {
    if (server) await stop(server);
    server = await start(main, ['--port', '0'], { ANVILSTONE_DATABASE_URL: url });
    starts.push(server.ms);
  }
  const origin = `http://127.0.0.1:${server!.port}`;
  const paths = ['/api/v1/parts', '/api/v1/grades?limit=50'];
  const sizes = await Promise.all(paths.map(async (path) => (await (await fetch(origin + path)).text()).length));
  const rates: number[] = [];
  for (const path of paths) rates.push(await rateOf(origin + path));
  await stop(server!);

  const plainStarts: number[] = [];
  const plainRates: number[] = [];
  for (const size of sizes) {
    const bare = await start(plain, [], { ANVILSTONE_DATABASE_URL: url, ANSWER_BYTES: String(size) });
    plainStarts.push(bare.ms);
    plainRates.push(await rateOf(`http://127.0.0.1:${bare.port}/`));
    await stop(bare);
  }
  printHead('server, beside one that only answers');
  const [least, plainLeast] = [Math.min(...starts), Math.min(...plainStarts)];
  printRow({
    what: 'start-up on a workshop that is there, until it serves',
    rate: perSecond(1, least, 'starts'),
    ratio: plainLeast / least,
    note: `${Math.round(least)} ms; the TypeScript is translated on the way`,
  });
  paths.forEach((path, i) =>
    printRow({
      what: `GET ${path}, 20 connections (${Math.round(sizes[i]! / 1000)} kB)`,
      rate: `${Math.round(rates[i]!).toLocaleString('en')} requests/s`,
      ratio: rates[i]! / plainRates[i]!,
    }),
  );
} finally {
  await root.raw(`drop database if exists ${name} with (force)`);
  await root.destroy();
}
