import { existsSync } from 'node:fs';
import { defineConfig } from '@playwright/test';

/** Debian’s Chromium that has no windows to draw: the same pages in two thirds of the time. */
const WITHOUT_WINDOWS = '/usr/bin/chromium-headless-shell';

/**
 * Drives the built app. Every worker has a server, a database and a browser of its own (fixtures.ts), so that any files may run side by
 * side. Run by `npm test` or `npm run test:e2e`.
 */
export default defineConfig({
  testDir: '.',
  projects: [
    // Each test makes what it changes: those of one file may be shared out among the workers.
    { name: 'parts', testMatch: '*.spec.ts', testIgnore: 'library/**', fullyParallel: true },
    // These change what every part is held against: the library, the rules, the spools. One after the other in each file.
    { name: 'library', testMatch: 'library/*.spec.ts' },
  ],
  // A busy machine is slow and not wrong: a test that waits in vain still ends.
  timeout: 180_000,
  expect: { timeout: 45_000 },
  workers: 2,
  retries: 0,
  reporter: [['list'], ['json']],
  outputDir: '../.local/playwright',
  use: {
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
});
