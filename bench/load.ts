/**
 * Many people at once on one server, its database and their pages on this machine: what each request takes, and what the server's memory
 * does over time. Started by `npm run load`, which brings a PostgreSQL:
 *   npm run load -- --minutes 5 --users 100 --pause 1
 */
import { fork } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { request as openRequest, type ClientRequest } from 'node:http';
import { parseArgs } from 'node:util';
import { sampleLibrary, lampArm } from '@anvilstone/core/education/sample';
import type { Part } from '@anvilstone/schema';
import autocannon from 'autocannon';
import knex from 'knex';
import { connect } from '../packages/server/src/db/connection.ts';
import { settleAfterBulk, upsertGrades } from '../packages/server/src/grades/repository.ts';
import { actionsOf, type Action } from './loadActions.ts';

const { values } = parseArgs({
  options: {
    minutes: { type: 'string', default: '1' },
    users: { type: 'string', default: '100' },
    // Between two requests of one user, s; 0: each asks again as soon as it is answered.
    pause: { type: 'string', default: '1' },
  },
});
const minutes = Number(values.minutes);
const users = Number(values.users);
const pauseS = Number(values.pause);
const GRADES = 5000;
const PARTS = 1000;
const GROUPS = 25;
const SAMPLE_EVERY_MS = 5000;
const MEGABYTE = 1024 * 1024;

const admin = process.env.ANVILSTONE_TEST_POSTGRES;
if (!admin) throw new Error('ANVILSTONE_TEST_POSTGRES is not set; npm run load sets it');
const name = `load_${randomUUID().replaceAll('-', '')}`;
const root = knex({ client: 'pg', connection: admin });
await root.raw(`create database ${name}`);
const url = Object.assign(new URL(admin), { pathname: `/${name}` }).href;

const server = fork('packages/server/src/main.ts', ['--port', '0', '--no-demo'], {
  execArgv: ['--import', 'tsx'],
  env: { ...process.env, ANVILSTONE_DATABASE_URL: url, ANVILSTONE_LOG_LEVEL: 'silent' },
});
const port = await new Promise<number>((resolve, reject) => {
  server.once('exit', (code) => reject(new Error(`the server ended with ${code}`)));
  server.on('message', (said: { ready?: boolean; port?: number }) => said.ready && resolve(said.port!));
});
const { partIds, gradeIds } = await fillDatabase();
const pages = Array.from({ length: users }, () => openPage());

const times = new Map<Action, number[]>();
const statuses = new Map<string, number>();
const memory: { s: number; rssMb: number }[] = [];
const from = performance.now();
const sampling = setInterval(
  () => memory.push({ s: (performance.now() - from) / 1000, rssMb: rssOf(server.pid!) / MEGABYTE }),
  SAMPLE_EVERY_MS,
);
let user = 0;
const errors = await (pauseS > 0 ? spreadOut() : flatOut());
clearInterval(sampling);
tell();
for (const page of pages) page.destroy();
server.kill('SIGTERM');
await new Promise((resolve) => server.once('exit', resolve));
await root.raw(`drop database ${name} with (force)`);
await root.destroy();
process.exit(errors > 0 || [...statuses.keys()].some((said) => / 5\d\d$/.test(said)) ? 1 : 0);

/** In small groups that begin one after another, so that not everybody asks in the same moment of each second. */
async function spreadOut(): Promise<number> {
  const groups = Math.min(users, GROUPS);
  const runs = Array.from({ length: groups }, async (_, i) => {
    await new Promise((resolve) => setTimeout(resolve, (i * pauseS * 1000) / groups));
    const connections = Math.floor((users * (i + 1)) / groups) - Math.floor((users * i) / groups);
    return press({ connections, overallRate: Math.max(1, Math.round(connections / pauseS)) });
  });
  return (await Promise.all(runs)).reduce((a, b) => a + b);
}

function flatOut(): Promise<number> {
  return press({ connections: users });
}

