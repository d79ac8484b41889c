import type { PartSummary } from '@anvilstone/schema';
import { ensureDatabase } from '../database.mjs';
import { startPostgres } from '../postgres.mjs';
import { Client, type Tally } from './clients.ts';
import { makeLine } from './line.ts';
import { begin, type Running } from './processes.ts';
import type { Drill, Scenario } from './scenario.ts';

export interface Outcome extends Tally {
  title: string;
  lost: number;
  doubled: number;
  seen: string;
  seconds: number;
}

const CLIENTS = 8;

/** A server, a worker and a database of their own, with people at work; what they were told is done has to be there afterwards. */
export async function runDrills(
  scenarios: readonly Scenario[],
  ownDisk: string | undefined,
  tell: (outcome: Outcome) => void,
): Promise<void> {
  let database = await startPostgres('drill');
  const line = await makeLine();
  line.to(database.port);
  const name = `drill_${process.pid}`;
  await ensureDatabase(database.url, name);
  const url = database.url(name).replace(`:${database.port}/`, `:${line.port}/`);
  let web = await begin('web', url);
  let worker: Running = await begin('worker', url);
  let times = 1;
  const origin = () => `http://127.0.0.1:${web.port}`;

  async function ask<T>(path: string, init?: RequestInit): Promise<T> {
    for (let i = 0; i < 50; i++) {
      const answer = await fetch(`${origin()}/api/v1/${path}`, init).catch(() => undefined);
      if (answer && answer.status < 500) {
        const text = await answer.text();
        if (answer.status >= 300) throw new Error(`${path}: ${answer.status} ${text.slice(0, 300)}`);
        return JSON.parse(text) as T;
      }
      await new Promise((resolve) => setTimeout(resolve, 200));
    }
    throw new Error(`${path} was not answered`);
  }
  const drill: Drill = {
    line,
    ownDisk,
    database: () => database,
    async startDatabase() {
      database = await startPostgres('drill');
      line.to(database.port);
    },
    async restartWeb() {
      const { port } = web;
      await web.kill();
      web = await begin('web', url, port);
    },
    async restartWorker() {
      await worker.kill();
      worker = await begin('worker', url);
    },
    setClocks(shiftMs) {
      for (const { child } of [web, worker]) child.send({ shiftMs });
    },
    everyRequest: (next) => (times = next),
    get: (path) => ask(path),
    post: (path, file) =>
      ask(path, {
        method: 'POST',
        headers: { 'Content-Type': file === undefined ? 'application/json' : 'text/csv' },
        body: file ?? '{}',
      }),
  };

  try {
    let number = 0;
    for (const { title, fault } of scenarios) {
      const tally = { sent: 0, unanswered: 0, acknowledged: 0, longestGapS: 0, lastMs: performance.now() };
      const clients = Array.from({ length: CLIENTS }, () => new Client(++number, origin, tally, () => times));
      const from = performance.now();
      let isOver = false;
      const work = Promise.all(clients.map((client) => client.workUntil(() => isOver)));
      // Whichever fails first is told, and the other does not go on unseen.
      const seen = await Promise.race([fault(drill), work.then(() => undefined)]);
      isOver = true;
      await work;
      const seconds = (performance.now() - from) / 1000;
      const parts = await drill.get<PartSummary[]>('parts');
      const titles = parts.map(({ id, brief }) => ({ id, title: brief.title }));
      let lost = 0;
      let doubled = 0;
      for (const client of clients) {
        const found = await client.check(titles);
        lost += found.lost;
        doubled += found.doubled;
      }
      tell({ title, ...tally, lost, doubled, seconds, seen: seen ?? '' });
    }
  } finally {
    await worker.kill();
    await web.kill();
    await line.close();
    database.stop();
  }
}
