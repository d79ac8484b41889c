#!/usr/bin/env node
// `npm test`: every proof there is, with how long it took. The last line counts the tests of both runners.
import { randomUUID } from 'node:crypto';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { buildWeb } from './buildWeb.mjs';
import { GATES, runGates } from './gates.mjs';
import { installDebianPackages, installPackages } from './install.mjs';
import { localFolder, root } from './paths.mjs';
import { startPostgres } from './postgres.mjs';
import { capture, captureLater, show } from './run.mjs';
import { jestTimings, keepTimings, playwrightTimings, timingLines } from './timings.mjs';

const { values } = parseArgs({ options: { only: { type: 'string' } } });
const wants = (part) => values.only === undefined || values.only === part;
const results = join(localFolder, 'test-results');
const tally = { passed: 0, failed: 0 };
const timings = [];
const parts = [];

await installPackages();
rmSync(results, { recursive: true, force: true });
mkdirSync(results, { recursive: true });
if (wants('unit')) await foreignTools();
if (wants('e2e')) await browser();

const startedMs = Date.now();
const cluster = await startPostgres('test', { isLasting: false });
const { testRole } = await import('./database.mjs');
const environment = {
  ...process.env,
  ANVILSTONE_TEST_POSTGRES: (await testRole(cluster))('postgres'),
  ANVILSTONE_TEST_RUN: randomUUID().slice(0, 8),
  CI: process.env.CI ?? '1',
};
let broken;
try {
  // Gates and units keep both cores at work: the one is bound by the processor, the other also waits for its database.
  const gates = values.only === undefined ? timed('gates', () => runGates(GATES)) : Promise.resolve([]);
  if (wants('unit')) await timed('Jest', jest);
  broken = await gates;
  if (wants('e2e')) await timed('Playwright', playwright);
} finally {
  cluster.stop();
}
parts.push(['all', (Date.now() - startedMs) / 1000]);

keepTimings(timings);
console.log(`\n${timingLines(timings, parts).join('\n')}`);
if (broken.length > 0) console.error(`\nNot in order: ${broken.join(', ')}`);
tally.failed += broken.length;
console.log(`\nTests: ${tally.passed} passed, ${tally.failed} failed`);
process.exit(tally.failed === 0 && tally.passed > 0 ? 0 : 1);

async function timed(name, work) {
  const beganMs = Date.now();
  const answer = await work();
  parts.push([name, (Date.now() - beganMs) / 1000]);
  return answer;
}

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

async function browser() {
  // Either does; the one without windows is the faster.
  const browsers = ['chromium-headless-shell', 'chromium'];
  const present = () => browsers.some((name) => capture(name, ['--version']).status === 0);
  await installDebianPackages(browsers.slice(0, 1), present, 'Chromium');
}

async function jest() {
  const file = join(results, 'jest.json');
  // One more than there are usually cores: some tests spend their time waiting for a database or another process.
  const code = await show('npx', ['jest', '--maxWorkers=3', '--json', `--outputFile=${file}`], {
    cwd: root,
    env: environment,
  });
  const report = readReport(file);
  if (report) timings.push(...jestTimings(report));
  // A suite that does not even load has no failed test of its own.
  count(code, report?.numPassedTests, report && report.numFailedTests + report.numRuntimeErrorTestSuites);
}

async function playwright() {
  await buildWeb();
  await (await import('./buildServer.mjs')).buildServer();
  const pattern = await captureLater('node', ['--import', 'tsx', 'packages/server/src/makeTestPattern.ts'], {
    cwd: root,
    env: environment,
  });
  if (pattern.status !== 0) throw new Error(`The browser tests have no database to copy:\n${pattern.output}`);
  const file = join(results, 'playwright.json');
  const code = await show('npx', ['playwright', 'test', '--config', 'e2e/playwright.config.ts'], {
    cwd: root,
    env: { ...environment, PLAYWRIGHT_JSON_OUTPUT_NAME: file, ANVILSTONE_TEST_PATTERN: pattern.output.trim() },
  });
  const report = readReport(file);
  if (report) timings.push(...playwrightTimings(report));
  count(
    code,
    report?.stats.expected,
    report && report.stats.unexpected + report.stats.flaky + report.errors.length + notRun(report),
  );
}

/** Those that were neither run nor skipped on purpose. */
function notRun({ suites }) {
  const testsOf = (suite) => [
    ...(suite.specs ?? []).flatMap(({ tests }) => tests),
    ...(suite.suites ?? []).flatMap(testsOf),
  ];
  return suites
    .flatMap(testsOf)
    .filter(({ status, expectedStatus }) => status === 'skipped' && expectedStatus !== 'skipped').length;
}

/** A runner that failed without a failed test has failed all the same. */
function count(code, passed = 0, failed = 1) {
  tally.passed += passed;
  tally.failed += code !== 0 && failed === 0 ? 1 : failed;
}

function readReport(file) {
  try {
    return JSON.parse(readFileSync(file, 'utf8'));
  } catch {
    return undefined;
  }
}
