import { sampleLibrary } from '../../education/sample/index.ts';
import { section } from '../sections/section.ts';
import { filledSection } from '../sections/filledSection.ts';
import { fillOf } from '../infill/fill.ts';
import { BUILT_UP } from '../parts/direction.ts';
import { cutAcross, cutsAlong, type MeshLoad } from './cut.ts';
import { nestingOn } from '../../machines/fit/nesting.ts';
import { meshReport } from './report.ts';
import { sectionPathOf, sectionSvg } from './sectionSvg.ts';
import { simplifyLoop } from './simplifyLoop.ts';
import { box, quad, soupOf, tube, turned, type P, type T } from './testContext.ts';
import { thinnestWall } from './thinnest.ts';

const meshOf = (triangles: readonly T[]) => meshReport(soupOf(triangles));
/** 100 long along x, 20 wide along y, 10 deep along z. */
const bar = meshOf(box(0, 0, 0, 100, 20, 10));
const pushed: MeshLoad = { along: 0, push: 2, loadAtMm: 100, held: 'low' };

describe('a cut across a part', () => {
  test('by hand: a bar of 20 × 10, pushed along its depth, 70 mm before the load', () => {
    const cut = cutAcross(bar.mesh, pushed, 30);
    expect(cut.leverMm).toBeCloseTo(70, 9);
    expect(cut.beam.widthMm).toBeCloseTo(20, 4);
    expect(cut.beam.depthMm).toBeCloseTo(10, 4);
    expect(cut.beam.secondMomentMm4).toBeCloseTo((20 * 10 ** 3) / 12, 3);
    expect(cut.stressPerN).toBeCloseTo((70 * 5) / ((20 * 10 ** 3) / 12), 6);
  });

  test('pushed sideways it bends about the other axis', () =>
    expect(cutAcross(bar.mesh, { ...pushed, push: 1 }, 30).beam.secondMomentMm4).toBeCloseTo((10 * 20 ** 3) / 12, 2));

  test.each([
    [0, 1, 2],
    [1, 2, 0],
    [2, 0, 1],
  ] as const)('along axis %d, pushed along %d: width and depth are told apart', (along, push, other) => {
    const size = [0, 0, 0];
    size[along] = 100;
    size[push] = 10;
    size[other] = 20;
    const { mesh } = meshOf(box(0, 0, 0, size[0]!, size[1]!, size[2]!));
    const { beam } = cutAcross(mesh, { along, push, loadAtMm: 100, held: 'low' }, 40);
    expect(beam.widthMm).toBeCloseTo(20, 4);
    expect(beam.depthMm).toBeCloseTo(10, 4);
  });

  test('a tube keeps its hole, and agrees with the exact tube within its facets', () => {
    const { mesh } = meshOf(tube(12, 9, 60, 96));
    const { geometry, beam } = cutAcross(mesh, { along: 2, push: 0, loadAtMm: 60, held: 'low' }, 20);
    expect(geometry.holes).toHaveLength(1);
    const exact = section({ kind: 'tube', outerDiameterMm: 24, wallMm: 3 });
    expect(beam.secondMomentMm4 / exact.secondMomentMm4).toBeCloseTo(1, 2);
    expect(beam.areaMm2 / exact.areaMm2).toBeCloseTo(1, 2);
  });

  test('walls follow the hole as they follow the outside: 1 mm shells leave a ring of 11 to 10 mm', () => {
    const { mesh } = meshOf(tube(12, 9, 60, 96));
    const { geometry } = cutAcross(mesh, { along: 2, push: 0, loadAtMm: 60, held: 'low' }, 20);
    const fill = fillOf(
      { lineWidthMm: 0.5, layerHeightMm: 0.2, walls: 2, topBottomLayers: 5, pattern: 'triangles', infillShare: 0 },
      BUILT_UP.ZX,
    );
    const { core } = filledSection(geometry, 'depth', fill);
    expect(core!.areaMm2 / (Math.PI * (11 ** 2 - 10 ** 2))).toBeCloseTo(1, 1);
  });

  test('held at the high end, what lies beyond the load is not bent', () => {
    const high: MeshLoad = { ...pushed, loadAtMm: 40, held: 'high' };
    expect(cutAcross(bar.mesh, high, 90).leverMm).toBeCloseTo(50, 9);
    expect(cutAcross(bar.mesh, high, 20).stressPerN).toBe(0);
  });

  test('a plane through two legs is refused in plain words', () => {
    const { mesh } = meshOf([...box(0, 0, 0, 10, 10, 30), ...box(20, 0, 0, 30, 10, 30)]);
    expect(() => cutAcross(mesh, { along: 2, push: 0, loadAtMm: 30, held: 'low' }, 10)).toThrow(/2 separate pieces/);
  });

  test('a load along the part is refused', () =>
    expect(() => cutAcross(bar.mesh, { ...pushed, push: 0 }, 10)).toThrow(/along the part/));

  test('from end to end the stress falls towards the load, and every plane is found', () => {
    const { cuts, worst } = cutsAlong(bar.mesh, bar.report, pushed, 20);
    expect(worst!.atMm).toBeLessThan(1);
    const stresses = cuts.map((cut) => ('why' in cut ? Number.NaN : cut.stressPerN));
    expect(stresses).toEqual([...stresses].sort((a, b) => b - a));
    expect(stresses[0]!).toBeGreaterThan(10 * stresses.at(-1)!);
  });

  test('the top of a sharp peak is found between two cuts: a groove at 37.3 mm', () => {
    const ring = (x: number, half: number): P[] => [
      [x, -8, -half],
      [x, 8, -half],
      [x, 8, half],
      [x, -8, half],
    ];
    const rings = [ring(0, 10), ring(36.3, 10), ring(37.3, 4), ring(38.3, 10), ring(100, 10)];
    const sides = rings
      .slice(1)
      .flatMap((next, i) =>
        [0, 1, 2, 3].flatMap((k) => quad(rings[i]![k]!, rings[i]![(k + 1) % 4]!, next[(k + 1) % 4]!, next[k]!)),
      );
    const [first, last] = [rings[0]!, rings[4]!];
    const ends = [...quad(first[3]!, first[2]!, first[1]!, first[0]!), ...quad(last[0]!, last[1]!, last[2]!, last[3]!)];
    const { mesh, report } = meshOf([...ends, ...sides]);
    const { worst } = cutsAlong(mesh, report, pushed);
    expect(worst!.atMm).toBeCloseTo(37.3, 2);
    // 16 × 8 mm there, 62.7 mm before the load.
    expect(worst!.stressPerN).toBeCloseTo((62.7 * 4) / ((16 * 8 ** 3) / 12), 2);
  });
});

