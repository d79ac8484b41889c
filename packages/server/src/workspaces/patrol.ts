import type { Knex } from 'knex';
import type { Logger } from 'pino';
import { allWorkspaces } from '../accounts/repository.ts';
import type { WorkspaceRow } from '../http/principal.ts';
import type { WorkspaceRegistry } from './registry.ts';

/** So many closed workspaces are looked into at a time. */
const AT_A_TIME = 10;
const EVERY_MS = 1000;

/** What goes on in a workspace with nobody there. */
export interface GoesOn {
  /** A job, or the run of a test. */
  works: boolean;
  /** A logger lies somewhere, and is to be read. */
  watches: boolean;
}
export async function goesOnByItself(db: Knex, schemaName: string): Promise<GoesOn> {
  const { rows } = await db.raw<{ rows: GoesOn[] }>(
    `select exists (select 1 from ??.jobs where state in ('waiting', 'running'))
         or exists (select 1 from ??.trial_runs) as works,
       exists (select 1 from ??.places where document ->> 'loggerId' is not null) as watches`,
    [schemaName, schemaName, schemaName],
  );
  return rows[0]!;
}

/**
 * Looks into workspaces that are closed, some at a time and all in turn, and opens those in which something goes on by itself; closes
 * those that nobody needs. So a thousand workspaces cost what is done in them, and not that they are there.
 */
export function patrol({
  installation,
  registry,
  logger,
  isDue,
  everyMs = EVERY_MS,
}: {
  installation: Knex;
  registry: WorkspaceRegistry;
  logger: Logger;
  /** A backup of it is. */
  isDue: (row: WorkspaceRow) => Promise<boolean>;
  everyMs?: number;
}): { stop(): Promise<void> } {
  let rest: WorkspaceRow[] = [];
  let isStopping = false;
  const look = async (row: WorkspaceRow) => {
    try {
      const { works, watches } = await goesOnByItself(installation, row.schemaName);
      if (works || watches || (await isDue(row))) await registry.of(row);
    } catch (error) {
      // The others are looked into all the same.
      logger.warn({ err: error, workspace: row.slug }, 'a workspace could not be looked into');
    }
  };
  const round = async () => {
    if (rest.length === 0) rest = await allWorkspaces(installation);
    for (const row of rest.splice(0, AT_A_TIME)) if (!isStopping && !registry.has(row)) await look(row);
    await registry.closeIdle();
  };
  let under: Promise<void> = Promise.resolve();
  let timer: NodeJS.Timeout | undefined;
  const again = () => {
    under = round()
      .catch((error: unknown) => logger.warn({ err: error }, 'workspaces could not be looked into'))
      .finally(() => {
        if (!isStopping) timer = setTimeout(again, everyMs);
      });
  };
  again();
  return {
    async stop() {
      isStopping = true;
      clearTimeout(timer);
      await under;
    },
  };
}
