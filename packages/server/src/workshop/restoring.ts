import { existsSync } from 'node:fs';
import { rm } from 'node:fs/promises';
import type { Job } from '@anvilstone/schema';
import type { Knex } from 'knex';
import type { Logger } from 'pino';
import { HttpProblem } from '../http/problems.ts';
import { JobRefusal } from '../jobs/kinds.ts';
import type { JobService } from '../jobs/service.ts';
import { openArchive } from './archive/read.ts';
import { restoreArchive, type RestoreReport } from './restore.ts';

interface RestoreInput {
  path: string;
  mode: RestoreReport['mode'];
}
const RESTORE = 'restore';
const GONE = 'The file is no longer there. Choose it again; nothing was changed.';

/** Archives taken in as jobs of the process that received them, which alone has the file. */
export function restoreService(db: Knex, jobs: JobService, logger: Logger) {
  jobs.register<RestoreInput>({
    id: RESTORE,
    async run({ path, mode }, { signal, report, holdOn }): Promise<RestoreReport> {
      if (!existsSync(path)) throw new JobRefusal(GONE);
      try {
        return await restoreArchive(db, path, { mode, signal, report, holdOn });
      } catch (error) {
        signal.throwIfAborted();
        if (error instanceof HttpProblem) throw new JobRefusal(error.message);
        // Without its file it cannot be tried again.
        logger.error({ err: error }, 'an archive could not be taken in');
        throw new JobRefusal('Something went wrong on the server’s side, and was logged. Nothing was changed.');
      } finally {
        await rm(path, { force: true });
      }
    },
    again: () => Promise.reject(new HttpProblem(409, 'job-state', 'Not now', GONE)),
  });
  return {
    /**
     * Begins to take in the file at `path`, which is removed afterwards.
     * @throws HttpProblem 422: what can be told at once is wrong with it; 409: another is being taken in
     */
    async begin(path: string, mode: RestoreReport['mode']): Promise<Job> {
      try {
        (await openArchive(path)).close();
        const title = mode === 'replace' ? 'Restore, replacing everything' : 'Import an archive';
        return await jobs.begin({ kind: RESTORE, subject: RESTORE, title, input: { path, mode } });
      } catch (error) {
        await rm(path, { force: true });
        throw error;
      }
    },
  };
}
export type RestoreService = ReturnType<typeof restoreService>;
