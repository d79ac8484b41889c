import type { Router } from 'express';
import type { WorkspaceRow } from '../http/principal.ts';
import type { JobService } from '../jobs/service.ts';

export interface OpenWorkspace {
  router: Router;
  jobs: JobService;
  close(): Promise<void>;
}

/** Workspaces that this process answers for, each opened when it is first asked for. */
export function workspaceRegistry(open: (row: WorkspaceRow) => Promise<OpenWorkspace>) {
  const opened = new Map<string, Promise<OpenWorkspace>>();
  return {
    async of(row: WorkspaceRow): Promise<OpenWorkspace> {
      const known = opened.get(row.schemaName);
      if (known) return known;
      const made = open(row);
      opened.set(row.schemaName, made);
      // One that could not be opened, the database being away, is tried again the next time.
      made.catch(() => opened.delete(row.schemaName));
      return made;
    },
    async close(): Promise<void> {
      for (const one of opened.values()) await one.then(({ close }) => close()).catch(() => undefined);
      opened.clear();
    },
  };
}
export type WorkspaceRegistry = ReturnType<typeof workspaceRegistry>;
