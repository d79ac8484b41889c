import { job } from '@anvilstone/schema';
import { Type } from '@sinclair/typebox';
import type { Knex } from 'knex';
import { addSample } from '../db/seeds/addSample.ts';
import type { Operation } from '../http/operation.ts';
import { HttpProblem, invalidInput, notFound } from '../http/problems.ts';
import { textOf } from '../http/query.ts';
import { writeArchive } from './archive.ts';
import type { BackupService } from './backups.ts';
import { readArchive, restoreArchive } from './restore.ts';

/** What a workshop of thousands of parts with their photos comes to. */
const MOST_BYTES = 1_000_000_000;
/** Typed by whoever replaces everything. */
const REPLACE_WORDS = 'replace everything';

const backupFile = Type.Object({ name: Type.String(), at: Type.String(), bytes: Type.Integer() });
const report = Type.Object({
  mode: Type.String(),
  tables: Type.Array(
    Type.Object({
      table: Type.String(),
      inArchive: Type.Integer(),
      added: Type.Integer(),
      kept: Type.Integer(),
    }),
  ),
});

export function workshopOperations(db: Knex, backups: BackupService): Operation[] {
  const zipReply = (zip: Buffer, name: string) => ({
    body: zip,
    headers: { 'Content-Type': 'application/zip', 'Content-Disposition': `attachment; filename="${name}"` },
  });
  return [
    {
      id: 'exportWorkshop',
      method: 'get',
      path: '/workshop/archive.zip',
      needs: 'administrator',
      summary: 'All data as an archive of JSON lines; ?key=with to hold the sealing key too, as a backup does',
      answer: { mediaType: 'application/zip' },
      async handle({ query }) {
        const withKey = textOf(query, 'key') === 'with';
        const { zip } = await writeArchive(db, { withKey });
        return zipReply(zip, withKey ? 'anvilstone-backup.zip' : 'anvilstone-workshop.zip');
      },
    },
    {
      id: 'checkWorkshop',
      method: 'post',
      path: '/workshop/archive/check',
      needs: 'administrator',
      summary: 'What an archive holds, and whether it is whole; nothing is changed',
      rawBodyBytes: MOST_BYTES,
      answer: Type.Unsafe<unknown>({ type: 'object' }),
      handle: ({ body }) => Promise.resolve({ body: readArchive(fileIn(body)).manifest }),
    },
    {
      id: 'importWorkshop',
      method: 'post',
      path: '/workshop/archive',
      needs: 'administrator',
      summary: `Take an archive in: ?mode=merge adds what is not here; ?mode=replace puts it in the place of everything and wants ?confirm=${REPLACE_WORDS}`,
      rawBodyBytes: MOST_BYTES,
      answer: report,
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
        return { body: await restoreArchive(db, fileIn(body), mode) };
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
        return { body: await backups.ask() };
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
        const zip = await backups.read(params.name!);
        if (!zip) throw notFound('backup', params.name!);
        return zipReply(zip, params.name!);
      },
    },
  ];
}

function fileIn(body: unknown): Uint8Array {
  if (Buffer.isBuffer(body) && body.length > 0) return body;
  throw invalidInput([{ pointer: '/file', detail: 'There is no file', accepted: 'an Anvilstone archive (.zip)' }]);
}
