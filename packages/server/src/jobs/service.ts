import type { Job } from '@anvilstone/schema';
import type { Knex } from 'knex';
import type { Logger } from 'pino';
import { actingAs, currentActor } from '../db/actor.ts';
import { HttpProblem, notFound } from '../http/problems.ts';
import { requireUuid } from '../parts/service.ts';
import { JobRefusal, NotMine, type JobContext, type JobKind } from './kinds.ts';
import type { JobQueue } from './queue.ts';
import {
  cancelJob,
  changeMine,
  claimJob,
  findJob,
  insertJob,
  listJobs,
  lostJobs,
  openJobAbout,
  reopenJob,
  toJob,
  type JobRow,
} from './repository.ts';

export interface JobService {
  /** Makes a kind known: to be done before any of it is asked for. */
  register<Input>(kind: JobKind<Input>): void;
  /**
   * Asks for it, with the transaction given if there is one. One about the same that is open already is given instead, and nothing is asked
   * for.
   */
  add(job: NewJob, trx?: Knex.Transaction): Promise<Job>;
  /**
   * Does it in this process, which has what it needs, beginning now.
   * @throws HttpProblem 409: one about the same is open already
   */
  begin(job: NewJob): Promise<Job>;
  list(): Promise<Job[]>;
  get(id: string): Promise<Job>;
  /** @throws HttpProblem 409: it is over */
  cancel(id: string): Promise<Job>;
  /** Cancels what is open about it, without telling its kind; waits until nothing of it is at work in this process. */
  cancelAbout(subject: string, kind?: string): Promise<void>;
  /** @throws HttpProblem 409: it neither failed nor was cancelled */
  retry(id: string): Promise<Job>;
  /** Does a job that the queue handed out. Never throws: what goes wrong is kept with the job. */
  perform(id: string): Promise<void>;
  /** Puts back what a lost process had begun. */
  sweep(): Promise<void>;
  /** No job is at work in this process. */
  isIdle(): boolean;
  /** Resolves when no job is at work in this process. */
  idle(): Promise<void>;
  /** Stops what is at work and puts it back for another process. */
  stop(): Promise<void>;
}

interface NewJob {
  kind: string;
  subject: string;
  title: string;
  input: unknown;
}

export interface JobTimes {
  /** A process that is at work says so this often, s. */
  beatS: number;
  /** One that has not for so long is lost, s. */
  silentS: number;
  /** A message that nobody took for so long is sent again, s. */
  unbegunS: number;
}
export const JOB_TIMES: JobTimes = { beatS: 4, silentS: 20, unbegunS: 60 };

const MOST_ATTEMPTS = 3;
const AGAIN_AFTER_S = 3;
const REPORT_MS = 400;
const SERVER_SIDE = 'Something went wrong here, on the server’s side. Nothing was changed.';

interface AtWork {
  abort: AbortController;
  done: Promise<void>;
}