async function press(how: { connections: number; overallRate?: number }): Promise<number> {
  const result = await autocannon({
    url: `http://127.0.0.1:${port}`,
    duration: Math.round(minutes * 60),
    timeout: 20,
    ...how,
    setupClient(client) {
      const made = actionsOf(partIds, gradeIds, user++);
      client.setRequests(made.requests);
      client.on('response', (status, _bytes, responseMs) => {
        const action = made.answered();
        const all = times.get(action) ?? [];
        times.set(action, all);
        all.push(responseMs);
        const said = `${action} ${status}`;
        statuses.set(said, (statuses.get(said) ?? 0) + 1);
      });
    },
  });
  return result.errors;
}

async function fillDatabase(): Promise<{ partIds: string[]; gradeIds: string[] }> {
  const db = connect(url);
  const grades = Array.from({ length: GRADES }, (_, i) => {
    const grade = sampleLibrary.grades[i % sampleLibrary.grades.length]!;
    return { ...grade, id: `${grade.id}-${i}`, name: `${grade.name} ${i}` };
  });
  await upsertGrades(db, grades, 'delivered');
  await settleAfterBulk(db);
  const rows = Array.from({ length: PARTS }, (_, i) => ({
    id: randomUUID(),
    revision: 1,
    brief: JSON.stringify({ ...lampArm, title: `Arm ${i}`, purpose: `Holds lamp ${i} of the load run.` }),
  }));
  await db.batchInsert('parts', rows, 200);
  await db.raw('analyze parts');
  const parts = (await db('parts').select('id', 'revision')) as Pick<Part, 'id' | 'revision'>[];
  await db.destroy();
  return { partIds: parts.map(({ id }) => id), gradeIds: grades.map(({ id }) => id) };
}

/** A page that is open hears of every change. */
function openPage(): ClientRequest {
  const page = openRequest({ port, host: '127.0.0.1', path: '/api/v1/live' }, (response) => response.resume());
  page.on('error', () => undefined);
  page.end();
  return page;
}

function rssOf(pid: number): number {
  const kilobytes = Number(/^VmRSS:\s+(\d+)/m.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0);
  return kilobytes * 1024;
}

function tell(): void {
  const line = (title: string, all: number[]) => {
    all.sort((a, b) => a - b);
    const at = (share: number) => all[Math.min(all.length - 1, Math.floor(all.length * share))]!.toFixed(0);
    console.log(`| ${title} | ${all.length} | ${at(0.5)} | ${at(0.95)} | ${at(0.99)} | ${all.at(-1)!.toFixed(0)} |`);
  };
  console.log(
    `${users} users for ${minutes} min, ${pauseS > 0 ? `a request each every ${pauseS} s` : 'each asks again as soon as it is answered'}; ${GRADES} grades, ${PARTS} parts, ${users} pages that hear of every change\n`,
  );
  console.log('| what | requests | p50, ms | p95, ms | p99, ms | most, ms |\n|---|---|---|---|---|---|');
  for (const [action, all] of [...times].sort(([a], [b]) => a.localeCompare(b))) line(action, all);
  line('**all**', [...times.values()].flat());
  const bad = [...statuses].filter(([said]) => !/ (2\d\d|304)$/.test(said));
  console.log(
    `\nErrors and time-outs: ${errors}. Answers other than 2xx and 304: ${bad.map(([said, n]) => `${said} × ${n}`).join(', ') || 'none'}.`,
  );
  const mean = (part: typeof memory) => part.reduce((sum, { rssMb }) => sum + rssMb, 0) / Math.max(1, part.length);
  const fifth = Math.max(1, Math.floor(memory.length / 5));
  const slices = Array.from({ length: 5 }, (_, i) => mean(memory.slice(i * fifth, (i + 1) * fifth)).toFixed(0));
  console.log(`Memory of the server, mean of each fifth of the run, MB: ${slices.join(', ')}.`);
}
