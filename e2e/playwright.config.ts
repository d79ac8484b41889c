import { existsSync } from 'node:fs';
import { defineConfig } from '@playwright/test';

const PORT = 4790;
/** Debian’s Chromium that has no windows to draw: the same pages in two thirds of the time. */
const WITHOUT_WINDOWS = '/usr/bin/chromium-headless-shell';
const WHOLE_WORKSHOP = [
  'agents.spec.ts',
  'evidenceFromAMaker.spec.ts',
  'gradesLibrary.spec.ts',
  'houseRules.spec.ts',
  'service.spec.ts',
  'spools.spec.ts',
];

const KILLS_THE_SERVER = 'bench.spec.ts';
/** It takes a whole workshop in: what others remove meanwhile would come back. */
const TAKES_ALL_IN = 'workshop.spec.ts';

/** Drives the built app on a database of its own. Run by `npm test` or `npm run test:e2e`. */
export default defineConfig({
  testDir: '.',
  // Most tests make parts of their own and never touch another's, so they may share the one server at once. Those that
  // change what every part is held against, the library and the house rules, come after them.
  projects: [
    { name: 'parts', testMatch: '*.spec.ts', testIgnore: [...WHOLE_WORKSHOP, KILLS_THE_SERVER, TAKES_ALL_IN] },
    { name: 'library', testMatch: WHOLE_WORKSHOP, dependencies: ['parts'] },
    // It kills the server in mid-run: nobody else may be using it.
    { name: 'bench', testMatch: KILLS_THE_SERVER, dependencies: ['library'] },
    { name: 'workshop', testMatch: TAKES_ALL_IN, dependencies: ['bench'] },
  ],
  timeout: 120_000,
  expect: { timeout: 20_000 },
  workers: 2,
  fullyParallel: true,
  retries: 0,
  reporter: [['list'], ['json']],
  outputDir: '../.local/playwright',
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
    viewport: { width: 1280, height: 800 },
    // Recording every test costs a quarter of its time: ANVILSTONE_TRACE=1 keeps what a failed one did.
    trace: process.env.ANVILSTONE_TRACE ? 'retain-on-failure' : 'off',
    screenshot: 'only-on-failure',
    launchOptions: {
      executablePath: existsSync(WITHOUT_WINDOWS) ? WITHOUT_WINDOWS : '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
  webServer: {
    command: `node serve.mjs ${PORT}`,
    url: `http://127.0.0.1:${PORT}/ready`,
    timeout: 60_000,
    gracefulShutdown: { signal: 'SIGTERM', timeout: 8000 },
  },
});