export function jobService(
  db: Knex,
  logger: Logger,
  { schemaName, queue, worker }: { schemaName: string; queue: JobQueue; worker: string },
  times: JobTimes = JOB_TIMES,
): JobService {
  const kinds = new Map<string, JobKind<unknown>>();
  const atWork = new Map<string, AtWork>();
  let isStopping = false;

  const send = (trx: Knex.Transaction, jobId: string, afterS = 0) => queue.send(trx, { schemaName, jobId }, afterS);

  async function abandon(id: string): Promise<void> {
    const one = atWork.get(id);
    one?.abort.abort();
    await one?.done;
  }

  async function attempt(row: JobRow, kind: JobKind<unknown>, abort: AbortController): Promise<void> {
    let last = 0;
    const say = (change: Parameters<typeof changeMine>[2]) =>
      changeMine(db, row, change).then(
        (still) => !still && abort.abort(),
        (error: unknown) => logger.warn({ err: error, job: row.id }, 'progress not written'),
      );
    const beat = setInterval(() => void say({}), times.beatS * 1000);
    const context: JobContext = {
      signal: abort.signal,
      report(progress, line) {
        if (Date.now() - last < REPORT_MS) return;
        last = Date.now();
        void say({ progress, ...(line === undefined ? {} : { line }) });
      },
      async holdOn(trx) {
        if (abort.signal.aborted || !(await changeMine(trx, row, {}))) throw new NotMine();
      },
    };
    try {
      const result = await kind.run(row.input, context);
      await changeMine(db, row, { state: 'done', progress: 1, line: '', result: result ?? null });
    } catch (error) {
      await settle(row, kind, abort, error);
    } finally {
      clearInterval(beat);
    }
  }

  /** After it did not come to its end: put back, tried again, or given up. */
  async function settle(row: JobRow, kind: JobKind<unknown>, abort: AbortController, error: unknown): Promise<void> {
    if (abort.signal.aborted || error instanceof NotMine) {
      // Where it was cancelled or taken over this changes nothing.
      if (isStopping) await putBack(row, { attempt: row.attempt - 1 });
      return;
    }
    if (error instanceof JobRefusal) return giveUp(db, row, kind, error.message);
    logger.error({ err: error, job: row.id, kind: row.kind, attempt: row.attempt }, 'a job failed');
    if (row.attempt >= MOST_ATTEMPTS) return giveUp(db, row, kind, SERVER_SIDE);
    await putBack(row, { line: 'Something went wrong; it is tried again' }, AGAIN_AFTER_S * row.attempt);
  }

  async function giveUp(on: Knex, row: JobRow, kind: JobKind<unknown> | undefined, failure: string): Promise<void> {
    if (await changeMine(on, row, { state: 'failed', failure })) await kind?.failed?.(row.input, failure);
  }

  const putBack = (row: JobRow, change: { attempt?: number; line?: string }, afterS = 0) =>
    db.transaction(async (trx) => {
      if (await changeMine(trx, row, { state: 'waiting', ...change })) await send(trx, row.id, afterS);
    });

  async function found(id: string): Promise<JobRow> {
    requireUuid('job', id);
    const row = await findJob(db, id);
    if (!row) throw notFound('job', id);
    return row;
  }

  return {
    register: (kind) => void kinds.set(kind.id, kind as unknown as JobKind<unknown>),
    async add(job, within) {
      const add = async (trx: Knex.Transaction) => {
        const made = await insertJob(trx, { ...job, actor: currentActor() });
        if (made) await send(trx, made.id);
        return made ?? (await openJobAbout(trx, job.subject));
      };
      const row = await (within ? add(within) : db.transaction(add));
      // The open one ended between the two: nothing is open any more.
      if (!row) return this.add(job, within);
      return toJob(row);
    },
    async begin(job) {
      const row = await insertJob(db, { ...job, actor: currentActor() });
      if (!row) throw isOver((await openJobAbout(db, job.subject)) ?? ({ ...job, state: 'running' } as JobRow));
      void this.perform(row.id);
      return toJob(row);
    },
    list: async () => (await listJobs(db)).map(toJob),
    get: async (id) => toJob(await found(id)),
    async cancel(id) {
      const before = await found(id);
      const row = await cancelJob(db, id);
      if (!row) throw isOver(before);
      await abandon(id);
      await kinds.get(row.kind)?.cancelled?.(row.input);
      return toJob(row);
    },
    async cancelAbout(subject, kind) {
      const open = await openJobAbout(db, subject);
      if (!open || (kind !== undefined && open.kind !== kind)) return;
      await cancelJob(db, open.id);
      await abandon(open.id);
    },
    async retry(id) {
      const before = await found(id);
      if (before.state !== 'failed' && before.state !== 'cancelled') throw isOver(before);
      await kinds.get(before.kind)?.again?.(before.input);
      const row = await db.transaction(async (trx) => {
        const open = await openJobAbout(trx, before.subject);
        if (open) throw isOver(open);
        const made = await reopenJob(trx, id);
        if (made) await send(trx, id);
        return made;
      });
      if (!row) throw isOver(await found(id));
      return toJob(row);
    },
    async perform(id) {
      try {
        if (isStopping) return;
        const row = await claimJob(db, id, worker);
        if (!row) return;
        const kind = kinds.get(row.kind);
        if (!kind) return await giveUp(db, row, undefined, `No process here knows how to do “${row.kind}”.`);
        const abort = new AbortController();
        const one: AtWork = { abort, done: Promise.resolve() };
        atWork.set(id, one);
        one.done = actingAs(row.actor, () => attempt(row, kind, abort)).finally(() => atWork.delete(id));
        await one.done;
      } catch (error) {
        // The database is away: the job’s heartbeat has stopped too, and it is put back once it is there again.
        logger.error({ err: error, job: id }, 'a job could not be settled');
      }
    },
    async sweep() {
      await db.transaction(async (trx) => {
        for (const row of await lostJobs(trx, times.silentS, times.unbegunS)) {
          if (row.state === 'running' && row.attempt >= MOST_ATTEMPTS) {
            await giveUp(trx, row, kinds.get(row.kind), `The process that did it was lost ${row.attempt} times.`);
            continue;
          }
          if (row.state === 'running') {
            logger.warn({ job: row.id, worker: row.worker }, 'a process was lost; its job is given to another');
            await changeMine(trx, row, {
              state: 'waiting',
              line: 'The process that did it was lost; it is begun again',
            });
          } else await trx('jobs').where({ id: row.id }).update({ queued_at: trx.fn.now() });
          await send(trx, row.id);
        }
      });
    },
    isIdle: () => atWork.size === 0,
    async idle() {
      await Promise.all([...atWork.values()].map(({ done }) => done));
    },
    async stop() {
      isStopping = true;
      for (const { abort } of atWork.values()) abort.abort();
      await this.idle();
    },
  };
}

const WORDS: Record<Job['state'], string> = {
  waiting: 'is waiting to be begun',
  running: 'is being done',
  done: 'is done',
  failed: 'has failed',
  cancelled: 'was cancelled',
};
const isOver = ({ title, state }: JobRow) =>
  new HttpProblem(409, 'job-state', 'Not now', `“${title}” ${WORDS[state]}. Nothing was changed.`);
