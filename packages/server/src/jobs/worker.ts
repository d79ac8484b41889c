import type { Knex } from 'knex';
import type { Logger } from 'pino';
import { allWorkspaces } from '../accounts/repository.ts';
import type { WorkspaceRegistry } from '../workspaces/registry.ts';
import type { JobQueue } from './queue.ts';

const SWEEP_MS = 5000;
/** Planning a file takes a thread, writing it the database: two keep both busy. */
const AT_ONCE = 2;

/** Does the jobs of all workspaces in this process, and puts back those of processes that were lost. */
export async function workOnJobs({
  queue,
  installation,
  registry,
  logger,
  sweepMs = SWEEP_MS,
}: {
  queue: JobQueue;
  installation: Knex;
  registry: WorkspaceRegistry;
  logger: Logger;
  sweepMs?: number;
}): Promise<{ stop(): Promise<void> }> {
  await queue.work(AT_ONCE, async ({ schemaName, jobId }) => {
    const row = (await allWorkspaces(installation)).find((one) => one.schemaName === schemaName);
    if (!row) return;
    const { jobs, letGo } = await registry.hold(row);
    await jobs.perform(jobId).finally(letGo);
  });
  const sweep = async () => {
    // What is under way in a closed one is found by whoever goes round them, who opens it.
    for (const { jobs } of await registry.all()) await jobs.sweep();
  };
  let under = Promise.resolve();
  const again = () => {
    under = sweep().catch((error: unknown) => logger.warn({ err: error }, 'lost jobs could not be looked for'));
  };
  const timer = setInterval(again, sweepMs);
  return {
    stop() {
      clearInterval(timer);
      return under;
    },
  };
}
