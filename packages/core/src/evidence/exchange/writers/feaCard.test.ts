import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { defaultCompanyRules } from '../../../materials/companyRules/companyRules.ts';
import { prepareMaterial } from '../../../materials/behaviour/material.ts';
import { sampleLibrary } from '../../../education/sample/index.ts';
import { orthotropicConstants, writeFeaCard } from './feaCard.ts';

const grade = sampleLibrary.grades.find(({ id }) => id === 'tm-petg')!;
const options = { temperatureC: 23, conditioning: 'dry', rules: defaultCompanyRules } as const;
const constants = (temperatureC: number) =>
  orthotropicConstants(prepareMaterial(grade, 'dry', defaultCompanyRules), temperatureC);

test('transversely isotropic: E1 = E2, G12 = E1/(2(1 + ν)), G13 = G12·√(E3/E1)', () => {
  const c = constants(23);
  expect(c.e2).toBe(c.e1);
  expect(c.g12).toBeCloseTo(c.e1 / (2 * (1 + 0.39)), 6);
  expect(c.g13).toBeCloseTo(c.g12 * Math.sqrt(c.e3 / c.e1), 6);
});
test('softer when hot, all constants alike', () => {
  const ratio = constants(60).e1 / constants(23).e1;
  expect(ratio).toBeLessThan(1);
  expect(constants(60).g13 / constants(23).g13).toBeCloseTo(ratio, 10);
});
test('density in t/mm³, conditions and evidence in comments, sample data said', () => {
  const card = writeFeaCard(grade, options);
  expect(card).toContain('SAMPLE DATA, NOT FOR DESIGN');
  expect(card).toMatch(/\*DENSITY\n1\.2\d*e-9/);
  expect(card).toMatch(/evidence class A/);
  expect(card).toContain('approves nothing');
  for (const line of card.split('\n')) expect(line).toMatch(/^[\x20-\x7e]{0,130}$/);
});
test('a grade of an unknown polymer is refused by name', () => {
  const unknown = sampleLibrary.grades.find(({ id }) => id === 'vp-unlisted')!;
  expect(() => writeFeaCard(unknown, options)).toThrow(/vp-unlisted.*known/);
});
test('every grade with a family has constants that a real material can have, cold, warm and hot', () => {
  for (const one of sampleLibrary.grades) {
    if (one.id === 'vp-unlisted') continue;
    const material = prepareMaterial(one, 'conditioned', defaultCompanyRules);
    for (const temperatureC of [-30, 23, 60]) expect(() => orthotropicConstants(material, temperatureC)).not.toThrow();
  }
});

const solver = spawnSync('ccx', ['-v']);
const present = solver.error === undefined;
if (!present)
  console.warn('SKIPPED: the free solver (Debian package calculix-ccx) is not installed; its test does not run.');
const withSolver = present ? test : test.skip;

/** One brick of 10 mm, held so that it may shrink sideways, pulled by 1 MPa along one axis. */
function deck(card: string, axis: 1 | 2 | 3): string {
  const nodes = [
    [0, 0, 0],
    [10, 0, 0],
    [10, 10, 0],
    [0, 10, 0],
    [0, 0, 10],
    [10, 0, 10],
    [10, 10, 10],
    [0, 10, 10],
  ];
  const pulled = nodes.flatMap((node, i) => (node[axis - 1] === 10 ? [i + 1] : []));
  const held = (direction: 1 | 2 | 3) =>
    nodes.flatMap((node, i) => (node[direction - 1] === 0 ? [`${i + 1}, ${direction}, ${direction}`] : []));
  return [
    '*NODE, NSET=ALL',
    ...nodes.map((node, i) => [i + 1, ...node].join(', ')),
    '*ELEMENT, TYPE=C3D8, ELSET=BRICK',
    '1, 1, 2, 3, 4, 5, 6, 7, 8',
    card.trimEnd(),
    `*SOLID SECTION, ELSET=BRICK, MATERIAL=${/NAME=(\S+)/.exec(card)![1]}`,
    '*BOUNDARY',
    ...[...held(1), ...held(2), ...held(3)],
    '*STEP',
    '*STATIC',
    '*CLOAD',
    ...pulled.map((node) => `${node}, ${axis}, 25.`), // 4 × 25 N on 100 mm² = 1 MPa
    '*NODE PRINT, NSET=ALL',
    'U',
    '*END STEP',
    '',
  ].join('\n');
}

withSolver.each([1, 2, 3] as const)(
  'the solver reads the card: 1 MPa along axis %i stretches 10 mm by 10/E mm',
  (axis) => {
    const folder = mkdtempSync(join(tmpdir(), 'anvilstone-deck-'));
    try {
      writeFileSync(join(folder, 'brick.inp'), deck(writeFeaCard(grade, options), axis));
      const run = spawnSync('ccx', ['brick'], { cwd: folder, encoding: 'utf8' });
      expect(run.stdout).not.toMatch(/\*ERROR|\*WARNING reading/);
      const line = readFileSync(join(folder, 'brick.dat'), 'utf8')
        .split('\n')
        .find((one) => /^\s+7\s/.test(one))!;
      const stretchMm = Number(line.trim().split(/\s+/)[axis]);
      const c = constants(23);
      expect(stretchMm * [c.e1, c.e2, c.e3][axis - 1]!).toBeCloseTo(10, 2);
    } finally {
      rmSync(folder, { recursive: true });
    }
  },
);
