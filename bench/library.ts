/**
 * Speed and memory of the library, as rates and ratios where they mean the same on another machine, and as the times that
 * the library promises (import, list, filter). Needs a PostgreSQL:
 *   ANVILSTONE_TEST_POSTGRES=postgres://… npm run bench:library   (npm run bench starts one)
 */
import { randomUUID } from 'node:crypto';
import { request as httpRequest } from 'node:http';
import type { AddressInfo } from 'node:net';
import { Worker } from 'node:worker_threads';
import { sampleLibrary } from '@anvilstone/core/education/sample';
import { libraryTable } from '@anvilstone/core/evaluation';
import { planImport, readImportFile } from '@anvilstone/core/evidence/exchange';
import { resolve as resolveProperty, defaultCompanyRules } from '@anvilstone/core/materials';
import type { Grade, ImportJob } from '@anvilstone/schema';
import knex from 'knex';
import { pino } from 'pino';
import { createApp } from '../packages/server/src/app.ts';
import { connect, FIRST_SCHEMA, INSTALLATION_SCHEMA, migrate } from '../packages/server/src/db/connection.ts';
import { leasesOf } from '../packages/server/src/db/leases.ts';
import { jobQueue } from '../packages/server/src/jobs/queue.ts';
import { liveHub } from '../packages/server/src/live/hub.ts';
import { makeParts } from '../packages/server/src/workspaces/parts.ts';
import { closeThreads, warmThreads } from '../packages/server/src/exchange/pool.ts';
import { settleAfterBulk, upsertGrades } from '../packages/server/src/grades/repository.ts';
import { filterGrades, indexGrades, sortGrades } from '../packages/web/src/library/grades/list/gradeFilter.ts';

const GRADES = 5000;
const ROWS = 10_000;
const CLIENTS = 20;
const REQUESTS_A_CLIENT = 40;
const MEGABYTE = 1024 * 1024;

const many = (count: number): Grade[] =>
  Array.from({ length: count }, (_, i) => {
    const grade = sampleLibrary.grades[i % sampleLibrary.grades.length]!;
    return { ...grade, id: `${grade.id}-${i}`, name: `${grade.name} ${i}` };
  });
const ms = (from: number) => performance.now() - from;
const best = (work: () => void, runs = 5) =>
  Math.min(
    ...Array.from({ length: runs }, () => {
      const from = performance.now();
      work();
      return ms(from);
    }),
  );
const percentile = (values: number[], share: number) =>
  values.sort((a, b) => a - b)[Math.floor(values.length * share)]!;

/** A messy sheet: semicolons, decimal commas, units in headings and cells, ranges, bounds. */
function messySheet(rows: number): Buffer {
  const head =
    'Product;Maker;Polymer;Density (g/cm³);Tensile modulus XY, printed, dry (MPa);Tensile strength XY, printed, dry;Elongation at break (%);HDT 0,45 MPa (°C);Surface resistivity (Ω);Price (USD/kg);Nozzle temperature';
  const line = (i: number) =>
    `Bench grade ${i};Bench maker ${i % 40};PETG;1,2${i % 10};${1850 + (i % 200)};${44 + (i % 5)},5 ± 1,${i % 9} MPa;${10 + (i % 9)};${69 + (i % 3)},5;> 1e13;${18 + (i % 30)},50;230–250 °C`;
  return Buffer.from(`${head}\n${Array.from({ length: rows }, (_, i) => line(i)).join('\n')}\n`);
}

