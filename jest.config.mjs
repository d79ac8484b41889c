import { fileURLToPath } from 'node:url';

const here = (file) => fileURLToPath(new URL(file, import.meta.url));
const inWeb = (file) => here(`packages/web/src/${file}`);
const project = (name, extra = {}) => ({
  displayName: name,
  rootDir: `packages/${name}`,
  testMatch: ['<rootDir>/src/**/*.test.ts', '<rootDir>/src/**/*.test.tsx'],
  // Node takes TypeScript in by itself there; nothing runs in a context of its own.
  runner: here('scripts/jest/LightRunner.mjs'),
  transform: {},
  ...extra,
});

/** One project a package; those that take longest come first. Server tests need ANVILSTONE_TEST_POSTGRES, which `npm test` sets. */
export default {
  globalSetup: here('scripts/beforeJest.mjs'),
  // Some tests start a process, make a PDF or a whole workbook; on a busy machine that takes far longer than the default 5 s.
  testTimeout: 180_000,
  projects: [
    project('server'),
    // The whole app in a document, clicked and typed into; the engine answers as the worker would, when it can.
    project('web', {
      displayName: 'screens',
      testMatch: ['<rootDir>/src/**/*.screen.test.tsx'],
      setupFiles: [here('scripts/jest/browserGlobals.mjs'), here('scripts/jest/shippedReact.mjs')],
      setupFilesAfterEnv: [inWeb('testing/testDocument.ts')],
      moduleNameMapper: {
        '\\?raw$': inWeb('testing/testRaw.ts'),
        '^comlink$': inWeb('workers/testComlink.ts'),
        '/engine\\.ts$': inWeb('workers/testEngine.ts'),
      },
    }),
    project('core', { setupFiles: [here('scripts/jest/sameDraws.mjs')] }),
    project('web', {
      testPathIgnorePatterns: ['/node_modules/', '\\.screen\\.test\\.tsx$'],
      setupFiles: [here('scripts/jest/shippedReact.mjs')],
      // Pages are drawn without a browser and its workers: the engine is asked in the same process.
      moduleNameMapper: {
        '\\?raw$': inWeb('testing/testRaw.ts'),
        '^comlink$': inWeb('workers/testComlink.ts'),
        '/workers/useAnswers?\\.ts$': inWeb('workers/testAnswer.ts'),
      },
    }),
    project('cli'),
    project('schema'),
    project('scripts', { rootDir: 'scripts', testMatch: ['<rootDir>/**/*.test.mjs'] }),
    // What the engine is held against must agree with it.
    project('bench', { rootDir: 'bench', testMatch: ['<rootDir>/**/*.test.ts'] }),
  ],
};
