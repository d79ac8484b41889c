// Serves the built app on a fresh database and drops it afterwards. Started by Playwright, or by a test that needs a server of its own;
// what stands after the port is passed on to it. SIGUSR2 kills the server as a power cut does,
// and starts another on the same database.
import { fork } from 'node:child_process';
import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { dropDatabase, ensureDatabase } from '../scripts/database.mjs';
import { root } from '../scripts/paths.mjs';

const admin = process.env.ANVILSTONE_TEST_POSTGRES;
if (!admin) throw new Error('ANVILSTONE_TEST_POSTGRES is not set; run “npm test” or “npm run test:e2e”');
const url = (database) => Object.assign(new URL(admin), { pathname: `/${database}` }).href;
const name = `e2e_${process.pid}`;
const databaseUrl = await ensureDatabase(url, name);
const port = process.argv[2] ?? '4790';
const pidFile = join(root, '.local', `e2e-${port}.pid`);

function serve() {
  const child = fork(
    join(root, 'packages/server/src/main.ts'),
    ['--port', port, '--web', join(root, 'packages/web/dist'), ...process.argv.slice(3)],
    {
      cwd: root,
      execArgv: ['--import', 'tsx'],
      env: { ...process.env, ANVILSTONE_DATABASE_URL: databaseUrl, ANVILSTONE_LOG_LEVEL: 'warn' },
    },
  );
  child.on('exit', async (code) => {
    if (cutting) {
      cutting = false;
      running = serve();
      return;
    }
    rmSync(pidFile, { force: true });
    await dropDatabase(url, name);
    process.exit(code ?? 1);
  });
  return child;
}

let cutting = false;
mkdirSync(join(root, '.local'), { recursive: true });
writeFileSync(pidFile, String(process.pid));
let running = serve();
process.on('SIGUSR2', () => {
  cutting = true;
  running.kill('SIGKILL');
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => running.kill('SIGTERM'));
