import { spellOut } from '@anvilstone/core/foundations';
import { execFile } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { mkdtemp, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { calculators } from '@anvilstone/core/education';
import { ratchetPawl, lampArm, sampleLibrary } from '@anvilstone/core/education/sample';
import { evaluate } from '@anvilstone/core/evaluation';
import { laminateReport } from '@anvilstone/core/shapes';
import type { EvaluationResult, Layup, Problem } from '@anvilstone/schema';
import { main } from './main.ts';

async function run(args: string[], files: Record<string, string> = {}) {
  const out: string[] = [];
  const errors: string[] = [];
  const code = await main(args, {
    readFile: (path) => (path in files ? Promise.resolve(files[path]!) : Promise.reject(new Error('no such file'))),
    readBytes: (path) =>
      path in files ? Promise.resolve(Buffer.from(files[path]!)) : Promise.reject(new Error('no such file')),
    writeFile: (path, contents) => {
      files[path] = Buffer.from(contents).toString('latin1');
      return Promise.resolve();
    },
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
  const lines = out.split('\n');
  expect(lines.find((line) => /^(pass|unknown|fail) /.test(line))).toMatch(/^pass\s+Tarrowmill PETG Clearway\s+XZ/);
  // It peaks at 62 °C.
  expect(lines[1]).toBe('Caution: Hot enough to burn skin: guard it or mark it, and let it cool before touching.');
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

test('calc example writes an input that calc run takes', async () => {
  for (const { id } of calculators) {
    const example = await run(['calc', 'example', id]);
    const answer = await run(['calc', 'run', id, '--in', 'i', '--json'], { i: example.out });
    expect([id, answer.code, JSON.parse(answer.out)]).toEqual([id, 0, expect.any(Object)]);
  }
});

test('a part whose failure could hurt brings its caution to the terminal', async () => {
  const { out } = await run(['evaluate', '--brief', 'b'], { b: JSON.stringify(ratchetPawl) });
  expect(out).toMatch(/Proof-test every one above its working load/);
  const harmless = await run(['evaluate', '--brief', 'b'], { b: JSON.stringify(lampArm) });
  expect(harmless.out).not.toMatch(/Proof-test/);
});

test('the installed command runs by itself and reports through its exit code', async () => {
  const folder = await mkdtemp(join(tmpdir(), 'anvilstone-cli-'));
  await writeFile(join(folder, 'in.json'), '{"text":"3/16 in","dimension":"length"}');
  const bin = join(import.meta.dirname, '../bin/anvilstone.mjs');
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

describe('import and export', () => {
  const sheet = readFileSync(join(import.meta.dirname, '../../../docs/examples/nine-elms-grades.csv'), 'latin1');
  const settings = JSON.stringify({
    maker: 'Nine Elms Compounding',
    answers: { 'notch:6': '10.16', 'unit-slip:3:MPa:GPa': 'other' },
  });
  const bytes = (text: string) => Buffer.from(text, 'latin1').toString('utf8');
  const library = JSON.stringify(sampleLibrary);

  test('a sheet that is not clear yet: the problem names each question and its answers', async () => {
    const { code, problem } = await run(
      ['import', '--in', 's.csv', '--library', 'l.json', '--out', 'o.json', '--maker', 'Nine Elms Compounding'],
      { 's.csv': bytes(sheet), 'l.json': library },
    );
    expect(code).toBe(1);
    expect(problem?.errors?.map(({ pointer }) => pointer).sort()).toEqual([
      '/answers/notch:6',
      '/answers/unit-slip:3:MPa:GPa',
    ]);
  });
  test('with the answers in a settings file the new library is written, machines and all', async () => {
    const files: Record<string, string> = { 's.csv': bytes(sheet), 'l.json': library, 'a.json': settings };
    const { code, out } = await run(
      ['import', '--in', 's.csv', '--library', 'l.json', '--settings', 'a.json', '--out', 'o.json'],
      files,
    );
    expect([code, out]).toEqual([0, '5 new, 2 changed, 0 unchanged; 75 grades written to o.json']);
    const written = JSON.parse(bytes(files['o.json']!)) as typeof sampleLibrary;
    expect(written.grades).toHaveLength(sampleLibrary.grades.length + 5);
    expect(written.machines).toEqual(sampleLibrary.machines);
  });
  test('a dry run writes nothing and lists what would change', async () => {
    const files: Record<string, string> = { 's.csv': bytes(sheet), 'l.json': library, 'a.json': settings };
    const { code, out } = await run(
      ['import', '--in', 's.csv', '--library', 'l.json', '--settings', 'a.json', '--dry-run'],
      files,
    );
    expect(code).toBe(0);
    expect(out).toContain('Nine Elms PETG Trade: Price (USD/kg): 18 → 18.5');
    expect(files['o.json']).toBeUndefined();
  });
  test('exported as a data package and imported again: nothing changes', async () => {
    const files: Record<string, string> = { 'l.json': library };
    expect((await run(['export', '--library', 'l.json', '--format', 'csv', '--out', 'x.csv'], files)).code).toBe(0);
    files['x.csv'] = bytes(files['x.csv']!);
    const { out } = await run(['import', '--in', 'x.csv', '--library', 'l.json', '--dry-run'], files);
    expect(out).toContain('0 new, 0 changed, 70 unchanged');
  });
  test('a material card for one grade', async () => {
    const files: Record<string, string> = {};
    expect(
      (
        await run(
          ['export', '--format', 'fea-card', '--grade', 'tm-petg', '--temperature', '40', '--out', 'm.inp'],
          files,
        )
      ).code,
    ).toBe(0);
    expect(files['m.inp']).toContain('*ELASTIC, TYPE=ENGINEERING CONSTANTS');
  });
  test.each([
    ['no output', ['export', '--format', 'csv'], /--out is missing/],
    ['unknown format', ['export', '--format', 'docx', '--out', 'x'], /docx/],
    ['no grade for a card', ['export', '--format', 'fea-card', '--out', 'x'], /--grade is missing/],
    ['no input', ['import', '--out', 'x'], /--in is missing/],
  ] as const)('%s: exit 1', async (_what, args, detail) => {
    const { code, problem } = await run([...args]);
    expect([code, problem?.detail]).toEqual([1, expect.stringMatching(detail)]);
  });
});

test('evaluate --chance: the same seed gives the same numbers, another seed others, and nonsense is refused', async () => {
  const thin = JSON.stringify({
    ...lampArm,
    part: { ...lampArm.part, section: { kind: 'rectangle', widthMm: 18, depthMm: 22 } },
  });
  const ask = (...more: string[]) =>
    run(['evaluate', '--brief', 'b.json', '--chance', '--json', ...more], { 'b.json': thin });
  const chances = ({ out }: { out: string }) =>
    (JSON.parse(out) as EvaluationResult).grades.map(({ best }) => best.chance?.all ?? null);
  const once = chances(await ask('--seed', '7', '--draws', '2000'));
  expect(chances(await ask('--seed', '7', '--draws', '2000'))).toEqual(once);
  expect(chances(await ask('--seed', '8', '--draws', '2000'))).not.toEqual(once);
  expect(once).toContain(null);
  expect((await ask('--draws', '12')).problem!.detail).toMatch(/--draws 12 is none: a whole number from 100 to 100000/);
});

describe('laminate', () => {
  const layup = readFileSync(new URL('../../../docs/examples/beam-faces.layup.json', import.meta.url), 'utf8');
  test('--json gives what the core gives, and without it the same in words', async () => {
    const { code, out } = await run(['laminate', '--in', 'l.json', '--json'], { 'l.json': layup });
    expect(code).toBe(0);
    expect(JSON.parse(out)).toEqual(
      JSON.parse(JSON.stringify(spellOut(laminateReport(JSON.parse(layup) as Layup, sampleLibrary)))),
    );
    const words = (await run(['laminate', '--in', 'l.json'], { 'l.json': layup })).out;
    expect(words).toMatch(/48 plies, 9 mm[\s\S]*Tsai–Wu: first ply/);
    expect(words).toContain('bows by 0 mm along x');
  });
  test('what is no layup, or names what is not there, says where', async () => {
    const broken = layup.replace('"angleDeg": 0', '"angleDeg": 400');
    expect((await run(['laminate', '--in', 'l.json'], { 'l.json': broken })).problem!.errors![0]!.pointer).toBe(
      '/plies/0/angleDeg',
    );
    const missing = layup.replace('carbon-polyamide', 'gossamer');
    expect((await run(['laminate', '--in', 'l.json'], { 'l.json': missing })).problem!.detail).toMatch(
      /gossamer.*carbon-polyamide/,
    );
    expect((await run(['laminate'])).problem!.detail).toMatch(/--in is missing/);
  });
});

describe('mesh', () => {
  const corner = (a: string, b: string, c: string) =>
    `facet normal 0 0 0\nouter loop\nvertex ${a}\nvertex ${b}\nvertex ${c}\nendloop\nendfacet\n`;
  const [o, x, y, z] = ['0 0 0', '30 0 0', '0 30 0', '0 0 30'];
  const tetrahedron = `solid t\n${corner(o, y, x)}${corner(o, x, z)}${corner(o, z, y)}${corner(x, y, z)}endsolid t\n`;
  test('volume, watertightness and a section, as JSON and in words', async () => {
    const { code, out } = await run(['mesh', 't.stl', '--plane', 'z=10', '--json'], { 't.stl': tetrahedron });
    expect(code).toBe(0);
    const report = JSON.parse(out) as { volumeMm3: number; watertight: boolean; section: { areaMm2: number } };
    expect(report.watertight).toBe(true);
    expect(report.volumeMm3).toBeCloseTo(30 ** 3 / 6, 6);
    expect(report.section.areaMm2).toBeCloseTo(20 ** 2 / 2, 6);
    expect((await run(['mesh', 't.stl'], { 't.stl': tetrahedron })).out).toMatch(/4 triangles, one body, watertight/);
  });
  test('what is no mesh, no plane or no file says so', async () => {
    expect((await run(['mesh', 't.stl'], { 't.stl': 'PNG' })).problem!.detail).toMatch(/t\.stl: The file is too short/);
    expect((await run(['mesh', 't.stl', '--plane', 'up'], { 't.stl': tetrahedron })).problem!.detail).toMatch(
      /write x=…/,
    );
    expect((await run(['mesh'])).problem!.detail).toMatch(/name one file/);
    expect((await run(['mesh', 'gone.stl'])).problem!.detail).toMatch(/gone\.stl cannot be read/);
  });
});

describe('bench statistics', () => {
  const files = { 'a.csv': 'specimen,breakN\n1,48\n2,50\n3,52\n', 'b.csv': '40\n\n41,5\n39\n' };
  test('basis: mean 50, sd 2, B-basis 50 − 6.155·2', async () => {
    const { code, out } = await run(['basis', 'a.csv', '--json'], files);
    const report = JSON.parse(out) as Record<string, number> & { toleranceFactors: { b: number } };
    expect([code, report.name, report.n, report.mean, report.sd]).toEqual([0, 'breakN', 3, 50, 2]);
    expect(report.toleranceFactors.b).toBeCloseTo(6.155, 3);
    expect(report.bBasis).toBeCloseTo(50 - 2 * report.toleranceFactors.b, 9);
    const words = (await run(['basis', 'a.csv'], files)).out;
    expect(words).toMatch(
      /^breakN: n = 3, mean 50\nsd 2, CoV 4 %; 95 % interval.*\nB-basis 37\.69.*\n3 readings: a hint, not a claim/,
    );
    expect((await run(['basis', 'one.csv'], { 'one.csv': '5' })).out).toMatch(/One reading has no scatter/);
  });
  test('compare: two samples, pairs, and what cannot be', async () => {
    expect((await run(['compare', 'a.csv', 'b.csv'], files)).out).toMatch(
      /^Difference 9\.833.*\nThe difference is significant/,
    );
    const paired = JSON.parse((await run(['compare', 'a.csv', 'b.csv', '--paired', '--json'], files)).out) as {
      kind: string;
      ratio: number;
    };
    expect(paired.kind).toBe('paired');
    expect(paired.ratio).toBeCloseTo(Math.cbrt((48 / 40) * (50 / 41.5) * (52 / 39)), 9);
    const few = { 'a.csv': '50\n54', 'b.csv': '48\n49' };
    expect((await run(['compare', 'a.csv', 'b.csv'], few)).out).toMatch(/Too few to tell: with \d+ of each/);
    const odd = await run(['compare', 'a.csv', 'b.csv', '--paired'], { 'a.csv': '1\n2', 'b.csv': '1' });
    expect([odd.code, odd.problem!.detail]).toEqual([1, expect.stringMatching(/they are pairs/)]);
    const filled = 'maker,MPa\nTarrowmill,60\nVeld,80\nOsk,42\n';
    const neat = 'maker,MPa\nVeld,50\nOsk,30\nTarrowmill,40\n';
    const named = await run(['compare', 'a.csv', 'b.csv', '--paired', '--json'], { 'a.csv': filled, 'b.csv': neat });
    expect((JSON.parse(named.out) as { ratio: number }).ratio).toBeCloseTo(Math.cbrt(1.5 * 1.6 * 1.4), 9);
    const alone = { 'a.csv': filled, 'b.csv': neat.replace('Osk', 'Nobody') };
    expect((await run(['compare', 'a.csv', 'b.csv', '--paired'], alone)).problem!.detail).toMatch(/Osk.*no pairs/);
  });
  test('fit-creep: known parameters out of a file in minutes, and what it predicts', async () => {
    const minutes = [1, 3, 10, 30, 60, 180, 600, 1440, 2880];
    const csv = `time (min),deflection (mm)\n${minutes.map((t) => `${t},${(2 * (1 + 0.3 * (t / 60) ** 0.25)).toFixed(5)}`).join('\n')}\n`;
    const { code, out } = await run(['fit-creep', 'c.csv', '--at', '100', '--json'], { 'c.csv': csv });
    const fit = JSON.parse(out) as {
      creepA: number;
      creepN: number;
      predicted: { moved: number; extrapolated: boolean }[];
    };
    expect(code).toBe(0);
    expect(fit.creepA).toBeCloseTo(0.3, 2);
    expect(fit.creepN).toBeCloseTo(0.25, 2);
    expect(fit.predicted[0]).toMatchObject({
      moved: expect.closeTo(2 * (1 + 0.3 * 100 ** 0.25), 2) as number,
      extrapolated: true,
    });
    expect((await run(['fit-creep', 'c.csv'], { 'c.csv': csv })).out).toMatch(/after 10000 h .* extrapolated/);
    expect((await run(['fit-creep', 'c.csv', '--at', 'soon'], { 'c.csv': csv })).problem!.detail).toMatch(/“soon”/);
    expect((await run(['fit-creep', 'c.csv'], { 'c.csv': 'mm,N\n1,2\n' })).problem!.detail).toMatch(
      /no column of times/,
    );
  });
  test('a cell that is no number is refused with its line; a column by its name', async () => {
    const bad = await run(['basis', 'a.csv'], { 'a.csv': 'breakN\n48\nslipped\n' });
    expect([bad.code, bad.problem!.detail]).toEqual([1, expect.stringMatching(/line 3: "slipped"/)]);
    const two = { 'a.csv': 'crackN,breakN\n30,48\n32,50\n' };
    expect((await run(['basis', 'a.csv', '--column', 'crackN'], two)).out).toMatch(/^crackN: n = 2, mean 31/);
    expect((await run(['basis', 'a.csv', '--column', 'none'], two)).problem!.detail).toMatch(/one of crackN, breakN/);
  });
});
