import { fork, type ChildProcess } from 'node:child_process';
import { join } from 'node:path';
import { copyDatabase, dropDatabase, ensureDatabase } from '../scripts/database.mjs';
import { root } from '../scripts/paths.mjs';

export interface WorkshopServer {
  /** Where it is reached. */
  url: string;
  /** As a power cut does it: whatever it was doing is lost. Back on the same database when this resolves. */
  cutPower(): Promise<void>;
  close(): Promise<void>;
}

/** Time at the stand-in test rig passes so many times as fast. */
const RIG_PACE = 3;

/**
 * The built app on a database of its own: with the sample project in it, a copy of the pattern that `npm test` makes once; else
 * empty. `args` are passed on to the server.
 */
export async function startWorkshop({ sample = true, args = [] as string[] } = {}): Promise<WorkshopServer> {
  const admin = process.env.ANVILSTONE_TEST_POSTGRES;
  const pattern = process.env.ANVILSTONE_TEST_PATTERN;
  if (!admin || !pattern) throw new Error('There is no test database; run “npm test” or “npm run test:e2e”');
  const url = (database: string) => Object.assign(new URL(admin), { pathname: `/${database}` }).href;
  const name = `e2e_${process.pid}_${Date.now()}`;
  const databaseUrl = (await (sample ? copyDatabase(url, pattern, name) : ensureDatabase(url, name))) as string;
  let { child, port } = await serve(0);
  return {
    url: `http://127.0.0.1:${port}`,
    async cutPower() {
      const gone = ended(child);
      child.kill('SIGKILL');
      await gone;
      ({ child, port } = await serve(port));
    },
    async close() {
      const gone = ended(child);
      child.kill('SIGTERM');
      await gone;
      await dropDatabase(url, name);
    },
  };

  function serve(wanted: number): Promise<{ child: ChildProcess; port: number }> {
    const started = fork(
      join(root, 'packages/server/dist/main.mjs'),
      ['--port', `${wanted}`, '--web', join(root, 'packages/web/dist'), ...args],
      {
        cwd: root,
        execArgv: [],
        env: {
          ...process.env,
          ANVILSTONE_DATABASE_URL: databaseUrl,
          ANVILSTONE_LOG_LEVEL: 'warn',
          ANVILSTONE_RIG_PACE: `${RIG_PACE}`,
        },
      },
    );
    return new Promise((resolve, reject) => {
      started.once('message', (told: { ready: boolean; port: number; message?: string }) =>
        told.ready ? resolve({ child: started, port: told.port }) : reject(new Error(told.message)),
      );
      started.once('exit', (code) => reject(new Error(`The server ended with ${code} before it served`)));
    });
  }
}

const ended = (child: ChildProcess): Promise<unknown> =>
  new Promise((resolve) => (child.exitCode === null ? child.once('exit', resolve) : resolve(undefined)));
