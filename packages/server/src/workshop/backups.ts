import { mkdir, readdir, readFile, rename, rm, stat, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { Knex } from 'knex';
import type { Logger } from 'pino';
import { writeArchive } from './archive.ts';
import { readArchive } from './restore.ts';

export interface BackupFile {
  name: string;
  at: string;
  bytes: number;
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
const LOOK_MS = 10 * 60_000;
const NAME = /^anvilstone-\d{8}-\d{6}\.zip$/;

/**
 * Backups into a folder: one when the newest is older than `everyH`, each read back and checked before it counts, the oldest removed beyond
 * `keep`. Several servers on one folder make no more of them than one.
 */
export function backupService(
  db: Knex,
  logger: Logger,
  { folder, everyH = 24, keep = 14 }: { folder?: string; everyH?: number; keep?: number },
) {
  let trouble: string | null = null;
  let timer: NodeJS.Timeout | undefined;

  const list = async (): Promise<BackupFile[]> => {
    if (folder === undefined) return [];
    await mkdir(folder, { recursive: true });
    const names = (await readdir(folder))
      .filter((name) => NAME.test(name))
      .sort()
      .reverse();
    return Promise.all(
      names.map(async (name) => {
        const { size, mtime } = await stat(join(folder, name));
        return { name, at: mtime.toISOString(), bytes: size };
      }),
    );
  };

  const make = async (now = new Date()): Promise<BackupFile> => {
    if (folder === undefined) throw new Error('This server has no folder for backups');
    await mkdir(folder, { recursive: true });
    const { zip } = await writeArchive(db, { withKey: true });
    const stamp = now.toISOString().slice(0, 19).replaceAll(/[-:]/g, '').replace('T', '-');
    const name = `anvilstone-${stamp}.zip`;
    // Under another name until it is whole and has been read back: half a backup is none.
    const part = join(folder, `${name}.part`);
    try {
      await writeFile(part, zip, { mode: 0o600 });
      readArchive(await readFile(part));
      await rename(part, join(folder, name));
    } catch (error) {
      await rm(part, { force: true });
      throw error;
    }
    for (const old of (await list()).slice(keep)) await rm(join(folder, old.name), { force: true });
    return { name, at: now.toISOString(), bytes: zip.length };
  };

  const makeWhenDue = async (): Promise<void> => {
    try {
      const [newest] = await list();
      if (newest && Date.now() - Date.parse(newest.at) < everyH * HOUR_MS) return;
      const made = await make();
      trouble = null;
      logger.info({ backup: made.name, bytes: made.bytes }, 'backed up');
    } catch (error) {
      trouble = (error as Error).message;
      logger.error({ err: error }, 'no backup could be made');
    }
  };

  return {
    state: async (): Promise<BackupState> => ({
      ...(folder === undefined ? {} : { folder }),
      everyH,
      keep,
      files: await list(),
      trouble,
    }),
    make,
    makeWhenDue,
    async read(name: string): Promise<Buffer | undefined> {
      if (folder === undefined || !NAME.test(name)) return undefined;
      return readFile(join(folder, name)).catch(() => undefined);
    },
    /** Looks now, and then every ten minutes. */
    watch(): void {
      if (folder === undefined) return;
      void makeWhenDue();
      timer = setInterval(() => void makeWhenDue(), LOOK_MS);
      timer.unref();
    },
    stop(): void {
      clearInterval(timer);
    },
  };
}
export type BackupService = ReturnType<typeof backupService>;
