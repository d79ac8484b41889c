#!/usr/bin/env node
// `npm run drill`: faults done to a running server, worker and database while people work; prints what was sent, acknowledged and lost.
// `-- --only WORDS` runs the drills with these words in their title.
import { spawnSync } from 'node:child_process';
import { mkdirSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { installPackages } from './install.mjs';
import { root } from './paths.mjs';
import { clusterFolder } from './postgres.mjs';
import { show } from './run.mjs';

/** Filling it must not fill the machine’s. */
const DISK = 'size=1200m';

const { values } = parseArgs({ options: { only: { type: 'string', default: '' } } });
await installPackages();
const folder = clusterFolder('drill');
mkdirSync(folder, { recursive: true });
const hasDisk =
  process.getuid?.() === 0 && spawnSync('mount', ['-t', 'tmpfs', '-o', DISK, 'tmpfs', folder]).status === 0;
try {
  const args = ['--import', 'tsx', 'scripts/drill/run.ts', '--only', values.only];
  process.exitCode = await show('node', hasDisk ? [...args, '--disk', clusterFolder('drill')] : args, { cwd: root });
} finally {
  if (hasDisk) spawnSync('umount', [folder]);
}
