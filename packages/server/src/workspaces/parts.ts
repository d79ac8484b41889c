import type { Knex } from 'knex';
import type { RunService } from '../bench/runService.ts';
import type { ImportService } from '../exchange/importService.ts';
import type { InstrumentService } from '../instruments/service.ts';
import type { BackupService } from '../workshop/backups.ts';

/** What answers for one workspace, on connections that see nothing but it. */
export interface WorkspaceParts {
  db: Knex;
  imports: ImportService;
  instruments: InstrumentService;
  runs: RunService;
  backups: BackupService;
}
