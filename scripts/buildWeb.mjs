import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { localFolder, root } from './paths.mjs';
import { capture, giveUp } from './run.mjs';

const SOURCES = ['packages/web', 'packages/core', 'packages/schema', 'package-lock.json'];
const SKIPPED = new Set(['node_modules', 'dist']);

/** Builds the pages unless those in dist were made from the sources as they are now. */
export async function buildWeb() {
  const stampFile = join(localFolder, 'built-from');
  const fingerprint = fingerprintOf(SOURCES.map((source) => join(root, source)));
  const index = join(root, 'packages/web/dist/index.html');
  if (existsSync(index) && existsSync(stampFile) && readFileSync(stampFile, 'utf8') === fingerprint) return;
  console.log('Building the pages …');
  const built = capture('npm', ['run', 'build', '--silent'], { cwd: root });
  if (built.status !== 0) giveUp(`The pages could not be built:\n${built.output}`);
  mkdirSync(localFolder, { recursive: true });
  writeFileSync(stampFile, fingerprint);
}

function fingerprintOf(paths) {
  const hash = createHash('sha256');
  const visit = (path) => {
    if (statSync(path).isDirectory()) {
      for (const name of readdirSync(path).sort()) if (!SKIPPED.has(name)) visit(join(path, name));
    } else hash.update(path).update(readFileSync(path));
  };
  paths.forEach(visit);
  return hash.digest('hex');
}
