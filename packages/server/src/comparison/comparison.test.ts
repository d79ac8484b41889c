import { execFileSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { lampArm, sampleLibrary } from '@anvilstone/core/education/sample';
import { evaluate, withChances } from '@anvilstone/core/evaluation';
import type { EvaluationResult, Part, Problem } from '@anvilstone/schema';
import request from 'supertest';
import { testServer } from '../testServer.ts';

let server: Awaited<ReturnType<typeof testServer>>;
let part: Part;
beforeAll(async () => {
  server = await testServer({ demo: true });
  part = JSON.parse((await api().post('/api/v1/parts').send({ brief: lampArm }).expect(201)).text) as Part;
});
afterAll(() => server.close());
const api = () => request(server.app);
const path = (grades: string) => `/api/v1/parts/${part.id}/comparison.pdf?grades=${grades}`;

test('the comparison as a document: its text can be searched, its charts are vectors', async () => {
  const answer = await api()
    .get(path('tm-petg,tm-petg-gf,ne-abs'))
    .buffer(true)
    .parse((res, done) => {
      const chunks: Buffer[] = [];
      res.on('data', (chunk: Buffer) => chunks.push(chunk));
      res.on('end', () => done(null, Buffer.concat(chunks)));
    })
    .expect(200);
  const pdf = answer.body as Buffer;
  expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
  expect(answer.headers['content-disposition']).toContain('comparison.pdf');
  // No picture of dots in it: everything is drawn.
  expect(pdf.includes('/Subtype /Image')).toBe(false);
  const text = textOf(pdf);
  if (text === undefined) return;
  for (const words of ['Summary', 'Tarrowmill PETG G15', 'What the more expensive one adds', 'does not approve a part'])
    expect(text).toContain(words);
  expect(text).not.toMatch(/undefined|NaN/);
});

/** Undefined where the machine has no tool to read a document's text. */
function textOf(pdf: Buffer): string | undefined {
  const file = join(mkdtempSync(join(tmpdir(), 'comparison-')), 'c.pdf');
  writeFileSync(file, pdf);
  try {
    return execFileSync('pdftotext', [file, '-'], { encoding: 'utf8' }).replace(/\s+/g, ' ');
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ENOENT') return undefined;
    throw error;
  }
}

test('in inches and pounds, for whoever reads in them; in no other units', async () => {
  const fetched = async (units: string) =>
    textOf(
      (
        await api()
          .get(`${path('tm-petg,ne-abs')}${units}`)
          .buffer(true)
          .parse((res, done) => {
            const chunks: Buffer[] = [];
            res.on('data', (chunk: Buffer) => chunks.push(chunk));
            res.on('end', () => done(null, Buffer.concat(chunks)));
          })
          .expect(200)
      ).body as Buffer,
    );
  const [metric, inches] = [await fetched(''), await fetched('&units=inchPound')];
  const { errors } = JSON.parse(
    (
      await api()
        .get(`${path('tm-petg,ne-abs')}&units=cubits`)
        .expect(422)
    ).text,
  ) as Problem;
  expect(errors).toEqual([{ pointer: '/units', detail: '“cubits” are no units', accepted: 'metric or inchPound' }]);
  if (metric === undefined || inches === undefined) return;
  expect(metric).toMatch(/\d g\b/);
  expect(metric).toMatch(/\d °C/);
  expect(inches).toMatch(/\d oz\b/);
  expect(inches).toMatch(/\d °F/);
  // What a standard is named by stays as it is.
  expect(inches.replace(/HDT at [\d.]+ MPa/g, '')).not.toMatch(/\d (g|MPa)(?![\w/])/);
});

test.each([
  ['', /two to five/],
  ['tm-petg', /two to five/],
  ['tm-petg,tm-petg', /each grade once/],
  ['tm-petg,nobody', /a grade of the library/],
])('grades=%s is refused', async (grades, why) => {
  const { errors } = JSON.parse((await api().get(path(grades)).expect(422)).text) as Problem;
  expect(errors![0]!.pointer).toBe('/grades');
  expect(errors![0]!.detail).toMatch(why);
});

test('chances: the server draws exactly what the core draws for a seed', async () => {
  const gradeIds = ['ne-petg', 'tm-petg', 'ne-abs'];
  const asked = { seed: 11, draws: 3000 };
  const answer = JSON.parse(
    (await api().post('/api/v1/evaluations').send({ brief: lampArm, gradeIds, chance: asked }).expect(200)).text,
  ) as EvaluationResult;
  const library = { ...sampleLibrary, grades: sampleLibrary.grades.filter(({ id }) => gradeIds.includes(id)) };
  const here = withChances(lampArm, library, evaluate(lampArm, library), asked);
  const chances = (result: EvaluationResult) =>
    Object.fromEntries(result.grades.map(({ gradeId, best }) => [gradeId, best.chance]));
  expect(chances(answer)).toEqual(JSON.parse(JSON.stringify(chances(here))));
  expect(answer.grades[0]!.best.chance!.draws).toBe(3000);
});