function benchInterface(): void {
  const grades = many(GRADES);
  const columnIds = [
    'tensileModulus',
    'tensileStrength',
    'elongationBreak',
    'charpyNotched',
    'heatDeflectionTemperature@0.45',
    'waterSaturation',
  ];
  const at = { direction: 'in-plane', conditioning: 'dry' } as const;
  const table = libraryTable(grades, sampleLibrary.machines, { columnIds, at }, defaultCompanyRules);
  const resolving = best(() => libraryTable(grades, sampleLibrary.machines, { columnIds, at }, defaultCompanyRules), 3);
  const explained = best(() =>
    grades.slice(0, 500).forEach((grade) => resolveProperty(grade, 'tensileStrength', at, defaultCompanyRules)),
  );
  const plain = best(() =>
    grades.slice(0, 500).forEach((grade) => resolveProperty(grade, 'tensileStrength', at, defaultCompanyRules, false)),
  );
  const index = indexGrades(grades);
  const filter = {
    words: 'osk',
    chosen: { morphology: ['semi-crystalline', 'amorphous'], printable: ['fits'] },
    priceAtMost: 200,
    ranges: [{ columnId: 'tensileModulus', least: 1500 }],
  };
  const filtering = best(() => filterGrades(index, table, { ...filter, words: '' }));
  const searching = best(() => filterGrades(index, table, filter));
  const sorting = best(() => sortGrades(index, table, { by: 'tensileModulus', descending: true }));
  console.log(
    `library table: ${Math.round(((GRADES * columnIds.length) / resolving) * 1000)} cells/s resolved (${Math.round(resolving)} ms for ${GRADES} × ${columnIds.length}, in the worker)`,
  );
  console.log(`derivation written out: ${(explained / plain).toFixed(1)} × the time of the value alone`);
  console.log(
    `filter ${GRADES} grades by two facets, price and a range: ${filtering.toFixed(1)} ms; with a word: ${searching.toFixed(1)} ms; sort by a property: ${sorting.toFixed(1)} ms (promised: under 100)`,
  );
}

async function benchReading(): Promise<void> {
  const file = messySheet(ROWS);
  const from = performance.now();
  const source = await readImportFile(file, {});
  const outcome = planImport(source, { fileName: 'bench.csv', settings: {}, library: many(500) });
  console.log(
    `read and judge ${ROWS} rows: ${Math.round((ROWS / ms(from)) * 1000)} rows/s (${outcome.plan.newCount} new, ${outcome.plan.errorCount} errors)`,
  );
}

async function benchServer(admin: string): Promise<void> {
  const name = `bench_${randomUUID().replaceAll('-', '')}`;
  const root = knex({ client: 'pg', connection: admin });
  await root.raw(`create database ${name}`);
  const url = Object.assign(new URL(admin), { pathname: `/${name}` }).href;
  const db = connect(url);
  await migrate(db);
  await upsertGrades(db, many(GRADES), 'delivered');
  await settleAfterBulk(db);
  const logger = pino({ level: 'silent' });
  warmThreads(); // as the server does when it starts
  const installation = connect(url, INSTALLATION_SCHEMA, 3);
  await migrate(installation);
  const queue = jobQueue(url, installation, logger);
  const shared = { logger, queue, leases: leasesOf(installation, 'bench'), worker: 'bench', devices: [] };
  const first = makeParts(shared, { db, slug: 'workshop', schemaName: FIRST_SCHEMA });
  await queue.work(1, ({ jobId }) => first.jobs.perform(jobId));
  const hub = liveHub(url, logger, queue.nudge);
  await hub.listen();
  const server = createApp({ first, installation, logger }).listen(0, '127.0.0.1');
  await new Promise((ready) => server.once('listening', ready));
  const { port } = server.address() as AddressInfo;
  try {
    await benchList(port);
    await benchImport(port);
  } finally {
    server.close();
    await closeThreads();
    await queue.rest();
    await first.jobs.stop();
    await hub.close();
    await queue.close();
    await db.destroy();
    await installation.destroy();
    await root.raw(`drop database ${name} with (force)`);
    await root.destroy();
  }
}

/** Pages, families, words and orders that differ, as different people ask; some of them more than once. */
const QUERIES = [
  ...Array.from({ length: 25 }, (_, page) => `limit=50&offset=${page * 50}`),
  ...['pa6', 'petg', 'abs', 'asa', 'pc', 'pa12', 'pp', 'pla', 'pei', 'tpu-95a'].map(
    (family) => `family=${family}&sort=price&limit=50`,
  ),
  ...Array.from({ length: 10 }, (_, page) => `sort=evidence&descending=true&limit=50&offset=${page * 100}`),
  ...['petg', 'osk clear', 'harrow', 'carbon', 'glass black', 'void', 'quern', 'nylon', 'amber', 'veld natural'].map(
    (words) => `search=${encodeURIComponent(words)}&priceAtMost=160&limit=50`,
  ),
];

