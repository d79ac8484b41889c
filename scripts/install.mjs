import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { localFolder, root } from './paths.mjs';
import { capture, giveUp, show } from './run.mjs';

const stampFile = join(localFolder, 'installed-lock');

/** Installs the npm packages unless the ones in node_modules belong to the lock file as it is now. */
export async function installPackages() {
  const [major] = process.versions.node.split('.').map(Number);
  if (major < 20) giveUp(`Node 20 or newer is needed; this is ${process.version}.`);
  const lock = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');
  const installed =
    existsSync(join(root, 'node_modules')) && existsSync(stampFile) && readFileSync(stampFile, 'utf8') === lock;
  if (installed) return;
  console.log('Installing packages …');
  // Not `npm ci`: it refuses a lock file made where a registry lacks some other platform's optional binaries, which this
  // platform never needs. The versions are the lock file's all the same, and nothing is written to it.
  const code = await show('npm', ['install', '--no-save', '--no-audit', '--no-fund', '--loglevel=error'], {
    cwd: root,
  });
  if (code !== 0)
    giveUp(
      'npm could not install the packages. Look at the lines above, put that right and run the same command again.',
    );
  mkdirSync(localFolder, { recursive: true });
  writeFileSync(stampFile, lock);
}

/** Installs Debian packages when `present` says they are missing and this account may; else says exactly what to run. */
export async function installDebianPackages(names, present, purpose) {
  if (present()) return;
  const command = `apt-get install -y ${names.join(' ')}`;
  const isRoot = process.getuid?.() === 0;
  const sudo = !isRoot && capture('sudo', ['-n', 'true']).status === 0;
  if (capture('apt-get', ['--version']).status !== 0 || (!isRoot && !sudo)) {
    giveUp(
      `${purpose} is missing. Run this once, then the same command again:\n  sudo apt-get update && sudo ${command}`,
    );
  }
  console.log(`Installing ${names.join(', ')} from Debian …`);
  const environment = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  const apt = (args) =>
    show(isRoot ? 'apt-get' : 'sudo', isRoot ? args : ['-n', 'apt-get', ...args], { env: environment });
  await apt(['update', '-qq']);
  await apt(['install', '-y', '-qq', '--no-install-recommends', ...names]);
  if (!present())
    giveUp(`${purpose} could not be installed. Run this by hand, then the same command again:\n  ${command}`);
}
