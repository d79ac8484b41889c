import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Layup } from '@anvilstone/schema';
import { defaultCompanyRules } from '../../materials/companyRules/companyRules.ts';
import { sampleLibrary } from '../../education/sample/index.ts';
import { inPlaneConstants, laminateOf } from './laminate.ts';
import { layupDeck } from './layupDeck.ts';
import { pliesOf } from './plyMaterials.ts';
import { plySheetSvg } from './plySheet.ts';
import { laminateReport } from './report.ts';

const layupOf = (angles: readonly number[]): Layup => ({
  format: 'anvilstone-layup/1',
  name: 'A <test> of µ',
  plies: [
    ...angles.map((angleDeg) => ({ material: { towId: 'carbon-polyamide' }, angleDeg, count: 2 })),
    { material: { gradeId: 'ol-pa12' }, angleDeg: 0, thicknessMm: 0.2, count: 3 },
  ],
  mirrored: true,
});
const laminate = (angles: readonly number[]) =>
  laminateOf(pliesOf(layupOf(angles), sampleLibrary, defaultCompanyRules));

test('the deck names every material and angle once, and every ply in order', () => {
  const deck = layupDeck('A <test> of µ', laminate([0, 45, -45]));
  expect(deck.match(/\*MATERIAL/g)).toHaveLength(2);
  expect(deck.match(/\*ORIENTATION/g)).toHaveLength(3);
  const section = deck.split('*SHELL SECTION')[1]!.split('*NSET')[0]!.trim().split('\n').slice(1);
  expect(section).toHaveLength(2 * (6 + 3));
  expect(section).toEqual([...section].reverse());
  for (const line of deck.split('\n')) expect(line).toMatch(/^[\x20-\x7e]{0,130}$/);
});

test('the sheet draws each ply with its angle, and no sign that breaks it', () => {
  const svg = plySheetSvg(laminateReport(layupOf([30]), sampleLibrary));
  expect(svg.match(/<clipPath/g)).toHaveLength(10);
  expect(svg).toContain('1: 30°, 0.125 mm');
  expect(svg).toContain('A &#60;test&#62; of µ');
});

const present = spawnSync('ccx', ['-v']).error === undefined;
(present ? test : test.skip).each([[[0]], [[0, 90]], [[0, 45, -45, 90]]])(
  'the solver pulls the strip of %j by what Ex says',
  (angles) => {
    const folder = mkdtempSync(join(tmpdir(), 'anvilstone-layup-'));
    try {
      const stack = laminate(angles);
      writeFileSync(join(folder, 'strip.inp'), layupDeck('strip', stack));
      const run = spawnSync('ccx', ['strip'], { cwd: folder, encoding: 'utf8' });
      expect(run.stdout).not.toMatch(/\*ERROR/);
      const moved = readFileSync(join(folder, 'strip.dat'), 'utf8')
        .split('\n')
        .map((line) => line.trim().split(/\s+/).map(Number))
        .filter((row) => row.length === 4 && row.every(Number.isFinite))
        .map((row) => row[1]!);
      const mean = moved.reduce((a, b) => a + b, 0) / moved.length;
      // 1 N/mm over the thickness, over 100 mm; the held end of a strip with bend-twist coupling takes half a per cent.
      const ratio = 100 / (stack.thicknessMm * inPlaneConstants(stack).exMPa) / mean;
      expect(Math.abs(ratio - 1)).toBeLessThan(0.01);
    } finally {
      rmSync(folder, { recursive: true });
    }
  },
);
