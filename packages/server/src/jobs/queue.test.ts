import { randomUUID } from 'node:crypto';
import type { Knex } from 'knex';
import { pino } from 'pino';
import { connect, INSTALLATION_SCHEMA } from '../db/connection.ts';
import { testDatabase } from '../testDatabase.ts';
import { jobQueue, type JobQueue } from './queue.ts';

const logger = pino({ level: 'silent' });
const PROCESSES = 6;
const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

async function onEmptyDatabase(work: (url: string, installation: Knex) => Promise<void>): Promise<void> {
  const { url, drop } = await testDatabase({});
  const installation = connect(url, INSTALLATION_SCHEMA, PROCESSES);
  try {
    await work(url, installation);
  } finally {
    await installation.destroy();
    await drop();
  }
}

test.each([0, 5, 10, 15])(
  'many that begin %i ms after each other on an empty database all come to work, and what is sent arrives once',
  async (stepMs) => {
    await onEmptyDatabase(async (url, installation) => {
      const queues: JobQueue[] = Array.from({ length: PROCESSES }, () => jobQueue(url, installation, logger));
      const taken: string[] = [];
      try {
        await Promise.all(
          queues.map(async (queue, i) => {
            // A little after each other, so that one begins to use the tables while the next makes them.
            await pause(i * stepMs);
            await queue.work(1, ({ jobId }) => {
              taken.push(jobId);
              return Promise.resolve();
            });
          }),
        );
        const sent = Array.from({ length: 12 }, () => randomUUID());
        for (const jobId of sent)
          await installation.transaction((trx) => queues[0]!.send(trx, { schemaName: 'public', jobId }));
        for (let i = 0; i < 200 && taken.length < sent.length; i++) {
          queues.forEach((queue) => queue.nudge());
          await pause(50);
        }
        expect(taken.toSorted()).toEqual(sent.toSorted());
      } finally {
        await Promise.all(queues.map((queue) => queue.close()));
      }
    });
  },
  60_000,
);

test('one that cannot begin says so, and can be begun when the database is there', async () => {
  await onEmptyDatabase(async (url, installation) => {
    const nowhere = Object.assign(new URL(url), { port: '1' }).href;
    const lost = jobQueue(nowhere, installation, logger);
    await expect(lost.work(1, () => Promise.resolve())).rejects.toThrow(/ECONNREFUSED/);
    await lost.close();
    const found = jobQueue(url, installation, logger);
    await found.work(1, () => Promise.resolve());
    await found.close();
  });
}, 60_000);
