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
  const bytes = new Uint8Array(await reply.arrayBuffer());
  await terminal.writeFile(values.out, bytes);
  terminal.out(
    `${values.out}: ${(bytes.length / 1e6).toFixed(1)} MB.${withKey ? ' It holds the key that seals records: keep it private.' : ''}`,
  );
  return EXIT.ok;
}
