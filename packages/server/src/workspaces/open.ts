import type { Logger } from 'pino';
import { FIRST_SCHEMA, migrate } from '../db/connection.ts';
import type { SharedConnections } from '../db/sharedConnections.ts';
import type { WorkspaceRow } from '../http/principal.ts';
import { goesOnByItself } from './patrol.ts';
import { makeParts, type ProcessParts, type WorkspaceServices } from './parts.ts';

/** Connections a workspace may have at once: the first is most used, and there may be many others. */
const MOST_CONNECTIONS = { first: 10, other: 4 };
/** A round of what goes on by itself, ms. */
const ROUND_MS = 5000;
/** Longer than a round: whoever did it last goes on with it while it lives, s. */
const HELD_S = 15;

/** Makes what answers for a workspace: its connections, and, in a process that works, what goes on by itself in it. */
export function workspaceOpener(
  shared: ProcessParts & { connections: SharedConnections; logger: Logger; works: boolean; lookEveryMs: number },
) {
  return ({ slug, schemaName }: Pick<WorkspaceRow, 'slug' | 'schemaName'>) => {
    const isFirst = schemaName === FIRST_SCHEMA;
    const db = shared.connections.to(schemaName, isFirst ? MOST_CONNECTIONS.first : MOST_CONNECTIONS.other);
    const parts: WorkspaceServices = makeParts(shared, { db, slug, schemaName });
    const { runs, backups, instruments, jobs } = parts;
    let stopWatching: (() => void) | undefined;
    let timer: NodeJS.Timeout | undefined;
    /** Something goes on by itself here. */
    let isWanted = false;

    /** Runs that nobody follows are followed; one process of all watches the loggers and the age of the backups. */
    async function round(): Promise<void> {
      const { works, watches } = await goesOnByItself(db, schemaName);
      isWanted = works || watches;
      await runs.resume();
      if (await shared.leases.take(`watch ${schemaName}`, HELD_S)) {
        // In the first they are read whether or not it is said where they lie.
        if (watches || isFirst) stopWatching ??= instruments.watch(shared.lookEveryMs);
        await backups.askWhenDue();
      } else {
        stopWatching?.();
        stopWatching = undefined;
      }
    }
    let under = Promise.resolve();
    const again = () => {
      under = round().catch((error: unknown) => shared.logger.warn({ err: error, workspace: slug }, 'a round failed'));
    };

    return {
      parts,
      /** It has work under way, or something to watch: it stays open. */
      isBusy: () => isFirst || (shared.works && isWanted) || !jobs.isIdle() || runs.isFollowing(),
      /** Brings its tables up to date and goes on with what was left. */
      async begin(): Promise<void> {
        await migrate(db);
        if (!shared.works) return;
        await round();
        timer = setInterval(again, ROUND_MS);
      },
      async close(): Promise<void> {
        clearInterval(timer);
        await under;
        stopWatching?.();
        await runs.stop();
        await jobs.stop();
        await shared.leases.free(`watch ${schemaName}`).catch(() => undefined);
      },
    };
  };
}
