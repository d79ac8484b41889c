import { join } from 'node:path';
import type { Knex } from 'knex';
import type { Logger } from 'pino';
import { FIRST_SLUG } from '../accounts/authenticate.ts';
import { runService, type RunService } from '../bench/runService.ts';
import type { Leases } from '../db/leases.ts';
import { recordsChecking } from '../decisions/checkRecords.ts';
import { decisionService } from '../decisions/service.ts';
import { importService, type ImportService } from '../exchange/importService.ts';
import { instrumentService, type InstrumentService } from '../instruments/service.ts';
import type { Device } from '../instruments/device.ts';
import type { JobQueue } from '../jobs/queue.ts';
import { jobService, type JobService, type JobTimes } from '../jobs/service.ts';
import { backupService, type BackupService } from '../workshop/backups.ts';
import { restoreService, type RestoreService } from '../workshop/restoring.ts';

/** What answers for one workspace, on connections that see nothing but it. */
export interface WorkspaceServices {
  db: Knex;
  jobs: JobService;
  imports: ImportService;
  instruments: InstrumentService;
  runs: RunService;
  backups: BackupService;
  restores: RestoreService;
}

/** What a process has that its workspaces share. */
export interface ProcessParts {
  logger: Logger;
  queue: JobQueue;
  leases: Leases;
  /** Named in the queue, so that one can see who is at what. */
  worker: string;
  devices: readonly Device[];
  /** Absent: no backups are kept. */
  backupFolder?: string | undefined;
  backupEveryH?: number;
  jobTimes?: JobTimes;
  /** What the time is at the test rig. */
  rigNow?: () => Date;
}

/** Where the backups of a workspace are kept. */
export const backupFolderOf = ({ backupFolder }: Pick<ProcessParts, 'backupFolder'>, slug: string) =>
  backupFolder && (slug === FIRST_SLUG ? backupFolder : join(backupFolder, slug));

export function makeParts(
  shared: ProcessParts,
  { db, slug, schemaName }: { db: Knex; slug: string; schemaName: string },
): WorkspaceServices {
  const { queue, leases, worker, devices, backupEveryH } = shared;
  const logger = shared.logger.child({ workspace: slug });
  const jobs = jobService(db, logger, { schemaName, queue, worker }, shared.jobTimes);
  const instruments = instrumentService(db, logger, devices);
  const folder = backupFolderOf(shared, slug);
  jobs.register(recordsChecking(db, decisionService(db)));
  return {
    db,
    jobs,
    imports: importService(db, jobs),
    instruments,
    runs: runService(db, logger, { instruments, devices, leases, schemaName }, shared.rigNow),
    restores: restoreService(db, jobs, logger),
    backups: backupService(db, jobs, logger, {
      ...(folder ? { folder } : {}),
      ...(backupEveryH === undefined ? {} : { everyH: backupEveryH }),
    }),
  };
}
