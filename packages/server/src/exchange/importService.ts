import { randomUUID } from 'node:crypto';
import { gunzipSync } from 'node:zlib';
import { ExchangeError, openIssues } from '@anvilstone/core/exchange';
import type { ImportJob, ImportRows, ImportSettings } from '@anvilstone/schema';
import type { Knex } from 'knex';
import type { Logger } from 'pino';
import { allGrades, libraryVersion, settleAfterBulk } from '../grades/repository.ts';
import { HttpProblem, notFound } from '../http/problems.ts';
import { requireUuid } from '../parts/service.ts';
import { planInThread } from './pool.ts';
import {
  changeImport,
  fileOf,
  findImport,
  insertImport,
  layOutWrites,
  listImports,
  plannedAgainst,
  rowsOf,
  writePlanned,
  type ImportChange,
} from './repository.ts';
import type { StoredRow } from './tasks.ts';

/** Progress is written at most this often: the page asks about three times a second. */
const PROGRESS_EVERY_MS = 200;
/** Reading and judging take about this share of the work shown; writing the rest. */
const SHARE_OF_PLANNING = 0.9;
/** Between steps of this many grades a cancelled import stops. */
const GRADES_A_STEP = 2500;
const MOST_SHOWN_ISSUES = 50;

class Cancelled extends Error {}

export interface ImportService {
  start(fileName: string, file: Buffer): Promise<ImportJob>;
  list(): Promise<ImportJob[]>;
  get(id: string): Promise<ImportJob>;
  change(id: string, settings: ImportSettings): Promise<ImportJob>;
  rows(id: string, page: { offset: number; limit: number; problemsOnly: boolean }): Promise<ImportRows>;
  commit(id: string): Promise<ImportJob>;
  cancel(id: string): Promise<ImportJob>;
  /** Resolves when no import is at work in this process: for stopping and for tests. */
  idle(): Promise<void>;
}

