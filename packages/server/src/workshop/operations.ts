import type { Writable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { job } from '@anvilstone/schema';
import { Type } from '@sinclair/typebox';
import type { Knex } from 'knex';
import { addSample } from '../db/seeds/addSample.ts';
import type { Operation } from '../http/operation.ts';
import { HttpProblem, invalidInput, notFound } from '../http/problems.ts';
import { textOf } from '../http/query.ts';
import type { ReceivedFile } from '../http/receiveFile.ts';
import type { Streamed } from '../http/reply.ts';
import { MOST_ARCHIVE_BYTES } from './archive/format.ts';
import { writeArchive } from './archive/write.ts';
import type { BackupService } from './backups.ts';
import { checkArchive } from './restore.ts';
import type { RestoreService } from './restoring.ts';

/** Typed by whoever replaces everything. */
const REPLACE_WORDS = 'replace everything';

const backupFile = Type.Object({
  name: Type.String(),
  at: Type.String(),
  bytes: Type.Integer(),
  byHand: Type.Boolean(),
});
export function workshopOperations(db: Knex, backups: BackupService, restores: RestoreService): Operation[] {
  const zipReply = (body: Streamed, name: string) => ({
    body,
    headers: {
      'Content-Type': 'application/zip',
      'Content-Disposition': `attachment; filename="${name}"`,
      'Cache-Control': 'no-store',
    },
  });
  return [
    {
      id: 'exportWorkshop',
      method: 'get',
      path: '/workshop/archive.zip',
      needs: 'administrator',
      summary: 'All data as an archive of JSON lines; ?key=with to hold the sealing key too, as a backup does',
      answer: { mediaType: 'application/zip' },
      handle({ query }) {
        const withKey = textOf(query, 'key') === 'with';
        const body = { writeTo: (sink: Writable) => writeArchive(db, sink, { withKey }) };
        return Promise.resolve(zipReply(body, withKey ? 'anvilstone-backup.zip' : 'anvilstone-workshop.zip'));
      },
    },
    {
      id: 'checkWorkshop',
      method: 'post',
      path: '/workshop/archive/check',
      needs: 'administrator',
      summary: 'What an archive holds, and whether it is whole; nothing is changed',
      fileBodyBytes: MOST_ARCHIVE_BYTES,
      answer: Type.Unsafe<unknown>({ type: 'object' }),
      handle: async ({ body }) => ({ body: await checkArchive(fileIn(body).path) }),
    },
    {
      id: 'importWorkshop',
      method: 'post',
      path: '/workshop/archive',
      needs: 'administrator',
      summary: `Take an archive in, as a job: ?mode=merge adds what is not here; ?mode=replace puts it in the place of everything and wants ?confirm=${REPLACE_WORDS}`,
      fileBodyBytes: MOST_ARCHIVE_BYTES,
      answer: job,
      status: 202,
      async handle({ query, body }) {
        const mode = textOf(query, 'mode') ?? 'merge';
        if (mode !== 'merge' && mode !== 'replace')
          throw invalidInput([
            { pointer: '/mode', detail: `“${mode}” is no way to take it in`, accepted: 'merge or replace' },
          ]);
        if (mode === 'replace' && textOf(query, 'confirm') !== REPLACE_WORDS)
          throw invalidInput([
            {
              pointer: '/confirm',
              detail: 'Everything that is here would be gone',
              accepted: `the words “${REPLACE_WORDS}”`,
            },
          ]);
        return { body: await restores.begin(fileIn(body).take(), mode) };
      },
    },
    {
      id: 'addSample',
      method: 'post',
      path: '/workshop/sample',
      summary: 'Add the sample grades and machines, and with `withParts` the sample parts; what is here stays as it is',
      body: Type.Object({ withParts: Type.Boolean() }, { additionalProperties: false }),
      answer: Type.Object({ grades: Type.Integer(), machines: Type.Integer(), parts: Type.Integer() }),
      handle: async ({ body }) => ({ body: await addSample(db, body as { withParts: boolean }) }),
    },
    {
      id: 'listBackups',
      method: 'get',
      path: '/workshop/backups',
      needs: 'administrator',
      summary: 'Backups that this server keeps, newest first',
      answer: Type.Object({
        folder: Type.Optional(Type.String()),
        everyH: Type.Number(),
        keep: Type.Integer(),
        files: Type.Array(backupFile),
        trouble: Type.Union([Type.String(), Type.Null()]),
      }),
      handle: async () => ({ body: await backups.state() }),
    },
    {
      id: 'makeBackup',
      method: 'post',
      path: '/workshop/backups',
      needs: 'administrator',
      summary: 'Make a backup now, as a job; it is read back before it counts',
      answer: job,
      status: 202,
      async handle() {
        if ((await backups.state()).folder === undefined)
          throw new HttpProblem(
            409,
            'no-backups',
            'No folder for backups',
            'This server was started without a folder for backups.',
          );
        return { body: await backups.ask({ byHand: true }) };
      },
    },
    {
      id: 'getBackup',
      method: 'get',
      path: '/workshop/backups/:name',
      needs: 'administrator',
      summary: 'A backup, as it was made; it holds the sealing key: keep it private',
      answer: { mediaType: 'application/zip' },
      async handle({ params }) {
        const file = await backups.read(params.name!);
        if (!file) throw notFound('backup', params.name!);
        return zipReply({ writeTo: (sink) => pipeline(file, sink) }, params.name!);
      },
    },
  ];
}

function fileIn(body: unknown): ReceivedFile {
  const file = body as ReceivedFile | undefined;
  if (file && file.bytes > 0) return file;
  throw invalidInput([{ pointer: '/file', detail: 'There is no file', accepted: 'an Anvilstone archive (.zip)' }]);
}
