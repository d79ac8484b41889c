import { execFile } from 'node:child_process';
import { mkdtemp, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { calculators, evaluate } from '@anvilstone/core';
import { lampArm, sampleLibrary } from '@anvilstone/core/sample';
import type { EvaluationResult, Problem } from '@anvilstone/schema';
import { main } from './main.ts';

async function run(args: string[], files: Record<string, string> = {}) {
  const out: string[] = [];
  const errors: string[] = [];
  const code = await main(args, {
    readFile: (path) => (path in files ? Promise.resolve(files[path]!) : Promise.reject(new Error('no such file'))),
    out: (text) => out.push(text),
    error: (text) => errors.push(text),
  });
  return {
    code,
    out: out.join('\n'),
    problem: errors[0]?.startsWith('{') ? (JSON.parse(errors[0]) as Problem) : undefined,
  };
}
const brief = JSON.stringify(lampArm);

test('evaluate --json gives what the core gives', async () => {
  const { code, out } = await run(['evaluate', '--brief', 'b.json', '--json'], { 'b.json': brief });
  expect(code).toBe(0);
  expect(JSON.parse(out) as EvaluationResult).toEqual(JSON.parse(JSON.stringify(evaluate(lampArm, sampleLibrary))));
});

test('one orientation only', async () => {
  const { out } = await run(['evaluate', '--brief', 'b', '--orientation', 'ZX', '--json'], { b: brief });
  const { grades } = JSON.parse(out) as EvaluationResult;
  expect(new Set(grades.flatMap((grade) => grade.entries.map((entry) => entry.orientation)))).toEqual(new Set(['ZX']));
});

test('without --json a ranked table for people', async () => {
  const { out } = await run(['evaluate', '--brief', 'b'], { b: brief });
  expect(out.split('\n')[1]).toMatch(/^pass\s+Tarrowmill PETG Clearway\s+XZ/);
});

test.each([
  ['no file', ['evaluate', '--brief', 'nowhere'], {}, /cannot be read/],
  ['broken JSON', ['evaluate', '--brief', 'b'], { b: '{"title":' }, /is not JSON/],
  ['missing option', ['evaluate'], {}, /--brief is missing/],
  ['unknown option', ['evaluate', '--bref', 'b'], {}, /--bref/],
  ['unknown orientation', ['evaluate', '--brief', 'b', '--orientation', 'YZ'], { b: brief }, /YZ is none/],
  ['unknown command', ['evaluat'], {}, /no command/],
  ['unknown calculator', ['calc', 'run', 'tea'], {}, /No calculator “tea”/],
] as const)('%s: exit 1 and a problem document', async (_what, args, files, detail) => {
  const { code, problem } = await run([...args], files);
  expect(code).toBe(1);
  expect(problem).toMatchObject({ status: 422, detail: expect.stringMatching(detail) as string });
});

test('a negative length is named by pointer', async () => {
  const bad = JSON.stringify({ ...lampArm, part: { ...lampArm.part, spanMm: -1 } });
  expect((await run(['evaluate', '--brief', 'b'], { b: bad })).problem?.errors).toEqual([
    expect.objectContaining({ pointer: '/part/spanMm' }),
  ]);
});

test('calc list names every calculator; calc run computes and refuses', async () => {
  const { out } = await run(['calc', 'list', '--json']);
  expect((JSON.parse(out) as { id: string }[]).map((row) => row.id)).toEqual(calculators.map((one) => one.id));
  const good = await run(['calc', 'run', 'modulus-at-hdt', '--in', 'i'], {
    i: '{"modulus23MPa":2000,"hdtStressMPa":1.8}',
  });
  expect((JSON.parse(good.out) as { modulusMPa: number }).modulusMPa).toBeCloseTo(620.69, 2);
  const bad = await run(['calc', 'run', 'creep-growth', '--in', 'i'], {
    i: '{"familyId":"oak","temperatureC":23,"durationH":1}',
  });
  expect(bad).toMatchObject({ code: 1, problem: { errors: [{ pointer: '/familyId' }] } });
});

test('the installed command runs by itself and reports through its exit code', async () => {
  const folder = await mkdtemp(join(tmpdir(), 'anvilstone-cli-'));
  await writeFile(join(folder, 'in.json'), '{"text":"3/16 in","dimension":"length"}');
  const bin = join(__dirname, '../bin/anvilstone.mjs');
  const { stdout } = await promisify(execFile)('node', [
    bin,
    'calc',
    'run',
    'read-quantity',
    '--in',
    join(folder, 'in.json'),
  ]);
  expect((JSON.parse(stdout) as { canonical: number }).canonical).toBeCloseTo(4.7625, 9);
  await expect(promisify(execFile)('node', [bin, 'calc', 'run', 'tea'])).rejects.toMatchObject({ code: 1 });
});
