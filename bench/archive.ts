/**
 * A whole workshop out as an archive and back in: 5,000 grades, 1,000 parts, a decision frozen over them copied to a hundred, and photos of
 * 400 MB. Needs a PostgreSQL:
 *   ANVILSTONE_TEST_POSTGRES=postgres://… node --import tsx bench/archive.ts   (npm run bench starts one)
 */
import { createHash, randomBytes, randomUUID } from 'node:crypto';
import { createReadStream, createWriteStream } from 'node:fs';
import { mkdtemp, rm, stat } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { monitorEventLoopDelay } from 'node:perf_hooks';
import { lampArm, sampleLibrary } from '@anvilstone/core/education/sample';
import type { Grade } from '@anvilstone/schema';
import knex from 'knex';
import { connect, migrate } from '../packages/server/src/db/connection.ts';
import { decisionService } from '../packages/server/src/decisions/service.ts';
import { upsertGrades } from '../packages/server/src/grades/repository.ts';
import { machineTable } from '../packages/server/src/machines/repository.ts';
import { insertPart } from '../packages/server/src/parts/repository.ts';
import { writeArchive } from '../packages/server/src/workshop/archive/write.ts';
import { restoreArchive } from '../packages/server/src/workshop/restore.ts';

const GRADES = 5000;
const PARTS = 1000;
const DECISIONS = 100;
const PHOTOS = 80;
const PHOTO_BYTES = 5_000_000;
/** Wanted: memory that does not grow with the archive, and a loop that answers meanwhile. */
const WANTED = { memoryMb: 150, stallMs: 250 };

const admin = process.env.ANVILSTONE_TEST_POSTGRES;
if (!admin) throw new Error('ANVILSTONE_TEST_POSTGRES is not set; run “npm run bench”');
const root = knex({ client: 'pg', connection: admin });
const database = async () => {
  const name = `bench_${randomUUID().replaceAll('-', '')}`;
  await root.raw(`create database ${name}`);
  const url = new URL(admin);
  url.pathname = `/${name}`;
  const db = connect(url.href);
  await migrate(db);
  return {
    db,
    drop: async () => {
      await db.destroy();
      await root.raw(`drop database ${name} with (force)`);
    },
  };
};

const grades = Array.from({ length: GRADES }, (_, i): Grade => {
  const grade = sampleLibrary.grades[i % sampleLibrary.grades.length]!;
  return { ...grade, id: `${grade.id}-${i}`, name: `${grade.name} ${i}` };
});
interface Measured {
  seconds: number;
  memoryMb: number;
  stallMs: number;
}
/** How long it takes, by how much memory grows at most, and for how long nothing else could be answered. */
async function measured(work: () => Promise<unknown>): Promise<Measured> {
  const idle = process.memoryUsage().rss;
  let most = idle;
  const timer = setInterval(() => (most = Math.max(most, process.memoryUsage().rss)), 50);
  const delay = monitorEventLoopDelay({ resolution: 10 });
  delay.enable();
  const started = performance.now();
  await work();
  const seconds = (performance.now() - started) / 1000;
  delay.disable();
  clearInterval(timer);
  return { seconds, memoryMb: Math.max(1, (most - idle) / 2 ** 20), stallMs: delay.max / 1e6 };
}
async function digestOf(path: string): Promise<string> {
  const digest = createHash('sha256');
  for await (const chunk of createReadStream(path)) digest.update(chunk as Buffer);
  return digest.digest('hex');
}

const folder = await mkdtemp(join(tmpdir(), 'anvilstone-bench-'));
const [from, to] = [await database(), await database()];
try {
  await upsertGrades(from.db, grades, 'delivered');
  await machineTable.upsert(from.db, sampleLibrary.machines);
  const ids: string[] = [];
  for (let i = 0; i < PARTS; i++) {
    const id = randomUUID();
    ids.push(id);
    await insertPart(from.db, id, { ...lampArm, title: `Arm ${i}` });
  }
  const started = performance.now();
  const made = await decisionService(from.db).freeze(ids[0]!, {
    partRevision: 1,
    gradeId: grades[0]!.id,
    orientation: 'XZ',
    reasons: 'A choice of the bench.',
    openRisks: 'None of it is real.',
    decidedBy: 'bench',
  });
  const frozenS = (performance.now() - started) / 1000;
  for (let i = 1; i < DECISIONS; i++)
    await from.db.raw(
      `insert into decisions (id, part_id, part_revision, decided_at, decided_by, grade_id, grade_name, orientation, reasons, frozen)
       select ?, ?, part_revision, decided_at, decided_by, grade_id, grade_name, orientation, reasons, frozen from decisions where id = ?`,
      [randomUUID(), ids[i]!, made.id],
    );

  await from.db('campaigns').insert({ id: 'bench', revision: 1, document: '{}' });
  for (let i = 0; i < PHOTOS; i++)
    await from.db.raw(
      `insert into attachments (id, campaign_id, at, document, content) values (?, 'bench', now(), '{}', ?)`,
      [randomUUID(), randomBytes(PHOTO_BYTES)],
    );

  const [path, again] = [join(folder, 'a.zip'), join(folder, 'b.zip')];
  const written = await measured(() => writeArchive(from.db, createWriteStream(path), { withKey: true }));
  const restored = await measured(() => restoreArchive(to.db, path, { mode: 'replace' }));
  await writeArchive(to.db, createWriteStream(again), { withKey: true });
  if ((await digestOf(path)) !== (await digestOf(again))) throw new Error('what was restored is not what was archived');
  const megabytes = (await stat(path)).size / 1e6;
  const told = ({ seconds, memoryMb, stallMs }: Measured) =>
    `${seconds.toFixed(1)} s, ${(megabytes / seconds).toFixed(0)} MB/s, ${memoryMb.toFixed(0)} MB more memory (${(WANTED.memoryMb / memoryMb).toFixed(1)} of what is wanted), longest stall ${stallMs.toFixed(0)} ms (${(WANTED.stallMs / stallMs).toFixed(1)} of what is wanted)`;
  console.log(
    `archive of ${megabytes.toFixed(0)} MB, ${GRADES} grades, ${PARTS} parts and ${DECISIONS} decisions: written in ${told(written)}; restored in ${told(restored)}, to the identical archive. A decision over ${GRADES} grades froze in ${frozenS.toFixed(1)} s.`,
  );
} finally {
  await from.drop();
  await to.drop();
  await root.destroy();
  await rm(folder, { recursive: true, force: true });
}
