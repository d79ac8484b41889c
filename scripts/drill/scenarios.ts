import { closeSync, openSync, rmSync, writeSync } from 'node:fs';
import { join } from 'node:path';
import type { ImportJob, Job } from '@anvilstone/schema';
import type { Drill } from './scenario.ts';
import type { Scenario } from './scenario.ts';

const pause = (ms: number) => new Promise<void>((resolve) => setTimeout(resolve, ms));
const ROWS = 8000;
const DAY_MS = 86_400_000;
const BLOCK = Buffer.alloc(256 * 1024, 1);

export const scenarios: readonly Scenario[] = [
  { title: 'no fault, to compare with', fault: () => pause(6000) },
  {
    title: 'the database crashes and comes back, twice',
    async fault(drill) {
      for (let i = 0; i < 2; i++) {
        await pause(1500);
        drill.database().crash();
        await pause(1000);
        await drill.startDatabase();
        await pause(2500);
      }
    },
  },
  {
    title: 'the line to the database is slow: 150 ms more each way',
    async fault({ line }) {
      await pause(1000);
      line.slow(150);
      await pause(8000);
      line.slow(0);
      await pause(1500);
    },
  },
  {
    title: 'the line to the database is cut for 3 s, three times',
    async fault({ line }) {
      for (let i = 0; i < 3; i++) {
        await pause(1200);
        line.cut();
        await pause(3000);
        line.mend();
      }
      await pause(1500);
    },
  },
  {
    title: 'the server is killed (-9) and started again, three times',
    async fault(drill) {
      for (let i = 0; i < 3; i++) {
        await pause(1500);
        await drill.restartWeb();
      }
      await pause(1500);
    },
  },
  {
    title: 'every request comes three times at once',
    async fault(drill) {
      drill.everyRequest(3);
      await pause(8000);
      drill.everyRequest(1);
    },
  },
  {
    title: `the worker is killed (-9) in the middle of an import of ${ROWS} grades: once reading, once writing`,
    async fault(drill) {
      const id = await handIn(drill, ROWS);
      await killWhile(drill, 'import-read');
      await state(drill, id, 'ready');
      await drill.post(`imports/${id}/commit`);
      await killWhile(drill, 'import-write');
      await state(drill, id, 'done');
      const { total } = await drill.get<{ total: number }>('grades?limit=1');
      const tries = (await drill.get<Job[]>('jobs')).map(({ attempt }) => attempt);
      if (total !== ROWS) throw new Error(`${total} grades are there, of ${ROWS}`);
      return `${total} of ${ROWS} grades are there once; tries: ${tries.slice(0, 2).join(' and ')}`;
    },
  },
  {
    title: 'the clocks of server and worker jump two days on, a day back, and right again',
    async fault(drill) {
      const id = await handIn(drill, 500);
      for (const shiftMs of [2 * DAY_MS, -DAY_MS, 0]) {
        await pause(1500);
        drill.setClocks(shiftMs);
      }
      await state(drill, id, 'ready');
      await drill.post(`imports/${id}/cancel`);
      await pause(1000);
      const [job] = await drill.get<Job[]>('jobs');
      if (job!.attempt !== 1) throw new Error('a jump of the clock made a living process look dead');
      return 'work under way was not taken for lost';
    },
  },
  {
    title: 'the database’s disk is full for 6 s',
    async fault(drill) {
      if (!drill.ownDisk) return 'left out: a disk of its own can only be made by root';
      await pause(1500);
      const ballast = join(drill.ownDisk, 'ballast');
      fill(ballast);
      await pause(6000);
      rmSync(ballast);
      await drill.startDatabase();
      await pause(3000);
    },
  },
];

/** Until nothing more fits. */
function fill(path: string): void {
  const file = openSync(path, 'w');
  try {
    for (;;) writeSync(file, BLOCK);
  } catch (error) {
    if ((error as { code?: string }).code !== 'ENOSPC') throw error;
  } finally {
    closeSync(file);
  }
}

async function handIn(drill: Drill, rows: number): Promise<string> {
  const lines = Array.from({ length: rows }, (_, i) => `Bulk ${i},Made-up Works,PETG,1.27,${40 + (i % 9)}`);
  const file = `Grade,Maker,Family,Density (g/cm³),Tensile strength (MPa)\n${lines.join('\n')}\n`;
  return (await drill.post<ImportJob>(`imports?fileName=bulk-${rows}.csv`, file)).id;
}

async function killWhile(drill: Drill, kind: string): Promise<void> {
  await until(async () => (await drill.get<Job[]>('jobs')).some((job) => job.kind === kind && job.state === 'running'));
  await drill.restartWorker();
}

const state = (drill: Drill, id: string, wanted: ImportJob['state']) =>
  until(async () => {
    const job = await drill.get<ImportJob>(`imports/${id}`);
    if (job.state === 'failed') throw new Error(`the import failed: ${job.failure}`);
    return job.state === wanted;
  });

async function until(look: () => Promise<boolean>): Promise<void> {
  for (let i = 0; i < 1500; i++) {
    if (await look()) return;
    await pause(40);
  }
  throw new Error('it did not come to that');
}
