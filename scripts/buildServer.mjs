#!/usr/bin/env node
// Puts the server into a few files: Node starts them in a quarter of the time that it takes for hundreds of sources translated on the way.
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { build } from 'esbuild';
import { root } from './paths.mjs';

const folder = join(root, 'packages/server');

/** Installed below the package that wants it, where the built server would not find it. */
const TAKEN_IN = new Set(['ajv', 'ajv-formats']);

/** The file to start. */
export const builtServer = join(folder, 'dist/main.mjs');

/** Takes a fifth of a second, so that it is done whenever a server is to be started: what is there is never stale. */
export async function buildServer() {
  await build({
    absWorkingDir: folder,
    // The second is the entry of the server's own thread.
    entryPoints: { main: 'src/main.ts', worker: 'src/exchange/threadEntry.ts' },
    outdir: 'dist',
    outExtension: { '.js': '.mjs' },
    bundle: true,
    splitting: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    sourcemap: true,
    external: ['schema', 'core', 'server'].flatMap(dependenciesOf).filter((name) => !TAKEN_IN.has(name)),
    logLevel: 'warning',
  });
}

function dependenciesOf(name) {
  const { dependencies } = JSON.parse(readFileSync(join(root, 'packages', name, 'package.json'), 'utf8'));
  return Object.keys(dependencies).filter((name) => !name.startsWith('@anvilstone/'));
}
