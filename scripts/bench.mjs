#!/usr/bin/env node
// `npm run bench`: every benchmark, with a PostgreSQL of its own for those that need one.
import { join } from 'node:path';
import { installPackages } from './install.mjs';
import { localFolder, root } from './paths.mjs';
import { startPostgres } from './postgres.mjs';
import { show } from './run.mjs';

await installPackages();
const { testRole } = await import('./database.mjs');
const { build } = await import('vite');

/** The evaluation is measured as the browser gets it: bundled, without the names that the TypeScript loader keeps. */
async function bundle(file) {
  const outDir = join(localFolder, 'bench');
  await build({
    root,
    configFile: false,
    logLevel: 'error',
    ssr: { noExternal: true },
    build: { ssr: file, outDir, target: 'es2022', rollupOptions: { output: { entryFileNames: '[name].mjs' } } },
  });
  return join(outDir, file.replace(/^.*\//, '').replace(/\.ts$/, '.mjs'));
}

const cluster = await startPostgres('test');
const env = { ...process.env, ANVILSTONE_TEST_POSTGRES: (await testRole(cluster))('postgres') };
let failed = 0;
try {
  console.log('\n— bench/evaluate.ts');
  failed += await show('node', ['--expose-gc', await bundle('bench/evaluate.ts')], { cwd: root, env });
  console.log('\n— bench/againstPlain.ts');
  failed += await show('node', [await bundle('bench/againstPlain.ts')], { cwd: root, env });
  console.log('\n— bench/twoCores.ts');
  failed += await show('node', [await bundle('bench/twoCores.ts')], { cwd: root, env });
  console.log('\n— bench/serving.ts');
  failed += await show('node', ['--import', 'tsx', 'bench/serving.ts'], { cwd: root, env });
  console.log('\n— bench/mesh.ts');
  failed += await show('node', ['--expose-gc', await bundle('bench/mesh.ts')], { cwd: root, env });
  console.log('\n— bench/dryer.ts');
  failed += await show('node', [await bundle('bench/dryer.ts')], { cwd: root, env });
  console.log('\n— bench/curve.ts');
  failed += await show('node', [await bundle('bench/curve.ts')], { cwd: root, env });
  console.log('\n— bench/library.ts');
  failed += await show('node', ['--expose-gc', '--import', 'tsx', 'bench/library.ts'], { cwd: root, env });
  console.log('\n— bench/workspaces.ts');
  failed += await show('node', ['--import', 'tsx', 'bench/workspaces.ts', '200'], { cwd: root, env });
  console.log('\n— bench/archive.ts');
  failed += await show('node', ['--import', 'tsx', 'bench/archive.ts'], { cwd: root, env });
} finally {
  cluster.stop();
}
process.exit(failed === 0 ? 0 : 1);