/** The clients run in a thread of their own, as they would on other machines: their work is not the server's. */
async function benchList(port: number): Promise<void> {
  const clients = new Worker(new URL('./listClients.mjs', import.meta.url), {
    workerData: { port, clients: CLIENTS, requestsAClient: REQUESTS_A_CLIENT, queries: QUERIES },
  });
  const { times, elapsedMs, firstTimes } = await new Promise<{
    times: number[];
    elapsedMs: number;
    firstTimes: number[];
  }>((resolve, reject) => {
    clients.once('message', resolve);
    clients.once('error', reject);
  });
  const rate = Math.round((times.length / elapsedMs) * 1000);
  console.log(
    `list of ${GRADES} grades, ${CLIENTS} clients at once: median ${percentile(times, 0.5).toFixed(1)} ms, p95 ${percentile(times, 0.95).toFixed(1)} ms (promised: under 50), ${rate} requests/s; each of ${QUERIES.length} questions asked for the first time: p95 ${percentile(firstTimes, 0.95).toFixed(1)} ms`,
  );
}

async function benchImport(port: number): Promise<void> {
  global.gc?.();
  const idle = process.memoryUsage().rss;
  let peak = idle;
  const watch = setInterval(() => (peak = Math.max(peak, process.memoryUsage().rss)), 20);
  const settled = async (id: string) => {
    for (;;) {
      const job = JSON.parse(await ask(port, 'GET', `/api/v1/imports/${id}`)) as ImportJob;
      if (job.state !== 'reading' && job.state !== 'committing') return job;
      await new Promise((later) => setTimeout(later, 25));
    }
  };
  const from = performance.now();
  const { id } = JSON.parse(
    await ask(port, 'POST', '/api/v1/imports?fileName=bench.csv', messySheet(ROWS)),
  ) as ImportJob;
  const read = await settled(id);
  const readMs = ms(from);
  const asked = Object.fromEntries(read.plan!.questions.map((question) => [question.id, question.choices[0]!.id]));
  if (Object.keys(asked).length > 0) throw new Error(`The bench sheet is not clear: ${Object.keys(asked).join(', ')}`);
  await ask(port, 'POST', `/api/v1/imports/${id}/commit`);
  const done = await settled(id);
  const total = ms(from);
  clearInterval(watch);
  console.log(
    `import of ${ROWS} rows into ${GRADES} grades: ${done.state}, ${(total / 1000).toFixed(2)} s from handing in to written (promised: under 5), of which ${(readMs / 1000).toFixed(2)} s until the plan; ${Math.round((ROWS / total) * 1000)} rows/s`,
  );
  console.log(`  memory at its peak: ${Math.round((peak - idle) / MEGABYTE)} MB above idle (promised: under 400)`);
}

function ask(port: number, method: string, path: string, body?: Buffer): Promise<string> {
  return new Promise((resolve, reject) => {
    const outgoing = httpRequest(
      {
        host: '127.0.0.1',
        port,
        method,
        path,
        headers: body ? { 'Content-Type': 'application/octet-stream', 'Content-Length': body.length } : {},
      },
      (response) => {
        const chunks: Buffer[] = [];
        response.on('data', (chunk: Buffer) => chunks.push(chunk));
        response.on('end', () => {
          const text = Buffer.concat(chunks).toString('utf8');
          if ((response.statusCode ?? 500) >= 400)
            reject(new Error(`${method} ${path}: ${response.statusCode} ${text}`));
          else resolve(text);
        });
      },
    );
    outgoing.on('error', reject);
    outgoing.end(body);
  });
}

benchInterface();
await benchReading();
const admin = process.env.ANVILSTONE_TEST_POSTGRES;
if (admin) await benchServer(admin);
else console.log('server: left out, ANVILSTONE_TEST_POSTGRES is not set (npm run bench sets it)');
