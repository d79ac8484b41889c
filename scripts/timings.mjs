import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { localFolder, root } from './paths.mjs';

/** Of the last run of every test file here. */
const timingsFile = join(localFolder, 'test-timings.json');
const MOST_SHOWN = 15;
let last;

/**
 * @typedef {{ file: string, project: string, seconds: number }} Timing
 * `seconds` is the work of a file's tests and hooks, which others may have been at beside it.
 */

/** How long a test file took when it was last run here, s; undefined where it has not been. */
export function lastSeconds(path) {
  last ??= new Map(readTimings().map(({ file, seconds }) => [file, seconds]));
  return last.get(relative(root, path));
}

/** @returns {Timing[]} */
function readTimings() {
  try {
    return JSON.parse(readFileSync(timingsFile, 'utf8')).files;
  } catch {
    return [];
  }
}

/** Keeps how long files took, in place of what was known of them. @param {readonly Timing[]} files */
export function keepTimings(files) {
  const news = new Set(files.map(({ file }) => file));
  const kept = [...readTimings().filter(({ file }) => !news.has(file)), ...files];
  mkdirSync(dirname(timingsFile), { recursive: true });
  writeFileSync(timingsFile, `${JSON.stringify({ at: new Date().toISOString(), files: kept }, null, 1)}\n`);
}

/** From Jest's JSON report. @returns {Timing[]} */
export function jestTimings(report) {
  return report.testResults.map(({ name, startTime, endTime }) => {
    const file = relative(root, name);
    const [top, folder] = file.split('/');
    const project = file.endsWith('.screen.test.tsx') ? 'screens' : file.startsWith('packages/') ? folder : top;
    return { file, project, seconds: (endTime - startTime) / 1000 };
  });
}

/** From Playwright's JSON report. @returns {Timing[]} */
export function playwrightTimings(report) {
  const testsOf = (suite) => [...(suite.specs ?? []), ...(suite.suites ?? []).flatMap(testsOf)];
  return report.suites.map((suite) => ({
    file: relative(root, join(report.config.rootDir, suite.file)),
    project: 'browser',
    seconds:
      testsOf(suite)
        .flatMap(({ tests }) => tests.flatMap(({ results }) => results))
        .reduce((sum, { duration }) => sum + duration, 0) / 1000,
  }));
}

/** What took longest, and the sums. @param {readonly Timing[]} files @param {readonly [name: string, seconds: number][]} parts by the wall clock */
export function timingLines(files, parts) {
  const shown = (seconds) => seconds.toFixed(1).padStart(7);
  const sums = new Map();
  for (const { project, seconds } of files) sums.set(project, (sums.get(project) ?? 0) + seconds);
  const slowest = [...files].sort((a, b) => b.seconds - a.seconds).slice(0, MOST_SHOWN);
  return [
    'Slowest files, s:',
    ...slowest.map(({ file, seconds }) => `${shown(seconds)}  ${file}`),
    'Work by project, s:',
    ...[...sums].sort(([, a], [, b]) => b - a).map(([project, seconds]) => `${shown(seconds)}  ${project}`),
    'By the clock, s:',
    ...parts.map(([name, seconds]) => `${shown(seconds)}  ${name}`),
  ];
}
