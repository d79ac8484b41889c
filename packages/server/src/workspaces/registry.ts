import type { Router } from 'express';
import type { WorkspaceRow } from '../http/principal.ts';
import type { JobService } from '../jobs/service.ts';

export interface OpenWorkspace {
  router: Router;
  jobs: JobService;
  /** It has work under way, or something to watch: it stays open. */
  isBusy(): boolean;
  close(): Promise<void>;
}

interface Entry {
  made: Promise<OpenWorkspace>;
  usedMs: number;
  /** Requests under way. */
  holders: number;
}

/** One that nobody used for so long is closed. */
const IDLE_MS = 5 * 60_000;

/** Workspaces that this process answers for, each opened when it is first asked for and closed when nobody has asked for a while. */
export function workspaceRegistry(open: (row: WorkspaceRow) => Promise<OpenWorkspace>, idleMs = IDLE_MS) {
  const entries = new Map<string, Entry>();
  const opened = (row: WorkspaceRow): Entry => {
    const known = entries.get(row.schemaName);
    if (known) {
      known.usedMs = Date.now();
      return known;
    }
    const entry: Entry = { made: open(row), usedMs: Date.now(), holders: 0 };
    entries.set(row.schemaName, entry);
    // One that could not be opened, the database being away, is tried again the next time.
    entry.made.catch(() => entries.delete(row.schemaName));
    return entry;
  };
  return {
    of: (row: WorkspaceRow): Promise<OpenWorkspace> => opened(row).made,
    /** The same, and it stays open until it is let go. */
    async hold(row: WorkspaceRow): Promise<OpenWorkspace & { letGo(): void }> {
      const entry = opened(row);
      entry.holders += 1;
      const letGo = () => {
        entry.holders -= 1;
        entry.usedMs = Date.now();
      };
      try {
        return { ...(await entry.made), letGo };
      } catch (error) {
        letGo();
        throw error;
      }
    },
    has: ({ schemaName }: WorkspaceRow): boolean => entries.has(schemaName),
    /** Those that are open now. */
    async all(): Promise<OpenWorkspace[]> {
      const found = await Promise.allSettled([...entries.values()].map(({ made }) => made));
      return found.flatMap((one) => (one.status === 'fulfilled' ? [one.value] : []));
    },
    /** Closes those that nobody needs. */
    async closeIdle(nowMs = Date.now()): Promise<void> {
      for (const [schemaName, entry] of entries) {
        if (entry.holders > 0 || nowMs - entry.usedMs < idleMs) continue;
        const workspace = await entry.made.catch(() => undefined);
        // Asked for while it was looked at.
        if (!workspace || workspace.isBusy() || entry.holders > 0 || nowMs - entry.usedMs < idleMs) continue;
        entries.delete(schemaName);
        await workspace.close();
      }
    },
    async close(): Promise<void> {
      for (const { made } of entries.values()) await made.then(({ close }) => close()).catch(() => undefined);
      entries.clear();
    },
  };
}
export type WorkspaceRegistry = ReturnType<typeof workspaceRegistry>;
