import { openAsBlob } from 'node:fs';
import { setTimeout as wait } from 'node:timers/promises';
import { parseArgs } from 'node:util';
import { BadInput, EXIT, type Terminal } from '../terminal.ts';
import type { Job } from '@anvilstone/schema';
import { ask, SERVER_OPTION, serverAddress } from '../server.ts';

interface Report {
  tables: { table: string; inArchive: number; added: number; kept: number }[];
}
const LOOK_MS = 300;

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
  const server = serverAddress(values.server);
  const reply = await ask(server, `/api/v1/workshop/archive?${mode}`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/zip' },
    body: await fileAt(path),
  });
  const { tables } = await result(server, (await reply.json()) as Job);
  for (const { table, inArchive, added, kept } of tables)
    if (inArchive > 0)
      terminal.out(
        `${table.padEnd(22)} ${String(added).padStart(7)} taken in${kept > 0 ? `, ${kept} there already` : ''}`,
      );
  return EXIT.ok;
}

/** A file that is read as it is sent: it may be larger than memory. */
async function fileAt(path: string): Promise<Blob> {
  try {
    return await openAsBlob(path);
  } catch (error) {
    throw new BadInput(`${path} cannot be read: ${(error as Error).message}`);
  }
}

/** Waits until it is over. @throws BadInput it came to nothing, in the server’s words */
async function result(server: URL, begun: Job): Promise<Report> {
  let job = begun;
  while (job.state === 'waiting' || job.state === 'running') {
    await wait(LOOK_MS);
    job = (await (await ask(server, `/api/v1/jobs/${begun.id}`)).json()) as Job;
  }
  if (job.state !== 'done') throw new BadInput(job.failure ?? 'it was stopped; nothing was changed');
  return job.result as Report;
}
