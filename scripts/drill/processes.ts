import { fork, type ChildProcess } from 'node:child_process';
import { join } from 'node:path';
import { root } from '../paths.mjs';

export interface Running {
  child: ChildProcess;
  port: number;
  kill(): Promise<void>;
  stop(): Promise<void>;
}

/** A server as an operator starts it. It is tried again while its database is away, as whatever watches over it would. */
export async function begin(role: 'web' | 'worker', databaseUrl: string, port = 0): Promise<Running> {
  for (let attempt = 0; ; attempt++) {
    try {
      return await once(role, databaseUrl, port);
    } catch (error) {
      if (attempt > 20) throw error;
      await new Promise((resolve) => setTimeout(resolve, 500));
    }
  }
}

function once(role: 'web' | 'worker', databaseUrl: string, port: number): Promise<Running> {
  const child = fork(join(root, 'packages/server/src/main.ts'), ['--port', `${port}`, '--no-demo'], {
    cwd: root,
    execArgv: ['--import', join(root, 'scripts/drill/shiftClock.mjs'), '--import', 'tsx'],
    stdio: ['ignore', 'ignore', process.env.DRILL_LOG ? 'inherit' : 'ignore', 'ipc'],
    env: {
      ...process.env,
      ANVILSTONE_DATABASE_URL: databaseUrl,
      ANVILSTONE_ROLE: role,
      ANVILSTONE_LOG_LEVEL: 'silent',
      ANVILSTONE_JOB_SILENT_SECONDS: '4',
    },
  });
  const ended = new Promise<void>((resolve) => child.once('exit', () => resolve()));
  const end = (signal: NodeJS.Signals) => async () => {
    child.kill(signal);
    await ended;
  };
  return new Promise((resolve, reject) => {
    child.once('exit', (code) => reject(new Error(`a ${role} process ended with ${code}`)));
    child.on('message', (said: { ready?: boolean; port?: number; message?: string }) => {
      if (said.ready) resolve({ child, port: said.port!, kill: end('SIGKILL'), stop: end('SIGTERM') });
      else if (said.ready === false) reject(new Error(said.message));
    });
  });
}
