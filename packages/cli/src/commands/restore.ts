import { parseArgs } from 'node:util';
import { BadInput, EXIT, readBytes, type Terminal } from '../terminal.ts';
import { ask, SERVER_OPTION, serverAddress } from '../server.ts';

interface Report {
  tables: { table: string; inArchive: number; added: number; kept: number }[];
}

/** `anvilstone restore F (--replace | --merge) [--server URL]`: an archive put back, in place of everything or beside it. */
export async function restoreCommand(args: string[], terminal: Terminal): Promise<number> {
  const { values, positionals } = parseArgs({
    args,
    allowPositionals: true,
    options: {
      replace: { type: 'boolean', default: false },
      merge: { type: 'boolean', default: false },
      ...SERVER_OPTION,
    },
  });
  const [path, ...rest] = positionals;
  if (path === undefined || rest.length > 0) throw new BadInput('name one archive (.zip)');
  if (values.replace === values.merge)
    throw new BadInput('say --replace (everything that is there goes) or --merge (what is not there yet is added)');
  const mode = values.replace ? 'mode=replace&confirm=replace%20everything' : 'mode=merge';
  const reply = await ask(serverAddress(values.server), `/api/v1/workshop/archive?${mode}`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/zip' },
    body: await readBytes(terminal, path),
  });
  const { tables } = (await reply.json()) as Report;
  for (const { table, inArchive, added, kept } of tables)
    if (inArchive > 0)
      terminal.out(
        `${table.padEnd(22)} ${String(added).padStart(7)} taken in${kept > 0 ? `, ${kept} there already` : ''}`,
      );
  return EXIT.ok;
}
