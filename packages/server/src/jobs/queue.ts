import { setTimeout as wait } from 'node:timers/promises';
import type { Knex } from 'knex';
import PgBoss from 'pg-boss';
import type { Logger } from 'pino';
import { oneAtATime } from '../db/connection.ts';

/** Where to find a job. */
interface JobPlace {
  schemaName: string;
  jobId: string;
}

export interface JobQueue {
  /** Puts it in with the transaction that makes the job, or after so many seconds: there is never one without the other. */
  send(trx: Knex.Transaction, place: JobPlace, afterS?: number): Promise<void>;
  /** Takes jobs out, at most so many at once. */
  work(most: number, perform: (place: JobPlace) => Promise<void>): Promise<void>;
  /** Something was put in: do not wait for the next look. */
  nudge(): void;
  /** Takes no more out; what is at work goes on, and may be put back. */
  rest(): Promise<void>;
  close(): Promise<void>;
}

const NAME = 'anvilstone';
const SCHEMA = 'house_queue';
const LOOK_S = 2;
/** Whether a process is lost is told by the job’s own heartbeat, long before this. */
const EXPIRE_H = 12;
const LAST_WORDS_MS = 5000;

/** One queue for all workspaces of a database, known by its house. Begun when it is first used. */
export function jobQueue(url: string, installation: Knex, logger: Logger): JobQueue {
  let started: Promise<PgBoss> | undefined;
  const workers: string[] = [];
  const atWork = new Set<Promise<void>>();

  const boss = () => {
    // Two that make its tables at the same moment would wait for each other’s locks, and one would be thrown out.
    started ??= oneAtATime(installation, begin, 'queue').catch((error: unknown) => {
      // The database may be away for a moment: the next use tries again.
      started = undefined;
      throw error;
    });
    return started;
  };
  async function begin(): Promise<PgBoss> {
    const made = new PgBoss({ connectionString: url, schema: SCHEMA, max: 3, application_name: 'anvilstone queue' });
    made.on('error', (error) => logger.warn({ err: error }, 'the queue has trouble with the database'));
    try {
      await made.start();
      await made.createQueue(NAME, { name: NAME, retryLimit: 0 });
    } catch (error) {
      await made.stop({ graceful: false, wait: true }).catch(() => undefined);
      throw error;
    }
    return made;
  }

  async function during(work: Promise<void>): Promise<void> {
    atWork.add(work);
    await work.finally(() => atWork.delete(work));
  }

  return {
    async send(trx, place, afterS = 0) {
      const executeSql = async (text: string, values: unknown[]) => {
        const connection = (await (trx.client as Knex.Client).acquireConnection()) as {
          query(text: string, values: unknown[]): Promise<{ rows: unknown[]; rowCount: number }>;
        };
        return connection.query(text, values);
      };
      await (
        await boss()
      ).send(NAME, place, { db: { executeSql } as PgBoss.Db, startAfter: afterS, expireInHours: EXPIRE_H });
    },
    async work(most, perform) {
      const queue = await boss();
      for (let i = 0; i < most; i++) {
        const options = { batchSize: 1, pollingIntervalSeconds: LOOK_S };
        workers.push(await queue.work<JobPlace>(NAME, options, async ([one]) => one && during(perform(one.data))));
      }
    },
    nudge() {
      void started?.then((queue) => workers.forEach((id) => queue.notifyWorker(id))).catch(() => undefined);
    },
    async rest() {
      const queue = await started?.catch(() => undefined);
      for (const id of workers.splice(0)) await queue?.offWork({ id }).catch(() => undefined);
    },
    async close() {
      const queue = await started?.catch(() => undefined);
      // Whoever is at work was told to put it back; its worker must not outlive what it writes that to.
      await Promise.race([Promise.allSettled(atWork), wait(LAST_WORDS_MS, undefined, { ref: false })]);
      await queue?.stop({ graceful: false, wait: true }).catch(() => undefined);
    },
  };
}