export function importService(db: Knex, logger: Logger): ImportService {
  /** What is at work in this process; another process that is asked to cancel does so through the state in the database. */
  const running = new Map<string, { abort: AbortController; done: Promise<void> }>();

  const get = async (id: string) => {
    requireUuid('import', id);
    const job = await findImport(db, id);
    if (!job) throw notFound('import', id);
    return job;
  };

  function run(id: string, work: (abort: AbortController) => Promise<void>): void {
    const abort = new AbortController();
    const before = running.get(id);
    before?.abort.abort();
    const done = (async () => {
      await before?.done;
      if (abort.signal.aborted) return;
      try {
        await work(abort);
      } catch (error) {
        if (abort.signal.aborted || error instanceof Cancelled) return;
        if (!(error instanceof ExchangeError)) logger.error({ err: error, importId: id }, 'import failed');
        const failure =
          error instanceof ExchangeError
            ? error.message
            : 'Something went wrong here, on the server’s side. Nothing was changed.';
        await changeImport(db, id, ['reading', 'committing'], { state: 'failed', failure }).catch((second: unknown) =>
          logger.error({ err: second, importId: id }, 'import state not written'),
        );
      } finally {
        if (running.get(id)?.abort === abort) running.delete(id);
      }
    })();
    running.set(id, { abort, done });
  }

  /** Tells the database how far it is, and stops the work when the state there is no longer `during`. */
  function reporter(id: string, during: 'reading' | 'committing', abort: AbortController) {
    let last = 0;
    return (progress: number) => {
      if (Date.now() - last < PROGRESS_EVERY_MS) return;
      last = Date.now();
      changeImport(db, id, [during], { progress })
        .then((still) => !still && abort.abort())
        .catch((error: unknown) => logger.warn({ err: error, importId: id }, 'import progress not written'));
    };
  }

  /** Reads and judges the file against the library as it is now, and keeps what came of it. */
  async function plan(job: ImportJob, during: 'reading' | 'committing', abort: AbortController, after: ImportChange) {
    const report = reporter(job.id, during, abort);
    // The version first: a change that comes between the two makes the plan look older than it is, never newer.
    const version = await libraryVersion(db);
    const [file, library] = await Promise.all([fileOf(db, job.id), allGrades(db)]);
    if (!file) throw new ExchangeError('The file is no longer kept. Choose it again.');
    const task = { file, fileName: job.fileName, settings: job.settings, library };
    const made = await planInThread(task, (share) => report(share * SHARE_OF_PLANNING), abort.signal);
    await changeImport(db, job.id, [during], { ...made, libraryVersion: version, failure: null, ...after });
    return made.plan;
  }

  function read(job: ImportJob): void {
    run(job.id, async (abort) => {
      await plan(job, 'reading', abort, { state: 'ready', progress: 1 });
    });
  }

  function write(job: ImportJob): void {
    run(job.id, async (abort) => {
      while (!(await writeAll(job.id, abort))) {
        // Somebody changed the library since: what the file would do is worked out again, and must still be clear.
        const { questions, errorCount } = await plan(job, 'committing', abort, {});
        if (errorCount > 0 || questions.some(({ answer }) => answer === null)) {
          throw new ExchangeError(
            'The library has changed in the meantime and the file no longer goes in without a question. Look at it again.',
          );
        }
      }
      await settleAfterBulk(db);
    });
  }

  /** All of it in one transaction. False: the plan is not of the library as it is now, and nothing was written. */
  function writeAll(id: string, abort: AbortController): Promise<boolean> {
    const report = reporter(id, 'committing', abort);
    return db.transaction(async (trx) => {
      // Whoever edits a grade now waits until the import is in, and then meets a newer revision instead of losing to it.
      await trx.raw('lock table grades in share row exclusive mode');
      if ((await plannedAgainst(trx, id)) !== (await libraryVersion(trx))) return false;
      const count = await layOutWrites(trx, id);
      for (let from = 0; from < count; from += GRADES_A_STEP) {
        await writePlanned(trx, from, from + GRADES_A_STEP);
        report(SHARE_OF_PLANNING + (1 - SHARE_OF_PLANNING) * Math.min(1, (from + GRADES_A_STEP) / count));
        if (abort.signal.aborted) throw new Cancelled();
      }
      if (!(await changeImport(trx, id, ['committing'], { state: 'done', progress: 1, dropFile: true })))
        throw new Cancelled();
      return true;
    });
  }

  return {
    async start(fileName, file) {
      const job = await insertImport(db, randomUUID(), fileName, file, {});
      read(job);
      return job;
    },
    list: () => listImports(db),
    get,
    async change(id, settings) {
      const job = await get(id);
      if (!(await changeImport(db, id, ['reading', 'ready', 'failed'], { state: 'reading', progress: 0, settings })))
        throw wrongState(job);
      const changed = { ...job, settings, state: 'reading' as const, progress: 0 };
      read(changed);
      return changed;
    },
    async rows(id, { offset, limit, problemsOnly }) {
      await get(id);
      const stored = await rowsOf(db, id);
      const all = stored?.length ? (JSON.parse(gunzipSync(stored).toString('utf8')) as StoredRow[]) : [];
      const wanted = problemsOnly ? all.filter((row) => row.issues.length > 0) : all;
      return { total: wanted.length, rows: wanted.slice(offset, offset + limit) };
    },
    async commit(id) {
      const job = await get(id);
      if (job.state !== 'ready' || !job.plan) throw wrongState(job);
      refuseOpenPlan(job.plan);
      if (!(await changeImport(db, id, ['ready'], { state: 'committing', progress: 0 })))
        throw wrongState(await get(id));
      write(job);
      return { ...job, state: 'committing', progress: 0 };
    },
    async cancel(id) {
      const job = await get(id);
      if (
        !(await changeImport(db, id, ['reading', 'ready', 'committing', 'failed'], {
          state: 'cancelled',
          dropFile: true,
        }))
      ) {
        if (job.state === 'cancelled') return job;
        throw wrongState(job);
      }
      const work = running.get(id);
      work?.abort.abort();
      await work?.done;
      return get(id);
    },
    async idle() {
      await Promise.all([...running.values()].map(({ done }) => done));
    },
  };
}

const STATE_WORDS: Record<ImportJob['state'], string> = {
  reading: 'is still being read',
  ready: 'is ready',
  committing: 'is being written',
  done: 'is in the library already',
  failed: 'could not be read',
  cancelled: 'was cancelled',
};

const wrongState = (job: ImportJob) =>
  new HttpProblem(409, 'import-state', 'Not now', `“${job.fileName}” ${STATE_WORDS[job.state]}. Nothing was changed.`);

/** Errors and open questions, each with its place in the file. */
function refuseOpenPlan({ issues, questions, errorCount }: NonNullable<ImportJob['plan']>): void {
  const open = openIssues(issues, questions);
  if (open.length === 0) return;
  const questionCount = questions.filter(({ answer }) => answer === null).length;
  throw new HttpProblem(
    409,
    'import-open',
    'The import is not clear yet',
    `${open[0]!.detail}. ${errorCount} errors and ${questionCount} open questions; nothing was changed.`,
    { issues: open.slice(0, MOST_SHOWN_ISSUES) },
  );
}
