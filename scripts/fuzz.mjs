#!/usr/bin/env node
// `npm run fuzz`: ten thousand and more random requests over every route, and as many files for every importer. `-- --runs N` for each.
import { parseArgs } from 'node:util';
import { installPackages } from './install.mjs';
import { root } from './paths.mjs';
import { startPostgres } from './postgres.mjs';
import { show } from './run.mjs';

const { values } = parseArgs({ options: { runs: { type: 'string', default: '100' } } });
await installPackages();
const { testRole } = await import('./database.mjs');
const cluster = await startPostgres('test');
try {
  process.exitCode = await show('npx', ['jest', '--forceExit', '--testPathPatterns', 'fuzz'], {
    cwd: root,
    env: {
      ...process.env,
      ANVILSTONE_TEST_POSTGRES: (await testRole(cluster))('postgres'),
      ANVILSTONE_FUZZ_RUNS: values.runs,
    },
  });
} finally {
  cluster.stop();
}
