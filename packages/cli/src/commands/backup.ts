import { createWriteStream } from 'node:fs';
import { rename, rm, stat } from 'node:fs/promises';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { ReadableStream } from 'node:stream/web';
import { parseArgs } from 'node:util';
import { BadInput, EXIT, type Terminal } from '../terminal.ts';
import { ask, SERVER_OPTION, serverAddress } from '../server.ts';

/** `anvilstone backup --out F [--server URL] [--without-key]`: the whole workshop as one archive. */
export async function backupCommand(args: string[], terminal: Terminal): Promise<number> {
  const { values } = parseArgs({
    args,
    options: { out: { type: 'string' }, 'without-key': { type: 'boolean', default: false }, ...SERVER_OPTION },
  });
  if (values.out === undefined) throw new BadInput('--out is missing: name the archive to write (.zip)');
  const withKey = !values['without-key'];
  const reply = await ask(serverAddress(values.server), `/api/v1/workshop/archive.zip${withKey ? '?key=with' : ''}`);
  const bytes = await receive(reply, values.out);
  terminal.out(
    `${values.out}: ${(bytes / 1e6).toFixed(1)} MB.${withKey ? ' It holds the key that seals records: keep it private.' : ''}`,
  );
  return EXIT.ok;
}

/** Written as it comes: it may be larger than memory. Under another name until it is whole: half a backup is none. */
async function receive({ body }: Response, out: string): Promise<number> {
  const part = `${out}.part`;
  try {
    await pipeline(Readable.fromWeb(body as ReadableStream), createWriteStream(part, { mode: 0o600 }));
    await rename(part, out);
    return (await stat(out)).size;
  } catch (error) {
    await rm(part, { force: true });
    throw new BadInput(`${out} was not written: ${(error as Error).message}`);
  }
}
