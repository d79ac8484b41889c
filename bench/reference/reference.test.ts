/** The engine against the same sums written down plainly: two ways to one number. */
import { practiceCases } from '@anvilstone/core/education';
import { gaugeBeam, lampArm, sampleLibrary } from '@anvilstone/core/education/sample';
import { chanceOfMeetingAll, evaluate, prepareSizing } from '@anvilstone/core/evaluation';
import { defaultCompanyRules } from '@anvilstone/core/materials';
import { freeSize, laminateOf, inPlaneConstants, type Ply, meshReport, readMesh } from '@anvilstone/core/shapes';
import type { Brief, BuildOrientation } from '@anvilstone/schema';
import { chanceOfArmPlainly } from './armChance.ts';
import { evaluateArmPlainly } from './armEvaluation.ts';
import { planByHand } from './dryers.ts';
import { inverted, modulusAlongX } from './laminate.ts';
import { readPlainly } from './mesh.ts';
import { pchipThrough } from './pchip.ts';
import { sizeByTrying } from './sizing.ts';
import { splitTable } from './csv.ts';

const briefOf = (id: string): Brief => practiceCases.find((one) => one.id === id)!.brief;
const arms: [string, Brief][] = [
  ['lamp arm', lampArm],
  ['gauge beam', gaugeBeam],
  ['coat hook', briefOf('coat-hook')],
  ['rail beside the oven', briefOf('oven-rail')],
  ['lever in water', { ...briefOf('sluice-lever'), asks: {} }],
];

test.each(arms)('%s: every grade, build orientation, reserve and heat limit comes out the same', (_, brief) => {
  const { grades } = evaluate(brief, sampleLibrary);
  let compared = 0;
  for (const { gradeId, entries } of grades) {
    const grade = sampleLibrary.grades.find(({ id }) => id === gradeId)!;
    const plain = evaluateArmPlainly(brief, grade, defaultCompanyRules, 1e-7);
    if (!plain) continue;
    for (const entry of entries) {
      const there = plain.find(({ orientation }) => orientation === entry.orientation)!;
      expect({ gradeId, limit: entry.ownHeatLimitC }).toEqual({
        gradeId,
        limit: expect.closeTo(there.ownHeatLimitC, 2) as number,
      });
      // A root may lie beside a knee of the curve, where the engine’s last straight step is off by a thousandth of a kelvin.
      for (const { checkId, reserve } of there.checks) {
        const found = entry.checks.find((check) => check.checkId === checkId)!;
        const wanted =
          reserve === null
            ? null
            : (expect.closeTo(reserve, 3 - Math.floor(Math.log10(Math.max(1e-3, reserve)))) as number);
        expect({ gradeId, way: entry.orientation, checkId, reserve: found.reserve }).toEqual({
          gradeId,
          way: entry.orientation,
          checkId,
          reserve: wanted,
        });
        compared += 1;
      }
    }
  }
  expect(compared).toBeGreaterThan(500);
});

test.each<[string, BuildOrientation]>([
  ['ne-petg', 'XZ'],
  ['tm-asa', 'XY'],
  ['tm-petg', 'ZX'],
])(
  'chance of %s, %s: by power laws and by working every draw out, within what so many draws can tell',
  (gradeId, way) => {
    // Nothing that does not scatter may decide.
    const { maxMassG: _mass, maxCostUsd: _cost, ...asks } = lampArm.asks;
    const brief: Brief = { ...lampArm, asks };
    const grade = sampleLibrary.grades.find(({ id }) => id === gradeId)!;
    const quick = chanceOfMeetingAll(brief, sampleLibrary, grade, way, { draws: 10_000 })!;
    let state = 12_345;
    const random = () => ((state = (state * 16_807) % 2_147_483_647) - 1) / 2_147_483_646;
    const DRAWS = 3000;
    const plain = chanceOfArmPlainly(brief, grade, way, quick.scatter, DRAWS, random);
    const spread = 4 * Math.sqrt((quick.all * (1 - quick.all)) / DRAWS + 1 / DRAWS ** 2);
    expect(Math.abs(quick.all - plain)).toBeLessThan(spread + 0.002);
  },
);

test('a size found by its root is the size found by trying, to within a step', () => {
  const free = freeSize(lampArm.part)!;
  const sizing = prepareSizing(lampArm, sampleLibrary)!;
  for (const id of ['ne-petg', 'tm-asa', 'ol-pa12-cf']) {
    const grade = sampleLibrary.grades.find((one) => one.id === id)!;
    const sized = sizing.size(grade);
    const tried = sizeByTrying((mm) => free.with(mm), sizing.drawnMm, lampArm, sampleLibrary, grade);
    if (!sized.ok) throw new Error(`${id} could not be sized`);
    expect(tried! / sized.sizeMm).toBeGreaterThan(0.999);
    expect(tried! / sized.sizeMm).toBeLessThan(1.0101);
  }
});

