#!/usr/bin/env node
// `npm run bench`: every benchmark, with a PostgreSQL of its own for those that need one.
import { installPackages } from './install.mjs';
import { root } from './paths.mjs';
import { startPostgres } from './postgres.mjs';
import { show } from './run.mjs';

await installPackages();
const cluster = await startPostgres('test');
const env = { ...process.env, ANVILSTONE_TEST_POSTGRES: cluster.url('postgres') };
let failed = 0;
try {
  for (const file of ['bench/evaluate.ts', 'bench/library.ts']) {
    console.log(`\n— ${file}`);
    failed += await show('node', ['--expose-gc', '--import', 'tsx', file], { cwd: root, env });
  }
} finally {
  cluster.stop();
}
process.exit(failed === 0 ? 0 : 1);
