import { randomUUID } from 'node:crypto';
import { gunzipSync } from 'node:zlib';
import { FileError } from '@anvilstone/core/foundations';
import { openIssues } from '@anvilstone/core/evidence/exchange';
import type { ImportJob, ImportRows, ImportSettings } from '@anvilstone/schema';
import type { Knex } from 'knex';
import { allGrades, libraryVersion, settleAfterBulk } from '../grades/repository.ts';
import { HttpProblem, notFound } from '../http/problems.ts';
import { JobRefusal, NotMine, type JobContext } from '../jobs/kinds.ts';
import type { JobService } from '../jobs/service.ts';
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

export interface ImportService {
  start(fileName: string, file: Buffer): Promise<ImportJob>;
  list(): Promise<ImportJob[]>;
  get(id: string): Promise<ImportJob>;
  change(id: string, settings: ImportSettings): Promise<ImportJob>;
  rows(id: string, page: { offset: number; limit: number; problemsOnly: boolean }): Promise<ImportRows>;
  commit(id: string): Promise<ImportJob>;
  cancel(id: string): Promise<ImportJob>;
}

interface Input {
  importId: string;
}
const READ = 'import-read';
const WRITE = 'import-write';
const subjectOf = (id: string) => `import ${id}`;

export function importService(db: Knex, jobs: JobService): ImportService {
  const get = async (id: string) => {
    requireUuid('import', id);
    const job = await findImport(db, id);
    if (!job) throw notFound('import', id);
    return job;
  };

  for (const [id, during, work] of [
    [READ, 'reading', read],
    [WRITE, 'committing', write],
  ] as const)
    jobs.register<Input>({
      id,
      async run({ importId }, context) {
        const job = await findImport(db, importId);
        // Done before, by a process that was lost before it could say so.
        if (job?.state !== during) return;
        try {
          await work(job, context);
        } catch (error) {
          if (context.signal.aborted) throw new NotMine();
          throw error instanceof FileError ? new JobRefusal(error.message) : error;
        }
      },
      async failed({ importId }, failure) {
        await changeImport(db, importId, [during], { state: 'failed', failure });
      },
      async cancelled({ importId }) {
        await changeImport(db, importId, [during], { state: 'cancelled', dropFile: true });
      },
      async again({ importId }) {
        const job = await get(importId);
        if (!(await changeImport(db, importId, ['failed'], { state: during, progress: 0, failure: null })))
          throw wrongState(job);
      },
    });

  /** Tells the page of the import, beside the queue, how far it is. */
  function reporter(id: string, during: 'reading' | 'committing', context: JobContext) {
    let last = 0;
    return (progress: number, line: string) => {
      context.report(progress, line);
      if (Date.now() - last < PROGRESS_EVERY_MS) return;
      last = Date.now();
      // Progress that is not written is no reason to stop: what counts is written in one transaction.
      changeImport(db, id, [during], { progress }).catch(() => undefined);
    };
  }

  /** Reads and judges the file against the library as it is now, and keeps what came of it. */
  async function plan(job: ImportJob, during: 'reading' | 'committing', context: JobContext, after: ImportChange) {
    const report = reporter(job.id, during, context);
    // The version first: a change that comes between the two makes the plan look older than it is, never newer.
    const version = await libraryVersion(db);
    const [file, library] = await Promise.all([fileOf(db, job.id), allGrades(db)]);
    if (!file) throw new FileError('The file is no longer kept. Choose it again.');
    const task = { file, fileName: job.fileName, settings: job.settings, library };
    const made = await planInThread(
      task,
      (share) => report(share * SHARE_OF_PLANNING, 'Reading and judging it line by line'),
      context.signal,
    );
    await db.transaction(async (trx) => {
      await context.holdOn(trx);
      await changeImport(trx, job.id, [during], { ...made, libraryVersion: version, failure: null, ...after });
    });
    return made.plan;
  }

  async function read(job: ImportJob, context: JobContext): Promise<void> {
    await plan(job, 'reading', context, { state: 'ready', progress: 1 });
  }

  async function write(job: ImportJob, context: JobContext): Promise<void> {
    while (!(await writeAll(job.id, context))) {
      // Somebody changed the library since: what the file would do is worked out again, and must still be clear.
      const { questions, errorCount } = await plan(job, 'committing', context, {});
      if (errorCount > 0 || questions.some(({ answer }) => answer === null)) {
        throw new FileError(
          'The library has changed in the meantime and the file no longer goes in without a question. Look at it again.',
        );
      }
    }
    await settleAfterBulk(db);
  }

  /** All of it in one transaction. False: the plan is not of the library as it is now, and nothing was written. */
  function writeAll(id: string, context: JobContext): Promise<boolean> {
    const report = reporter(id, 'committing', context);
    return db.transaction(async (trx) => {
      // Whoever edits a grade now waits until the import is in, and then meets a newer revision instead of losing to it.
      await trx.raw('lock table grades in share row exclusive mode');
      if ((await plannedAgainst(trx, id)) !== (await libraryVersion(trx))) return false;
      const count = await layOutWrites(trx, id);
      for (let from = 0; from < count; from += GRADES_A_STEP) {
        await writePlanned(trx, from, from + GRADES_A_STEP);
        const to = Math.min(count, from + GRADES_A_STEP);
        report(SHARE_OF_PLANNING + ((1 - SHARE_OF_PLANNING) * to) / count, `Writing: ${to} of ${count} grades`);
        if (context.signal.aborted) throw new NotMine();
      }
      await context.holdOn(trx);
      if (!(await changeImport(trx, id, ['committing'], { state: 'done', progress: 1, dropFile: true })))
        throw new NotMine();
      return true;
    });
  }

  const ask = (trx: Knex.Transaction, kind: typeof READ | typeof WRITE, { id, fileName }: ImportJob) =>
    jobs.add(
      {
        kind,
        subject: subjectOf(id),
        title: kind === READ ? `Read “${fileName}”` : `Write “${fileName}” into the library`,
        input: { importId: id } satisfies Input,
      },
      trx,
    );

  return {
    start: (fileName, file) =>
      db.transaction(async (trx) => {
        const job = await insertImport(trx, randomUUID(), fileName, file, {});
        await ask(trx, READ, job);
        return job;
      }),
    list: () => listImports(db),
    get,
    async change(id, settings) {
      const job = await get(id);
      // What is read with the settings before is of no use any more.
      await jobs.cancelAbout(subjectOf(id), READ);
      await db.transaction(async (trx) => {
        const toRead = { state: 'reading', progress: 0, settings } as const;
        if (!(await changeImport(trx, id, ['reading', 'ready', 'failed'], toRead))) throw wrongState(job);
        await ask(trx, READ, job);
      });
      return { ...job, settings, state: 'reading', progress: 0 };
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
      await db.transaction(async (trx) => {
        if (!(await changeImport(trx, id, ['ready'], { state: 'committing', progress: 0 })))
          throw wrongState(await get(id));
        await ask(trx, WRITE, job);
      });
      return { ...job, state: 'committing', progress: 0 };
    },
    async cancel(id) {
      const job = await get(id);
      const open = ['reading', 'ready', 'committing', 'failed'] as const;
      if (!(await changeImport(db, id, open, { state: 'cancelled', dropFile: true }))) {
        if (job.state === 'cancelled') return job;
        throw wrongState(job);
      }
      await jobs.cancelAbout(subjectOf(id));
      return get(id);
    },
  };
}

const STATE_WORDS: Record<ImportJob['state'], string> = {
  reading: 'is still being read',
  ready: 'is ready',
  committing: 'is being written',
  done: 'is in the library already',
  failed: 'not readable',
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
