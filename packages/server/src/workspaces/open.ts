import { join } from 'node:path';
import type { Logger } from 'pino';
import { FIRST_SLUG } from '../accounts/authenticate.ts';
import { runService } from '../bench/runService.ts';
import { connect, FIRST_SCHEMA, migrate } from '../db/connection.ts';
import { importService } from '../exchange/importService.ts';
import { failAbandoned } from '../exchange/repository.ts';
import type { WorkspaceRow } from '../http/principal.ts';
import { instrumentService, type Device } from '../instruments/service.ts';
import { backupService } from '../workshop/backups.ts';
import type { WorkspaceParts } from './parts.ts';

/** Connections a workspace may have at once: the first is most used, and there may be many others. */
const MOST_CONNECTIONS = { first: 10, other: 4 };

/** Makes what answers for a workspace: its connections, and what goes on by itself in it. */
export function workspaceOpener(settings: {
  url: string;
  logger: Logger;
  devices: readonly Device[];
  backupFolder: string | undefined;
  backupEveryH: number;
  lookEveryMs: number;
}) {
  return ({ slug, schemaName }: Pick<WorkspaceRow, 'slug' | 'schemaName'>) => {
    const { url, devices, backupFolder, backupEveryH, lookEveryMs } = settings;
    const logger = settings.logger.child({ workspace: slug });
    const isFirst = schemaName === FIRST_SCHEMA;
    const db = connect(url, schemaName, isFirst ? MOST_CONNECTIONS.first : MOST_CONNECTIONS.other);
    const imports = importService(db, logger);
    const instruments = instrumentService(db, logger, devices);
    const runs = runService(db, logger, instruments, devices);
    const folder = backupFolder && (slug === FIRST_SLUG ? backupFolder : join(backupFolder, slug));
    const backups = backupService(db, logger, { ...(folder ? { folder } : {}), everyH: backupEveryH });
    let stopWatching = () => {};
    const parts: WorkspaceParts = { db, imports, instruments, runs, backups };
    return {
      parts,
      /** Brings its tables up to date and goes on with what was left. */
      async begin(): Promise<void> {
        await db.raw('create schema if not exists ??', [schemaName]);
        await migrate(db);
        await failAbandoned(db);
        await runs.resume();
        backups.watch();
        stopWatching = instruments.watch(lookEveryMs);
      },
      async close(): Promise<void> {
        stopWatching();
        backups.stop();
        await runs.stop();
        await imports.idle();
        await db.destroy();
      },
    };
  };
}
