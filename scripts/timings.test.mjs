import { join } from 'node:path';
import { resolve } from './jest/mapModules.mjs';
import { root } from './paths.mjs';
import { jestTimings, playwrightTimings, timingLines } from './timings.mjs';

const suite = (file, ...durations) => ({
  file,
  specs: durations.map((duration) => ({ tests: [{ results: [{ duration }] }] })),
});

test('Jest’s files go by their project, screens apart', () => {
  const file = (path, seconds) => ({ name: join(root, path), startTime: 5000, endTime: 5000 + 1000 * seconds });
  const timings = jestTimings({
    testResults: [
      file('packages/core/src/a.test.ts', 2),
      file('packages/web/src/a.screen.test.tsx', 3.5),
      file('packages/web/src/a.test.tsx', 1),
      file('bench/reference/reference.test.ts', 4),
      file('scripts/timings.test.mjs', 0.1),
    ],
  });
  expect(timings.map(({ project, seconds }) => [project, seconds])).toEqual([
    ['core', 2],
    ['screens', 3.5],
    ['web', 1],
    ['bench', 4],
    ['scripts', 0.1],
  ]);
});

test('Playwright’s count every try of every test, in groups too', () => {
  const report = {
    config: { rootDir: join(root, 'e2e') },
    suites: [{ ...suite('a.spec.ts', 1000, 500), suites: [suite('a.spec.ts', 2500)] }, suite('library/b.spec.ts', 700)],
  };
  expect(playwrightTimings(report)).toEqual([
    { file: 'e2e/a.spec.ts', project: 'browser', seconds: 4 },
    { file: 'e2e/library/b.spec.ts', project: 'browser', seconds: 0.7 },
  ]);
});

test('the fifteen slowest are shown, sums by project, and what passed by the clock', () => {
  const files = Array.from({ length: 20 }, (_, i) => ({ file: `f${i}`, project: i % 2 ? 'odd' : 'even', seconds: i }));
  const lines = timingLines(files, [['all', 61.25]]);
  const slowest = lines.slice(1, lines.indexOf('Work by project, s:'));
  expect(slowest).toHaveLength(15);
  expect(slowest[0]).toMatch(/19\.0 {2}f19$/);
  expect(slowest.at(-1)).toMatch(/5\.0 {2}f5$/);
  expect(lines).toContain('  100.0  odd');
  expect(lines).toContain('   90.0  even');
  expect(lines.at(-1)).toBe('   61.3  all');
});

describe('a module asked for anew', () => {
  const from = (parentURL, url) => resolve('./b.ts', { parentURL }, () => Promise.resolve({ url }));
  const page = 'file:///x/packages/web/src/b.ts';
  test('takes those of the pages with it that it imports', async () => {
    expect(await from('file:///x/packages/web/src/a.ts?fresh=p1', page)).toEqual({ url: `${page}?fresh=p1` });
    expect(await from('file:///x/packages/web/src/a.ts', page)).toEqual({ url: page });
  });
  test('leaves the engine and packages as they are', async () => {
    for (const url of ['file:///x/packages/core/src/b.ts', 'file:///x/node_modules/b/index.js', 'node:fs'])
      expect(await from('file:///x/packages/web/src/a.ts?fresh=p1', url)).toEqual({ url });
  });
});
