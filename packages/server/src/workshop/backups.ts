import { createWriteStream } from 'node:fs';
import { mkdir, open, readdir, rename, rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import type { Readable } from 'node:stream';
import type { Knex } from 'knex';
import type { Logger } from 'pino';
import { JobRefusal, type JobContext } from '../jobs/kinds.ts';
import type { JobService } from '../jobs/service.ts';
import { writeArchive } from './archive/write.ts';
import { checkArchive } from './restore.ts';

export interface BackupFile {
  name: string;
  at: string;
  bytes: number;
  /** Somebody asked for it: it pushes out none of those that are made by themselves. */
  byHand: boolean;
}
export interface BackupState {
  /** Absent: this server keeps none. */
  folder?: string;
  everyH: number;
  keep: number;
  files: BackupFile[];
  /** What went wrong last; null: nothing. */
  trouble: string | null;
}

const HOUR_MS = 3.6e6;
const EVERY_H = 24;
const LOOK_MS = 10 * 60_000;
const NAME = /^anvilstone-\d{8}-\d{6}(-by-hand)?\.zip$/;
const MOST_BY_HAND = 10;

/** A clock that was wrong left a backup of the future: it does not put off the next. */
const AHEAD_MS = HOUR_MS;
const BACK_UP = 'back-up';
/** Of the time that it takes; the rest is reading it back. */
const WRITING_SHARE = 0.8;

/** Newest first. */
async function backupsIn(folder: string | undefined): Promise<BackupFile[]> {
  if (folder === undefined) return [];
  await mkdir(folder, { recursive: true });
  const names = (await readdir(folder))
    .filter((name) => NAME.test(name))
    .sort()
    .reverse();
  return Promise.all(
    names.map(async (name) => {
      const { size, mtime } = await stat(join(folder, name));
      return { name, at: mtime.toISOString(), bytes: size, byHand: name.endsWith('-by-hand.zip') };
    }),
  );
}

/** Whether the newest that was made by itself is older than so many hours, or there is none. */
export async function isBackupDue(folder: string | undefined, everyH = EVERY_H, now = new Date()): Promise<boolean> {
  const newest = (await backupsIn(folder)).find(({ byHand }) => !byHand);
  if (!newest) return true;
  const ageMs = now.getTime() - Date.parse(newest.at);
  return ageMs >= everyH * HOUR_MS || ageMs < -AHEAD_MS;
}

/**
 * Backups into a folder: one when the newest is older than `everyH`, each read back and checked before it counts, the oldest removed beyond
 * `keep`. Several processes on one folder make no more of them than one.
 */
export function backupService(
  db: Knex,
  jobs: JobService,
  logger: Logger,
  { folder, everyH = EVERY_H, keep = 14 }: { folder?: string; everyH?: number; keep?: number },
) {
  let lookedAtMs = 0;

  const list = () => backupsIn(folder);

  const make = async (
    now = new Date(),
    { byHand = false, signal, report }: { byHand?: boolean } & Partial<Pick<JobContext, 'signal' | 'report'>> = {},
  ): Promise<BackupFile> => {
    if (folder === undefined) throw new Error('This server has no folder for backups');
    await mkdir(folder, { recursive: true });
    const stamp = now.toISOString().slice(0, 19).replaceAll(/[-:]/g, '').replace('T', '-');
    const name = `anvilstone-${stamp}${byHand ? '-by-hand' : ''}.zip`;
    // Under another name until it is whole and has been read back: half a backup is none.
    const part = join(folder, `${name}.part`);
    try {
      await writeArchive(db, createWriteStream(part, { mode: 0o600 }), {
        withKey: true,
        ...(signal ? { signal } : {}),
        ...(report ? { report: (share) => report(WRITING_SHARE * share, 'Writing') } : {}),
      });
      report?.(WRITING_SHARE, 'Verifying');
      await checkArchive(part);
      await rename(part, join(folder, name));
    } catch (error) {
      await rm(part, { force: true });
      throw error;
    }
    // After a clock was put back the one just made is not the newest by name: it stays all the same.
    const others = (await list()).filter((one) => one.name !== name && one.byHand === byHand);
    for (const old of others.slice((byHand ? MOST_BY_HAND : keep) - 1))
      await rm(join(folder, old.name), { force: true });
    return { name, at: now.toISOString(), bytes: (await stat(join(folder, name))).size, byHand };
  };

  jobs.register<{ byHand: boolean } | null>({
    id: BACK_UP,
    async run(input, { signal, report }): Promise<BackupFile> {
      try {
        const made = await make(new Date(), { byHand: input?.byHand ?? false, signal, report });
        logger.info({ backup: made.name, bytes: made.bytes }, 'backed up');
        return made;
      } catch (error) {
        signal.throwIfAborted();
        logger.error({ err: error }, 'no backup could be made');
        // Tried again in its own time; until then the reason is told.
        throw new JobRefusal((error as Error).message);
      }
    },
  });

  const isDue = (now: Date): Promise<boolean> => isBackupDue(folder, everyH, now);
  /** @throws what is wrong with the folder */
  const ask = (input = { byHand: false }) => jobs.add({ kind: BACK_UP, subject: BACK_UP, title: 'Back up', input });

  return {
    async state(): Promise<BackupState> {
      const last = (await jobs.list()).find(
        ({ kind, state }) => kind === BACK_UP && (state === 'done' || state === 'failed'),
      );
      return {
        ...(folder === undefined ? {} : { folder }),
        everyH,
        keep,
        files: await list(),
        trouble: last?.failure ?? null,
      };
    },
    isDue,
    ask,
    /** Looks at most every ten minutes. */
    async askWhenDue(now = new Date()): Promise<void> {
      if (folder === undefined || Math.abs(now.getTime() - lookedAtMs) < LOOK_MS) return;
      lookedAtMs = now.getTime();
      // A folder that cannot even be listed is told by the job that tries to write to it.
      if (await isDue(now).catch(() => true)) await ask();
    },
    make,
    async read(name: string): Promise<Readable | undefined> {
      if (folder === undefined || !NAME.test(name)) return undefined;
      const file = await open(join(folder, name)).catch(() => undefined);
      return file?.createReadStream();
    },
  };
}
export type BackupService = ReturnType<typeof backupService>;
