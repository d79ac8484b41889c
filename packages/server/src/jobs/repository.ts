import type { Job, JobState } from '@anvilstone/schema';
import type { Knex } from 'knex';
import type { Actor } from '../db/actor.ts';

export interface JobRow {
  id: string;
  kind: string;
  subject: string;
  title: string;
  input: unknown;
  actor: Actor;
  state: JobState;
  progress: number;
  line: string;
  attempt: number;
  failure: string | null;
  result: unknown;
  worker: string | null;
  created_at: Date;
  started_at: Date | null;
  ended_at: Date | null;
}

const MOST_LISTED = 100;
const KEPT_DAYS = 14;

export const toJob = (row: JobRow): Job => ({
  id: row.id,
  kind: row.kind,
  title: row.title,
  state: row.state,
  progress: row.progress,
  line: row.line,
  attempt: row.attempt,
  failure: row.failure,
  result: row.result,
  who: row.actor.name,
  worker: row.worker,
  createdAt: row.created_at.toISOString(),
  startedAt: row.started_at?.toISOString() ?? null,
  endedAt: row.ended_at?.toISOString() ?? null,
});

/** Undefined: one about the same is open already. */
export async function insertJob(
  trx: Knex,
  job: Pick<JobRow, 'kind' | 'subject' | 'title' | 'input' | 'actor'>,
): Promise<JobRow | undefined> {
  await trx('jobs')
    .whereNotIn('state', ['waiting', 'running'])
    .where('created_at', '<', trx.raw(`now() - make_interval(days => ?)`, [KEPT_DAYS]))
    .delete();
  const rows = (await trx('jobs')
    .insert({ ...job, input: JSON.stringify(job.input), actor: JSON.stringify(job.actor) })
    .onConflict(trx.raw(`(subject) where state in ('waiting', 'running')`))
    .ignore()
    .returning('*')) as JobRow[];
  return rows[0];
}

export const findJob = (db: Knex, id: string) => db('jobs').where({ id }).first() as Promise<JobRow | undefined>;

export const openJobAbout = (db: Knex, subject: string) =>
  db('jobs').where({ subject }).whereIn('state', ['waiting', 'running']).first() as Promise<JobRow | undefined>;

/** Open ones first, then the newest. */
export const listJobs = (db: Knex) =>
  db('jobs')
    .orderByRaw(`state in ('waiting', 'running') desc, created_at desc`)
    .limit(MOST_LISTED) as unknown as Promise<JobRow[]>;

/** Begins it, unless it was begun, cancelled or done already: then undefined. */
export async function claimJob(db: Knex, id: string, worker: string): Promise<JobRow | undefined> {
  const rows = (await db('jobs')
    .where({ id, state: 'waiting' })
    .update({
      state: 'running',
      worker,
      attempt: db.raw('attempt + 1'),
      progress: 0,
      line: '',
      failure: null,
      started_at: db.fn.now(),
      beat_at: db.fn.now(),
    })
    .returning('*')) as JobRow[];
  return rows[0];
}

/** Changes a job while this attempt at it is the one that counts. False: it is not any more, and nothing was changed. */
export async function changeMine(
  db: Knex,
  { id, attempt }: Pick<JobRow, 'id' | 'attempt'>,
  change: Partial<Pick<JobRow, 'state' | 'progress' | 'line' | 'failure' | 'result' | 'attempt'>>,
): Promise<boolean> {
  const { result, ...plain } = change;
  const isOver = change.state !== undefined && change.state !== 'waiting';
  const count = await db('jobs')
    .where({ id, attempt, state: 'running' })
    .update({
      ...plain,
      ...(result === undefined ? {} : { result: JSON.stringify(result) }),
      ...(isOver ? { ended_at: db.fn.now() } : { beat_at: db.fn.now() }),
      ...(change.state === 'waiting' ? { queued_at: db.fn.now() } : {}),
    });
  return count > 0;
}

/** Undefined: it is over already. */
export async function cancelJob(db: Knex, id: string): Promise<JobRow | undefined> {
  const rows = (await db('jobs')
    .where({ id })
    .whereIn('state', ['waiting', 'running'])
    .update({ state: 'cancelled', ended_at: db.fn.now() })
    .returning('*')) as JobRow[];
  return rows[0];
}

/** Undefined: it neither failed nor was cancelled. */
export async function reopenJob(db: Knex, id: string): Promise<JobRow | undefined> {
  const rows = (await db('jobs')
    .where({ id })
    .whereIn('state', ['failed', 'cancelled'])
    .update({
      state: 'waiting',
      attempt: 0,
      progress: 0,
      line: '',
      failure: null,
      ended_at: null,
      queued_at: db.fn.now(),
    })
    .returning('*')) as JobRow[];
  return rows[0];
}

/** Those whose process said nothing for so long, and those that nobody began: their message is lost. Locked. */
export async function lostJobs(trx: Knex, silentS: number, unbegunS: number): Promise<JobRow[]> {
  const { rows } = await trx.raw<{ rows: JobRow[] }>(
    `select * from jobs
     where (state = 'running' and beat_at < now() - make_interval(secs => :silentS))
        or (state = 'waiting' and queued_at < now() - make_interval(secs => :unbegunS))
     for update skip locked`,
    { silentS, unbegunS },
  );
  return rows;
}
