// Serves the built app on a fresh database and drops it afterwards. Started by Playwright.
import { fork } from 'node:child_process';
import { join } from 'node:path';
import { dropDatabase, ensureDatabase } from '../scripts/database.mjs';
import { root } from '../scripts/paths.mjs';

const admin = process.env.ANVILSTONE_TEST_POSTGRES;
if (!admin) throw new Error('ANVILSTONE_TEST_POSTGRES is not set; run “npm test” or “npm run test:e2e”');
const url = (database) => Object.assign(new URL(admin), { pathname: `/${database}` }).href;
const name = `e2e_${process.pid}`;

const child = fork(
  join(root, 'packages/server/src/main.ts'),
  ['--port', process.argv[2] ?? '4790', '--web', join(root, 'packages/web/dist')],
  {
    cwd: root,
    execArgv: ['--import', 'tsx'],
    env: { ...process.env, ANVILSTONE_DATABASE_URL: await ensureDatabase(url, name), ANVILSTONE_LOG_LEVEL: 'warn' },
  },
);
child.on('exit', async (code) => {
  await dropDatabase(url, name);
  process.exit(code ?? 1);
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill('SIGTERM'));