const carbon = { e1MPa: 60_000, e2MPa: 3800, g12MPa: 1450, nu12: 0.32 };
const lamina = {
  ...carbon,
  name: 'c',
  xtMPa: 1,
  xcMPa: 1,
  ytMPa: 1,
  ycMPa: 1,
  sMPa: 1,
  alpha1PerK: 0,
  alpha2PerK: 0,
  cov: 0,
  kind: 'tow' as const,
};

test.each([[[0]], [[0, 90]], [[0, 45, -45, 90]], [[10, 35, 70, -20, 5]]])(
  'stack %j: modulus along x by general matrices and by the engine',
  (angles) => {
    const plies = angles.map((angleDeg): Ply => ({ lamina, angleDeg, thicknessMm: 0.125 }));
    const { exMPa } = inPlaneConstants(laminateOf(plies));
    expect(modulusAlongX(plies) / exMPa).toBeCloseTo(1, 8);
  },
);

test('a matrix times its inverse is one, and a pivot of nothing is gone round', () => {
  const found = inverted([
    [0, 2],
    [4, 1],
  ]);
  expect(found[0]![0]).toBeCloseTo(-0.125, 12);
  expect(found[1]![0]).toBeCloseTo(0.5, 12);
});

test('a box: volume, area and closedness, read plainly and by the engine', () => {
  const bytes = boxStl(10, 20, 5);
  const plain = readPlainly(bytes);
  const { report } = meshReport(readMesh(bytes, 'box.stl'));
  expect(plain).toMatchObject({ triangles: 12, closed: true });
  expect(plain.volumeMm3).toBeCloseTo(1000, 6);
  expect(plain.areaMm2).toBeCloseTo(700, 6);
  expect(report.volumeMm3).toBeCloseTo(plain.volumeMm3, 6);
  expect(report.watertight).toBe(true);
  expect(readPlainly(boxStl(10, 20, 5, 11)).closed).toBe(false);
});

test('the curve goes through its points, never rises between falling ones, and is straight through two', () => {
  const curve = pchipThrough([
    [23, 3.3],
    [60, 3.2],
    [75, 2.1],
    [95, 0.5],
  ]);
  expect(curve(60)).toBeCloseTo(3.2, 12);
  let last = Infinity;
  for (let x = 20; x <= 100; x += 0.5) {
    expect(curve(x)).toBeLessThanOrEqual(last + 1e-12);
    last = curve(x);
  }
  expect(
    pchipThrough([
      [0, 0],
      [10, 5],
    ])(4),
  ).toBeCloseTo(2, 12);
});

test('split tables read decimal commas, and dryers planned by hand put nothing where it would melt', () => {
  expect(splitTable('a;b\nx;1,5\ny;2')).toEqual([
    { a: 'x', b: 1.5 },
    { a: 'y', b: 2 },
  ]);
  const hot = { id: 'h', dryingC: 80, limitC: 90, hours: 4, needByH: 4 };
  const soft = { id: 's', dryingC: 45, limitC: 50, hours: 4, needByH: 4 };
  // One dryer for two that may not be together: the second is late by the run of the first.
  expect(planByHand([hot, soft], [{ id: 'd', slots: 4, maximumC: 120 }])).toBe(4);
  expect(planByHand([hot, { ...hot, id: 'h2' }], [{ id: 'd', slots: 4, maximumC: 120 }])).toBe(0);
});

/** A box as a binary STL; the last of its twelve triangles may be left away. */
function boxStl(x: number, y: number, z: number, count = 12): Uint8Array {
  const p = (i: number): [number, number, number] => [i & 1 ? x : 0, i & 2 ? y : 0, i & 4 ? z : 0];
  const faces = [
    [0, 2, 3],
    [0, 3, 1],
    [4, 5, 7],
    [4, 7, 6],
    [0, 1, 5],
    [0, 5, 4],
    [2, 6, 7],
    [2, 7, 3],
    [0, 4, 6],
    [0, 6, 2],
    [1, 3, 7],
    [1, 7, 5],
  ].slice(0, count);
  const view = new DataView(new ArrayBuffer(84 + 50 * faces.length));
  view.setUint32(80, faces.length, true);
  faces.forEach((corners, i) =>
    corners.flatMap(p).forEach((value, k) => view.setFloat32(84 + 50 * i + 12 + 4 * k, value, true)),
  );
  return new Uint8Array(view.buffer);
}
