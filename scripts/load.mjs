#!/usr/bin/env node
// `npm run load`: many people at once on one server. `-- --minutes N --users N --pause S`.
import { installPackages } from './install.mjs';
import { root } from './paths.mjs';
import { startPostgres } from './postgres.mjs';
import { show } from './run.mjs';

await installPackages();
const { testRole } = await import('./database.mjs');
const cluster = await startPostgres('test');
try {
  process.exitCode = await show('node', ['--import', 'tsx', 'bench/load.ts', ...process.argv.slice(2)], {
    cwd: root,
    env: { ...process.env, ANVILSTONE_TEST_POSTGRES: (await testRole(cluster))('postgres') },
  });
} finally {
  cluster.stop();
}
