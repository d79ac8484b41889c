#!/usr/bin/env node
// `npm run test:changed`: for the minute after an edit, what depends on the files that differ from the last commit (or from `-- --since REV`).
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { dependentsOf, importGraph } from './dependents.mjs';
import { installPackages } from './install.mjs';
import { root } from './paths.mjs';
import { startPostgres } from './postgres.mjs';
import { capture, captureLater, show } from './run.mjs';

const { values } = parseArgs({ options: { since: { type: 'string', default: 'HEAD' } } });
const CODE = /\.(ts|tsx|mjs|cjs|js)$/;

await installPackages();
const changed = changedFiles(values.since);
const code = changed.filter((file) => CODE.test(file));
if (code.length === 0 && !changed.some((file) => file.endsWith('.json'))) {
  console.log(`No code differs from ${values.since}.`);
  process.exit(0);
}
const local = (tool) => join(root, 'node_modules/.bin', tool);
const broken = [];
const check = async (name, command, args) => {
  const { status, output } = await captureLater(command, args, { cwd: root });
  if (status === 0) return;
  console.log(`\n— ${name}\n${output.trim()}`);
  broken.push(name);
};

const checks = [
  check('type check', 'node', ['scripts/checkTypes.mjs']),
  check('formatting', local('oxfmt'), ['--check', '--no-error-on-unmatched-pattern', ...changed]),
  check('lint', local('oxlint'), ['--type-aware', '--quiet', ...code]),
];
if (code.some((file) => file.startsWith('packages/schema/')))
  checks.push(check('published schemas', local('tsx'), ['scripts/publishSchemas.ts', '--check']));

const cluster = await startPostgres('test', { isLasting: false });
const { testRole } = await import('./database.mjs');
const tests = testsOf(changed);
console.log(`${tests.length} of Jest’s files depend on the ${changed.length} that differ.`);
// Without paths it would run them all.
if (tests.length > 0) {
  const status = await show(
    local('jest'),
    ['--maxWorkers=2', '--runTestsByPath', ...tests.map((file) => join(root, file))],
    {
      cwd: root,
      env: { ...process.env, ANVILSTONE_TEST_POSTGRES: (await testRole(cluster))('postgres') },
    },
  );
  if (status !== 0) broken.push('Jest');
}
await Promise.all(checks);
cluster.stop();

if (code.some((file) => /^(packages\/web|e2e)\//.test(file)))
  console.log('\nPages in a real browser were not looked at: npm run test:e2e');
console.log(broken.length === 0 ? '\nIn order, as far as this looks.' : `\nNot in order: ${broken.join(', ')}`);
process.exit(broken.length === 0 ? 0 : 1);

/** Across packages, name by name. */
function testsOf(files) {
  const listing = ['ls-files', '--cached', '--others', '--exclude-standard', 'packages', 'scripts', 'bench'];
  const all = capture('git', listing, { cwd: root })
    .output.split('\n')
    .filter((file) => (CODE.test(file) || /\/data\/.*\.json$/.test(file)) && existsSync(join(root, file)));
  return [...dependentsOf(importGraph(root, all), files)].filter((file) => /\.test\.(ts|tsx|mjs)$/.test(file));
}

function changedFiles(since) {
  const lines = (args) => capture('git', args, { cwd: root }).output.split('\n').filter(Boolean);
  const files = [
    ...lines(['diff', '--name-only', '--diff-filter=d', since]),
    ...lines(['ls-files', '--others', '--exclude-standard']),
  ];
  return [...new Set(files)].filter((file) => existsSync(join(root, file)));
}
