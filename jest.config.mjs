import { fileURLToPath } from 'node:url';

const inWeb = (file) => fileURLToPath(new URL(`packages/web/src/${file}`, import.meta.url));
const swc = [
  '@swc/jest',
  {
    jsc: {
      target: 'es2022',
      parser: { syntax: 'typescript', tsx: true },
      transform: { react: { runtime: 'automatic' } },
    },
    module: { type: 'commonjs' },
  },
];
const project = (name, extra = {}) => ({
  displayName: name,
  rootDir: `packages/${name}`,
  testMatch: ['<rootDir>/src/**/*.test.ts', '<rootDir>/src/**/*.test.tsx'],
  transform: { '^.+\\.(ts|tsx|mjs|js)$': swc },
  // These packages are ES modules only.
  transformIgnorePatterns: [
    '/node_modules/(?!(ml-levenberg-marquardt|ml-matrix|is-any-array|d3|d3-[a-z-]+|internmap|delaunator|robust-predicates)/)',
  ],
  // Tests run in a context whose every look at a global is slow, and the engine looks for Math a great deal.
  sandboxInjectedGlobals: ['Math', 'Number', 'Object', 'Array', 'Map', 'Set', 'Float64Array', 'Symbol'],
  ...extra,
});

/** One project a package; server tests need ANVILSTONE_TEST_DATABASE_URL, which `npm test` sets. */
export default {
  globalSetup: fileURLToPath(new URL('scripts/beforeJest.mjs', import.meta.url)),
  // Some tests start a process, make a PDF or a whole workbook; on a busy machine that takes far longer than the default 5 s.
  testTimeout: 180_000,
  projects: [
    project('schema'),
    project('core'),
    project('cli'),
    project('server', {
      setupFiles: [fileURLToPath(new URL('packages/server/src/testQueueWaits.cjs', import.meta.url))],
    }),
    project('web', {
      testPathIgnorePatterns: ['/node_modules/', '\\.screen\\.test\\.tsx$'],
      // Pages are drawn without a browser and its workers: the engine is asked in the same process.
      moduleNameMapper: {
        '\\?raw$': inWeb('testRaw.ts'),
        '^comlink$': inWeb('workers/testComlink.ts'),
        '/workers/useComputed\\.ts$': inWeb('workers/testComputed.ts'),
      },
    }),
    // The whole app in a document, clicked and typed into; the engine answers as the worker would, when it can.
    project('web', {
      displayName: 'screens',
      testMatch: ['<rootDir>/src/**/*.screen.test.tsx'],
      testEnvironment: 'jest-fixed-jsdom',
      setupFilesAfterEnv: [inWeb('testDocument.ts')],
      moduleNameMapper: {
        '\\?raw$': inWeb('testRaw.ts'),
        '^comlink$': inWeb('workers/testComlink.ts'),
        '/engine\\.ts$': inWeb('workers/testEngine.ts'),
      },
    }),
    // What the engine is held against must agree with it.
    project('bench', { rootDir: 'bench', testMatch: ['<rootDir>/**/*.test.ts'] }),
  ],
};
