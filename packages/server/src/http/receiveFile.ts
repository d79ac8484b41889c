import { randomUUID } from 'node:crypto';
import { createWriteStream } from 'node:fs';
import { mkdir, readdir, rm, stat, statfs } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import type { RequestHandler } from 'express';
import { HttpProblem } from './problems.ts';

/** A body as a file: it may be larger than memory. It is gone with the request, unless somebody takes it. */
export interface ReceivedFile {
  bytes: number;
  /** Where it is from now on whoever asks has to remove it. */
  take(): string;
  /** Where it is until the request is answered. */
  path: string;
}

/** Left by a process that was killed. */
const FORGOTTEN_MS = 2 * 24 * 3.6e6;

export const receivedFiles = () => process.env.ANVILSTONE_UPLOADS ?? join(tmpdir(), 'anvilstone-uploads');

/** @throws HttpProblem 413: longer than `most` bytes; 507: there is no room for it. Told before it is read where it says how long it is */
export const receiveFile =
  (most: number): RequestHandler =>
  async (req, res, next) => {
    const folder = receivedFiles();
    const stated = Number(req.headers['content-length'] ?? 0);
    if (stated > most) throw tooLong(most);
    await mkdir(folder, { recursive: true, mode: 0o700 });
    await removeForgotten(folder);
    const { bavail, bsize } = await statfs(folder);
    if (stated > bavail * bsize)
      throw new HttpProblem(
        507,
        'disk-full',
        'The server’s disk is full',
        'There is no room to receive the file. Nothing was changed.',
      );
    const path = join(folder, randomUUID());
    let isTaken = false;
    let bytes = 0;
    res.once('close', () => void (isTaken || rm(path, { force: true })));
    await pipeline(
      req,
      async function* (chunks: AsyncIterable<Buffer>) {
        for await (const chunk of chunks) {
          bytes += chunk.length;
          if (bytes > most) throw tooLong(most);
          yield chunk;
        }
      },
      createWriteStream(path, { flags: 'wx', mode: 0o600 }),
    );
    req.body = {
      path,
      bytes,
      take() {
        isTaken = true;
        return path;
      },
    } satisfies ReceivedFile;
    next();
  };

const tooLong = (most: number) =>
  new HttpProblem(
    413,
    'too-large',
    'The body is too large',
    `At most ${Math.round(most / 1e6)} MB is accepted. Nothing was changed.`,
  );

async function removeForgotten(folder: string): Promise<void> {
  for (const name of await readdir(folder)) {
    const path = join(folder, name);
    const { mtimeMs } = await stat(path).catch(() => ({ mtimeMs: Infinity }));
    if (Date.now() - mtimeMs > FORGOTTEN_MS) await rm(path, { force: true });
  }
}
