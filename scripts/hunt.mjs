#!/usr/bin/env node
// `npm run hunt`: draws thousands of random briefs over all part models and holds the answers against laws that nobody may break. What breaks
// one is printed as a brief, as plain as it can be made. `-- --runs N` for each law, `-- --seed N` to draw the same again.
import { parseArgs } from 'node:util';
import { installPackages } from './install.mjs';
import { root } from './paths.mjs';
import { show } from './run.mjs';

const { values } = parseArgs({
  options: {
    runs: { type: 'string', default: '5000' },
    seed: { type: 'string', default: String(Date.now() % 2 ** 31) },
  },
});
await installPackages();
console.log(`${values.runs} draws for each law, seed ${values.seed}`);
process.exitCode = await show(
  'npx',
  ['jest', 'packages/core/src/checks/absurdity.test.ts', '--selectProjects', 'core', '--verbose'],
  { cwd: root, env: { ...process.env, ANVILSTONE_HUNT_RUNS: values.runs, ANVILSTONE_HUNT_SEED: values.seed } },
);
