import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { sampleLibrary } from '@anvilstone/core/education/sample';
import type { Grade, GradeRecord, ImportJob, ImportRows, ImportSettings, Library, Problem } from '@anvilstone/schema';
import request from 'supertest';
import { testServer } from '../testServer.ts';

let server: Awaited<ReturnType<typeof testServer>>;
beforeAll(async () => {
  server = await testServer({ works: true, demo: true });
});
afterAll(() => server.close());

const api = () => request(server.app);
const json = <T>(response: { text: string }) => JSON.parse(response.text) as T;
const messy = readFileSync(join(import.meta.dirname, '../../../../docs/examples/nine-elms-grades.csv'));
const library = async () => json<Library>(await api().get('/api/v1/library')).grades;
const states = ['reading', 'committing'];

async function settled(id: string): Promise<ImportJob> {
  for (let i = 0; i < 600; i++) {
    const job = json<ImportJob>(await api().get(`/api/v1/imports/${id}`).expect(200));
    if (!states.includes(job.state)) return job;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  throw new Error('The import did not settle');
}
async function handIn(file: Buffer | string, fileName = 'sheet.csv'): Promise<ImportJob> {
  const started = json<ImportJob>(
    await api()
      .post(`/api/v1/imports?fileName=${encodeURIComponent(fileName)}`)
      .set('Content-Type', 'application/octet-stream')
      .send(file)
      .expect(202),
  );
  return settled(started.id);
}
async function change(id: string, settings: ImportSettings): Promise<ImportJob> {
  await api().put(`/api/v1/imports/${id}/settings`).send(settings).expect(202);
  return settled(id);
}

test('a messy sheet: handed in, asked about, answered, written, and again: nothing to do', async () => {
  const before = await library();
  const job = await handIn(messy, 'nine-elms.csv');
  expect(job).toMatchObject({ state: 'ready', plan: { format: 'csv', delimiter: ';', decimal: 'comma' } });
  expect(job.plan!.errorCount).toBe(7); // no maker
  const asked = await change(job.id, { maker: 'Nine Elms Compounding' });
  expect(asked.plan).toMatchObject({ errorCount: 0, newCount: 5, changedCount: 2 });
  const refused = json<Problem>(await api().post(`/api/v1/imports/${job.id}/commit`).expect(409));
  expect(refused.errors!.map(({ pointer }) => pointer).sort()).toEqual([
    '/answers/notch:6',
    '/answers/unit-slip:3:MPa:GPa',
  ]);
  expect(await library()).toEqual(before);
  const settings = { maker: 'Nine Elms Compounding', answers: { 'notch:6': '10.16', 'unit-slip:3:MPa:GPa': 'other' } };
  await change(job.id, settings);
  await api().post(`/api/v1/imports/${job.id}/commit`).expect(202);
  expect(await settled(job.id)).toMatchObject({ state: 'done' });
  expect(await library()).toHaveLength(before.length + 5);
  const { grade, revision } = json<GradeRecord>(await api().get('/api/v1/grades/ne-abs'));
  expect(revision).toBe(2);
  expect(grade.observations.filter(({ reference }) => reference === 'nine-elms.csv').length).toBeGreaterThan(5);
  const history = json<{ action: string }[]>(await api().get('/api/v1/grades/ne-abs/history'));
  expect(history[0]!.action).toBe('imported');
  await api().post(`/api/v1/imports/${job.id}/commit`).expect(409);
  const again = await handIn(messy, 'nine-elms.csv');
  expect((await change(again.id, settings)).plan).toMatchObject({ newCount: 0, changedCount: 0, unchangedCount: 7 });
});

test('an error on line 9,999 of 10,000 leaves the library untouched and names line and column', async () => {
  const before = await library();
  const rows = Array.from({ length: 10_000 }, (_, i) => `G${i},Bulk,PETG,1.27,${i + 2 === 9999 ? 'oops' : '46'}`);
  const job = await handIn(
    `Grade,Maker,Family,Density (g/cm³),Tensile strength (MPa)\n${rows.join('\n')}\n`,
    'bulk.csv',
  );
  expect(job.plan).toMatchObject({ rowCount: 10_000, errorCount: 1, newCount: 10_000 });
  const problem = json<Problem>(await api().post(`/api/v1/imports/${job.id}/commit`).expect(409));
  expect(problem.errors![0]).toEqual({
    pointer: '/rows/9999/4',
    detail: 'Line 9999, column “Tensile strength (MPa)”: “oops” is no number; Tensile strength needs one',
  });
  expect(await library()).toEqual(before);
  const { rows: faulty, total } = json<ImportRows>(await api().get(`/api/v1/imports/${job.id}/rows?problems=true`));
  expect([total, faulty[0]!.line, faulty[0]!.cells[4]]).toEqual([1, 9999, 'oops']);
  expect(json<ImportRows>(await api().get(`/api/v1/imports/${job.id}/rows?offset=9990&limit=50`)).rows).toHaveLength(
    10,
  );
  // Correct, all of it goes in; cancelled while it is written, none of it does.
  await change(job.id, { corrections: [{ line: 9999, column: 4, text: '45' }] });
  await api().post(`/api/v1/imports/${job.id}/commit`).expect(202);
  const cancelled = json<ImportJob>(await api().post(`/api/v1/imports/${job.id}/cancel`).expect(200));
  expect(cancelled.state).toBe('cancelled');
  await server.jobs.idle();
  expect(await library()).toEqual(before);
  await api().post(`/api/v1/imports/${job.id}/commit`).expect(409);
});

test('a file that cannot be read fails with the reason, and nothing else', async () => {
  const job = await handIn(Buffer.from('%PDF-1.7 …'), 'sheet.pdf');
  expect(job).toMatchObject({ state: 'failed', plan: null });
  expect(job.failure).toContain('This is a PDF');
  await api().post(`/api/v1/imports/${job.id}/commit`).expect(409);
});

test('no name, no body, too large, no such import', async () => {
  expect(
    json<Problem>(await api().post('/api/v1/imports').send(Buffer.from('x')).expect(422)).errors![0]!.pointer,
  ).toBe('/fileName');
  await api().post('/api/v1/imports?fileName=a.csv').expect(422);
  const large = await api()
    .post('/api/v1/imports?fileName=a.csv')
    .set('Content-Type', 'text/csv')
    .send(Buffer.alloc(40_000_001, 65));
  expect([large.status, json<Problem>(large).detail]).toEqual([413, 'At most 40 MB is accepted. Nothing was changed.']);
  await api().get('/api/v1/imports/none').expect(404);
  await api().get('/api/v1/imports/00000000-0000-4000-8000-000000000000').expect(404);
});

test('settings that are not settings are refused', async () => {
  const job = await handIn('Grade,Maker,Family,Density (g/cm³)\nA,M,PETG,1.27\n');
  const problem = json<Problem>(
    await api().put(`/api/v1/imports/${job.id}/settings`).send({ decimal: 'dot' }).expect(422),
  );
  expect(problem.errors![0]).toMatchObject({ pointer: '/decimal', accepted: 'one of point, comma' });
});

test('what changed in the library meanwhile is not overwritten unseen: the plan is made anew when it is written', async () => {
  const job = await handIn('Grade,Maker,Family,Density (g/cm³)\nMeanwhile PETG,M,PETG,1.27\n');
  expect(job.plan).toMatchObject({ newCount: 1 });
  const other: Grade = {
    ...sampleLibrary.grades[0]!,
    id: 'meanwhile',
    name: 'PETG Meanwhile',
    maker: 'M',
    observations: [],
  };
  await api().post('/api/v1/grades').send({ grade: other }).expect(201);
  await api().post(`/api/v1/imports/${job.id}/commit`).expect(202);
  expect(await settled(job.id)).toMatchObject({
    state: 'failed',
    failure: expect.stringContaining('has changed in the meantime') as string,
  });
});

describe('exports', () => {
  const binary = (path: string) =>
    api()
      .get(path)
      .buffer(true)
      .parse((response, done) => {
        const chunks: Buffer[] = [];
        response.on('data', (chunk: Buffer) => chunks.push(chunk));
        response.on('end', () => done(null, Buffer.concat(chunks)));
      });
  test.each(['csv', 'xlsx', 'json', 'matml', 'data-package'])(
    '%s of the whole library, read back: nothing would change',
    async (format) => {
      const response = await binary(`/api/v1/exports/${format}`).expect(200);
      expect(response.headers['content-disposition']).toMatch(/filename="filament-grades\.\w+"/);
      const job = await handIn(response.body as Buffer, `back.${format}`);
      expect(job.plan).toMatchObject({ errorCount: 0, newCount: 0, changedCount: 0, questions: [] });
    },
  );
  test('some grades only; an unknown one or format is refused', async () => {
    const chosen = json<{ grades: Grade[] }>(await api().get('/api/v1/exports/json?ids=tm-petg,tm-asa').expect(200));
    expect(chosen.grades.map(({ id }) => id)).toEqual(['tm-asa', 'tm-petg']);
    await api().get('/api/v1/exports/json?ids=none-such').expect(404);
    await api().get('/api/v1/exports/docx').expect(422);
  });
  test('a material card at a temperature; one that cannot be made says why', async () => {
    const card = await api().get('/api/v1/grades/tm-petg/fea-card?temperatureC=50&conditioning=dry').expect(200);
    expect(card.text).toContain('*ELASTIC, TYPE=ENGINEERING CONSTANTS');
    expect(card.text).toContain('Printed solid at 50 C, dry');
    const refused = await api().get('/api/v1/grades/vp-unlisted/fea-card').expect(422);
    expect(json<Problem>(refused).detail).toContain('known');
    await api().get('/api/v1/grades/tm-petg/fea-card?temperatureC=hot').expect(422);
  });
});
