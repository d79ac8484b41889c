#!/usr/bin/env node
// `npm test`: type check, lint, dependency rule, Jest and Playwright. The last line counts the tests of both runners.
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { buildWeb } from './buildWeb.mjs';
import { installDebianPackages, installPackages } from './install.mjs';
import { localFolder, root } from './paths.mjs';
import { startPostgres } from './postgres.mjs';
import { capture, captureLater, show } from './run.mjs';

const { values } = parseArgs({ options: { only: { type: 'string' } } });
const wants = (part) => values.only === undefined || values.only === part;
const results = join(localFolder, 'test-results');
let passed = 0;
let failed = 0;
const brokenGates = [];

await installPackages();
rmSync(results, { recursive: true, force: true });
mkdirSync(results, { recursive: true });

if (values.only === undefined) {
  const gates = [
    ['type check', 'check:types'],
    ['dependency rule', 'check:dependencies'],
    ['unused code', 'check:unused'],
    ['published schemas', 'check:schemas'],
    ['weight of the pages', 'check:budget'],
    ['formatting', 'check:format'],
  ];
  // The linter takes as long as all the others, and is one thread.
  await Promise.all([gate('lint', 'check:lint'), inTurn(gates)]);
}

const cluster = await startPostgres('test');
const environment = { ...process.env, ANVILSTONE_TEST_POSTGRES: cluster.url('postgres'), CI: process.env.CI ?? '1' };
try {
  if (wants('unit')) await jest();
  if (wants('e2e')) await playwright();
} finally {
  cluster.stop();
}

if (brokenGates.length > 0) console.error(`\nNot in order: ${brokenGates.join(', ')}`);
console.log(`\nTests: ${passed} passed, ${failed + brokenGates.length} failed`);
process.exit(failed + brokenGates.length === 0 && passed > 0 ? 0 : 1);

/**
 * The free solver reads our material cards and layups, and two free mesh makers draw what our reader has to read. Elsewhere
 * than in CI they are not worth an installation unasked: their tests are skipped and say so.
 */
async function foreignTools() {
  if (process.env.CI !== 'true') return;
  const tools = { ccx: ['-v'], gmsh: ['--version'], openscad: ['--version'] };
  const present = () =>
    Object.entries(tools).every(([name, args]) => /version|\d\.\d/i.test(capture(name, args).output));
  if (present()) return;
  await installDebianPackages(['calculix-ccx', 'gmsh', 'openscad'], present, 'Solver and mesh makers for their tests');
}

async function jest() {
  console.log('\n— Jest');
  await foreignTools();
  const file = join(results, 'jest.json');
  // One more than there are usually cores: some tests spend their time waiting for a gauge or another process.
  // A hook that ran out of time may leave a server behind: that is a failed test, and not a run that never ends.
  const code = await show('npx', ['jest', '--forceExit', '--maxWorkers=3', '--json', `--outputFile=${file}`], {
    cwd: root,
    env: environment,
  });
  const report = readReport(file);
  passed += report?.numPassedTests ?? 0;
  // A suite that does not even load has no failed test of its own.
  failed += report ? report.numFailedTests + report.numRuntimeErrorTestSuites : 1;
  if (code !== 0 && failed === 0) failed += 1;
}

async function playwright() {
  console.log('\n— Playwright');
  // Either does; the one without windows is the faster.
  const browsers = ['chromium-headless-shell', 'chromium'];
  const present = () => browsers.some((name) => capture(name, ['--version']).status === 0);
  await installDebianPackages(browsers.slice(0, 1), present, 'Chromium');
  await buildWeb();
  const file = join(results, 'playwright.json');
  const code = await show('npx', ['playwright', 'test', '--config', 'e2e/playwright.config.ts'], {
    cwd: root,
    env: { ...environment, PLAYWRIGHT_JSON_OUTPUT_NAME: file },
  });
  const report = readReport(file);
  passed += report?.stats.expected ?? 0;
  const broken = report ? report.stats.unexpected + report.stats.flaky + report.errors.length : 1;
  failed += broken;
  if (code !== 0 && broken === 0) failed += 1;
}

async function inTurn(gates) {
  for (const [name, script] of gates) await gate(name, script);
}

/** What it says is shown in one piece, as another is at work beside it. */
async function gate(name, script) {
  const { status, output } = await captureLater('npm', ['run', script, '--silent'], { cwd: root });
  console.log(`\n— ${name}\n${output.trim()}`);
  if (status !== 0) brokenGates.push(name);
}

function readReport(file) {
  try {
    return JSON.parse(readFileSync(file, 'utf8'));
  } catch {
    return undefined;
  }
}
