/**
 * A whole workshop out as an archive and back in: 5,000 grades, 1,000 parts, and a decision frozen over them for every hundredth part, copied to a
 * hundred. Needs a PostgreSQL:
 *   ANVILSTONE_TEST_POSTGRES=postgres://… node --import tsx bench/archive.ts   (npm run bench starts one)
 */
import { randomUUID } from 'node:crypto';
import { lampArm, sampleLibrary } from '@anvilstone/core/education/sample';
import type { Grade } from '@anvilstone/schema';
import knex from 'knex';
import { connect, migrate } from '../packages/server/src/db/connection.ts';
import { decisionService } from '../packages/server/src/decisions/service.ts';
import { upsertGrades } from '../packages/server/src/grades/repository.ts';
import { machineTable } from '../packages/server/src/machines/repository.ts';
import { insertPart } from '../packages/server/src/parts/repository.ts';
import { writeArchive } from '../packages/server/src/workshop/archive.ts';
import { restoreArchive } from '../packages/server/src/workshop/restore.ts';

const GRADES = 5000;
const PARTS = 1000;
const DECISIONS = 100;
/** Wanted: an archive in under 20 s. */
const WANTED_S = 20;

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

  const idle = process.memoryUsage().rss;
  const writing = performance.now();
  const { zip, manifest } = await writeArchive(from.db, { withKey: true });
  const writtenS = (performance.now() - writing) / 1000;
  const memoryMb = (process.memoryUsage().rss - idle) / 2 ** 20;
  const restoring = performance.now();
  await restoreArchive(to.db, zip, 'replace');
  const restoredS = (performance.now() - restoring) / 1000;
  const again = await writeArchive(to.db, { withKey: true });
  if (!again.zip.equals(zip)) throw new Error('what was restored is not what was archived');
  const rows = manifest.files.reduce((sum, one) => sum + one.rows, 0);
  console.log(
    `archive of ${GRADES} grades, ${PARTS} parts and ${DECISIONS} decisions: written in ${writtenS.toFixed(1)} s (${(WANTED_S / writtenS).toFixed(1)} of the wanted rate), ${Math.round(rows / writtenS).toLocaleString('en')} rows/s, ${(zip.length / 2 ** 20).toFixed(1)} MB, ${memoryMb.toFixed(0)} MB more memory; restored in ${restoredS.toFixed(1)} s to the identical archive. A decision over ${GRADES} grades froze in ${frozenS.toFixed(1)} s.`,
  );
} finally {
  await from.drop();
  await to.drop();
  await root.destroy();
}