describe('outlines', () => {
  test('corners on a straight edge go, the area stays', () => {
    const square = [
      [0, 0],
      [5, 0],
      [10, 0],
      [10, 10],
      [4, 10],
      [0, 10],
    ] as const;
    expect(simplifyLoop(square, 4)).toEqual([
      [0, 0],
      [10, 0],
      [10, 10],
      [0, 10],
    ]);
  });

  test('a triangle keeps its three corners however few are wanted', () =>
    expect(
      simplifyLoop(
        [
          [0, 0],
          [1, 0],
          [0, 1],
        ],
        2,
      ),
    ).toHaveLength(3));

  test('the drawing holds every outline at true size and no sign that breaks it', () => {
    const { section: cut } = cutAcross(
      meshOf(tube(12, 9, 60, 24)).mesh,
      { along: 2, push: 0, loadAtMm: 60, held: 'low' },
      20,
    );
    const svg = sectionSvg(cut, 'a <part> & "more"');
    expect(svg).toContain('fill-rule="evenodd"');
    expect(svg).toContain('a &#60;part&#62; &#38; &#34;more&#34;');
    expect(sectionPathOf(cut).match(/M/g)).toHaveLength(2);
    expect(svg).toMatch(/width="27\.8\d*mm"/); // 24 mm and 8 % on either side
  });
});

describe('thinnest wall', () => {
  test('of a bar its smallest side, of a tube its wall', () => {
    expect(thinnestWall(bar.mesh)!.thicknessMm).toBeCloseTo(10, 5);
    const wall = thinnestWall(meshOf(tube(12, 9, 60, 48)).mesh)!;
    // Between flats of 48: 3·cos(π/48) at the least.
    expect(wall.thicknessMm).toBeGreaterThan(2.9);
    expect(wall.thicknessMm).toBeLessThanOrEqual(3.001);
  });

  test('a hollow box whose one wall is thin', () => {
    const hollow = meshOf([...box(0, 0, 0, 30, 30, 30), ...turned(box(0.7, 5, 5, 25, 25, 25))]);
    expect(thinnestWall(hollow.mesh)!.thicknessMm).toBeCloseTo(0.7, 4);
  });
});

test('how many lie on a bed: straight rows with 5 mm between, in the better turn', () => {
  const machine = { ...sampleLibrary.machines[0]!, buildVolumeMm: { x: 220, y: 200, z: 100 } };
  // 100 + 5 goes twice into 225, 20 + 5 eight times into 205.
  expect(nestingOn([machine], { heightMm: 10, longMm: 100, shortMm: 20 })[0]).toMatchObject({ fits: true, atOnce: 16 });
  // Only across a corner of the bed.
  expect(nestingOn([machine], { heightMm: 10, longMm: 260, shortMm: 10 })[0]).toMatchObject({ fits: true, atOnce: 1 });
  expect(nestingOn([machine], { heightMm: 101, longMm: 20, shortMm: 20 })[0]).toMatchObject({ fits: false, atOnce: 0 });
});

test('an end that runs out to a point is no cut: the peak is looked for where there is a section', () => {
  // A pyramid on a square of 20 × 20 mm, 60 mm high, its point held: towards it M/W grows like 1/x³.
  const corners = [
    [0, -10, -10],
    [0, 10, -10],
    [0, 10, 10],
    [0, -10, 10],
    [60, 0, 0],
  ].flat();
  const mesh = {
    vertices: new Float64Array(corners),
    triangles: new Uint32Array([0, 2, 1, 0, 3, 2, 0, 1, 4, 1, 2, 4, 2, 3, 4, 3, 0, 4]),
    name: 'pyramid',
  };
  const load = { along: 0, push: 2, loadAtMm: 0, held: 'high' } as const;
  const { cuts, worst } = cutsAlong(mesh, { lowMm: [0, -10, -10], highMm: [60, 10, 10] }, load);
  const pointed = cuts.filter((one) => 'why' in one && /runs out to nothing/.test(one.why));
  // A hundredth of the largest section is a tenth of the width: the last 6 mm, less than the outermost cut.
  expect(pointed.length).toBeGreaterThanOrEqual(5);
  expect(pointed.every(({ atMm }) => atMm > 53)).toBe(true);
  expect(worst!.areaMm2).toBeGreaterThan(3.9);
});
