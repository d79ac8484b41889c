import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Writable } from 'node:stream';
import type { DecisionSummary, Job } from '@anvilstone/schema';
import request from 'supertest';
import { testServer } from '../testServer.ts';
import type { ArchiveManifest } from './archive/format.ts';
import { writeArchive } from './archive/write.ts';
import { restoreArchive, type RestoreReport } from './restore.ts';

type Server = Awaited<ReturnType<typeof testServer>>;

/** Bytes of every value, and more of them than stand in a line. */
export const PHOTO = Buffer.from(Array.from({ length: 2_300_001 }, (_, i) => (i * 31 + (i >> 8)) % 256));

/** One server with everything in it and an empty one, and a folder of their own for files. Used by tests only. */
export async function twoServers() {
  const folder = await mkdtemp(join(tmpdir(), 'anvilstone-archives-'));
  // What other tests receive at the same time is none of theirs.
  process.env.ANVILSTONE_UPLOADS = join(folder, 'uploads');
  const here = await testServer({ demo: true, records: true });
  const fresh = await testServer();
  // A photo, bytes of every value: what is not text has to come back too.
  await here.db.raw(`insert into finding_photos (id, finding_id, at, document, content)
    select '0a7c1d00-0000-4000-8000-0000000000f1', id, '2026-03-01T10:20:30.123456Z', '{"name":"ä \\" \\\\ .png"}', decode('000102ff0a0d80', 'hex')
    from service_findings order by id limit 1`);
  // Large ones have files of their own: two alike one file.
  for (const id of [2, 3])
    await here.db.raw(
      `insert into finding_photos (id, finding_id, at, document, content)
       select ?, id, '2026-03-01T10:20:30Z', '{"name":"large"}', ?::bytea from service_findings order by id limit 1`,
      [`0a7c1d00-0000-4000-8000-0000000000f${id}`, PHOTO],
    );
  return {
    here,
    fresh,
    folder,
    restored: (server: Server, zip: Buffer) => restored(folder, server, zip),
    async close() {
      await here.close();
      await fresh.close();
      delete process.env.ANVILSTONE_UPLOADS;
      await rm(folder, { recursive: true, force: true });
    },
  };
}
export type TwoServers = Awaited<ReturnType<typeof twoServers>>;

const DECISION_EXPORTS = ['json', 'csv', 'html'];
/** What everybody can see of a workspace. */
export const exportsOf = async (server: Server): Promise<string[]> => {
  const get = async (path: string) => (await request(server.app).get(path).expect(200)).text;
  const decisions = JSON.parse(await get('/api/v1/decisions')) as DecisionSummary[];
  const records = await Promise.all(
    decisions.flatMap(({ id }) => DECISION_EXPORTS.map((kind) => get(`/api/v1/decisions/${id}/export.${kind}`))),
  );
  const lists = [
    'parts',
    'library',
    'machines',
    'spools',
    'campaigns',
    'installations',
    'service-findings',
    'company-rules',
  ];
  return [...records, ...(await Promise.all(lists.map((path) => get(`/api/v1/${path}`))))];
};
export const post = (server: Server, query: string, zip: Buffer) =>
  request(server.app).post(`/api/v1/workshop/archive${query}`).set('Content-Type', 'application/zip').send(zip);

export async function archiveOf(server: Server, withKey = true): Promise<{ zip: Buffer; manifest: ArchiveManifest }> {
  const chunks: Buffer[] = [];
  const sink = new Writable({
    write(chunk: Buffer, _encoding, done) {
      chunks.push(chunk);
      done();
    },
  });
  const manifest = await writeArchive(server.db, sink, { withKey });
  return { zip: Buffer.concat(chunks), manifest };
}
async function restored(folder: string, server: Server, zip: Buffer): Promise<RestoreReport> {
  const path = join(folder, 'restored.zip');
  await writeFile(path, zip);
  return restoreArchive(server.db, path, { mode: 'replace' });
}
/** The job that takes it in, when it is over. */
export async function ended(server: Server, { text }: { text: string }): Promise<Job> {
  const { id } = JSON.parse(text) as Job;
  for (;;) {
    await server.jobs.idle();
    const job = await server.jobs.get(id);
    if (job.state !== 'waiting' && job.state !== 'running') return job;
  }
}
