import { inWords, joined, spellOut } from '@anvilstone/core/foundations';
import { strToU8, zipSync } from 'fflate';
import { closureOf } from './edges.ts';
import { bedProperties } from './properties.ts';
import { meshReport, readMesh } from './report.ts';
import { readStl } from './readStl.ts';
import { sectionOf } from './section.ts';
import { binary, box, quad, soupOf, text, tube, turned, type P, type T } from './testContext.ts';
import { turnAlike } from './turnAlike.ts';
import { weld } from './weld.ts';

const report = (triangles: readonly T[]) => meshReport(soupOf(triangles)).report;
const cut = (triangles: readonly T[], normal: P, at: P) =>
  sectionOf(meshReport(soupOf(triangles)).mesh, { normal, at });

describe('exact solids', () => {
  test('a box far from the origin: volume, area, centroid, box, one body, watertight', () => {
    const found = report(box(1000, -500, 20, 1010, -480, 50));
    expect(found).toMatchObject({ triangles: 12, vertices: 8, bodies: 1, watertight: true, notes: [] });
    expect(found.volumeMm3).toBeCloseTo(10 * 20 * 30, 6);
    expect(found.areaMm2).toBeCloseTo(2 * (200 + 600 + 300), 6);
    found.centroidMm.forEach((value, i) => expect(value).toBeCloseTo([1005, -490, 35][i]!, 9));
    expect([found.lowMm, found.highMm]).toEqual([
      [1000, -500, 20],
      [1010, -480, 50],
    ]);
  });
  test('a cylinder within its faceting: volume of the n-gon prism, not of the circle', () => {
    const n = 64;
    const found = report(tube(10, 0, 5, n));
    const area = (n / 2) * 100 * Math.sin((2 * Math.PI) / n);
    expect(found.volumeMm3 / (area * 5)).toBeCloseTo(1, 6);
    expect(found.volumeMm3 / (Math.PI * 100 * 5)).toBeCloseTo(1, 2);
  });
  test('as it lies: what rests, what overhangs by more than 45°', () => {
    // A T: a plate of 30 × 10 on a stem of 10 × 10; under the plate 200 mm² hang.
    const tee = [...box(10, 0, 0, 20, 10, 20), ...box(0, 0, 20, 30, 10, 25)];
    const { mesh } = weld(soupOf(tee));
    expect(bedProperties(mesh, [0, 0, 1])).toMatchObject({ heightMm: 25, footprintMm2: 100 });
    // The stem's top and the plate's middle lie on each other: 100 mm² of it is hidden, and counted.
    expect(bedProperties(mesh, [0, 0, 1]).overhangMm2).toBeCloseTo(300, 6);
    expect(bedProperties(mesh, [0, 0, -1]).footprintMm2).toBeCloseTo(300, 6);
    expect(bedProperties(mesh, [0, 1, 0]).overhangMm2).toBe(0);
  });
});

describe('sections', () => {
  test('a box across z: b·h, b·h³/12 about each axis, axes x and y', () => {
    const found = cut(box(0, 0, 0, 20, 10, 100), [0, 0, 5], [0, 0, 40]);
    [...found.u, ...found.v].forEach((value, k) => expect(value).toBeCloseTo([1, 0, 0, 0, 1, 0][k]!, 12));
    expect(found.areaMm2).toBeCloseTo(200, 9);
    expect(found.centroidMm[0]).toBeCloseTo(10, 9);
    expect(found.secondMomentUMm4).toBeCloseTo((20 * 10 ** 3) / 12, 6);
    expect(found.secondMomentVMm4).toBeCloseTo((10 * 20 ** 3) / 12, 6);
    expect(found.productMm4).toBeCloseTo(0, 6);
    expect(found.extremeMm.u).toBeCloseTo(10, 9);
    expect(found.extremeMm.v).toBeCloseTo(5, 9);
  });
  test('a tube: the hole is taken away, and every axis is principal', () => {
    const n = 256;
    const found = cut(tube(10, 6, 30, n), [0, 0, 1], [0, 0, 11]);
    expect(found.loops).toHaveLength(2);
    expect(found.areaMm2 / (Math.PI * (100 - 36))).toBeCloseTo(1, 3);
    const i = (Math.PI / 4) * (10 ** 4 - 6 ** 4);
    expect(found.secondMomentUMm4 / i).toBeCloseTo(1, 3);
    expect(found.principal.largestMm4 / found.principal.smallestMm4).toBeCloseTo(1, 6);
  });
  test('a bar cut askew is longer by 1/cos, thicker by nothing', () => {
    const found = cut(box(0, 0, 0, 20, 10, 100), [0, Math.sin(Math.PI / 6), Math.cos(Math.PI / 6)], [0, 0, 50]);
    expect(found.areaMm2).toBeCloseTo(200 / Math.cos(Math.PI / 6), 5);
  });
  test('an L: principal axes at 45°, moments by hand', () => {
    // Two legs 30 × 5 sharing a corner, as one outline
    const z = (p: readonly [number, number], h: number): P => [p[0], p[1], h];
    const outline = [
      [0, 0],
      [30, 0],
      [30, 5],
      [5, 5],
      [5, 30],
      [0, 30],
    ] as const;
    const caps = [
      [0, 1, 2],
      [0, 2, 3],
      [0, 3, 5],
      [3, 4, 5],
    ] as const;
    const solid: T[] = [
      ...caps.map(([a, b, c]): T => [z(outline[a], 10), z(outline[b], 10), z(outline[c], 10)]),
      ...caps.map(([a, b, c]): T => [z(outline[a], 0), z(outline[c], 0), z(outline[b], 0)]),
      ...outline.flatMap((p, i) => quad(z(p, 0), z(outline[(i + 1) % 6]!, 0), z(outline[(i + 1) % 6]!, 10), z(p, 10))),
    ];
    const found = cut(solid, [0, 0, 1], [0, 0, 5]);
    expect(found.areaMm2).toBeCloseTo(275, 9);
    expect(Math.abs(found.principal.angleDeg)).toBeCloseTo(45, 6);
    const c = (30 * 5 * 2.5 + 25 * 5 * 17.5) / 275;
    expect(found.centroidMm[1]).toBeCloseTo(c, 9);
    const i = (30 * 5 ** 3) / 12 + 150 * (c - 2.5) ** 2 + (5 * 25 ** 3) / 12 + 125 * (c - 17.5) ** 2;
    expect(found.secondMomentUMm4).toBeCloseTo(i, 6);
  });
  test('two bodies cut at once are one section; beside the part there is none', () => {
    const two = [...box(0, 0, 0, 10, 10, 10), ...box(20, 0, 0, 30, 10, 10)];
    expect(cut(two, [0, 0, 1], [0, 0, 5]).areaMm2).toBeCloseTo(200, 9);
    expect(() => cut(two, [0, 0, 1], [0, 0, 50])).toThrow('does not cut the part');
    expect(() => cut(two, [0, 0, 0], [0, 0, 5])).toThrow('needs a direction');
  });
});

describe('files', () => {
  const cube = box(0, 0, 0, 10, 10, 10);
  test('binary and text hold the same, a binary one that begins with “solid” too', () => {
    const expected = report(cube).volumeMm3;
    for (const bytes of [
      binary(cube),
      binary(cube, 'solid but binary'),
      strToU8(text(cube)),
      strToU8(`  ${text(cube).toUpperCase()}`),
    ])
      expect(meshReport(readMesh(bytes, 'f.stl')).report.volumeMm3).toBeCloseTo(expected, 4);
  });
  test.each([
    ['empty', new Uint8Array(0), /The file is empty/],
    ['too short', strToU8('hello'), /too short to be a mesh/],
    ['a binary one cut off', binary(cube).slice(0, 400), /cut off: it announces 12 triangles and holds 6/],
    ['a text one cut off', strToU8(text(cube).slice(0, 700)), /cut off/],
    ['no triangle', binary([]), /no triangle/],
    ['corners that are no numbers', strToU8(text(cube).replace('vertex 10 10 10', 'vertex ten 10 10')), /no number/],
    [
      'an announcement that would fill the memory',
      Object.assign(binary(cube), {}).map((byte, i) => (i >= 80 && i < 84 ? 255 : byte)),
      /cut off: it announces 4,294,967,295/,
    ],
    ['an archive that is none', strToU8('PK\u0003\u0004nothing'), /cannot be unpacked|holds no model/],
  ])('%s is refused in plain words', (_what, bytes, why) => {
    expect(() => meshReport(readMesh(bytes, 'f.stl'))).toThrow(why);
  });
  test('open, partly flipped, inside out, doubled, without area: each is said', () => {
    const open = report(cube.slice(1));
    expect(open.watertight).toBe(false);
    expect(inWords(joined(open.notes, '; '))).toMatch(/3 edges have a triangle on one side only/);
    const flipped = report([...cube.slice(0, 11), ...turned(cube.slice(11))]);
    expect(flipped.watertight).toBe(true);
    expect(flipped.volumeMm3).toBeCloseTo(report(cube).volumeMm3, 6);
    expect(flipped.notes).toEqual([
      'One triangle looked inwards where its neighbours look outwards; it has been turned.',
    ]);
    const inverted = report(turned(cube));
    expect(inverted.volumeMm3).toBeCloseTo(1000, 6);
    expect(inverted.notes).toEqual(['It was inside out throughout and has been turned.']);
    expect(
      report([
        ...cube,
        [
          [0, 0, 0],
          [1, 1, 1],
          [0, 0, 0],
        ],
      ]).notes,
    ).toEqual(['One triangle without area was left out.']);
    const touching = report([...cube, ...box(10, 10, 0, 20, 20, 10)]);
    expect(inWords(joined(touching.notes, '; '))).toMatch(/More than two triangles meet along one edge/);
    expect(touching.volumeMm3).toBeCloseTo(2000, 6);
    expect(() =>
      report([
        [
          [0, 0, 0],
          [0, 0, 0],
          [1, 1, 1],
        ],
      ]),
    ).toThrow('nothing is left');
  });
  test('a tiny or a huge one asks about its units; an open one has no section', () => {
    expect(inWords(joined(report(box(0, 0, 0, 0.2, 0.1, 0.1)).notes, '; '))).toMatch(/metres or inches/);
    expect(inWords(joined(report(box(0, 0, 0, 20000, 10, 10)).notes, '; '))).toMatch(/micrometres/);
    expect(() => cut(cube.slice(2), [0, 1, 0], [0, 5, 0])).toThrow(/open where the plane cuts it/);
  });
  test('corners that differ in the last digit are one', () => {
    const jittered = cube.map((triangle, i): T => triangle.map(([x, y, z]) => [x + (i % 3) * 1e-6, y, z]) as T);
    const { mesh } = weld(soupOf(jittered));
    expect(closureOf(mesh).watertight).toBe(true);
  });
});

describe('3MF', () => {
  const vertices =
    '<vertex x="0" y="0" z="0"/><vertex x="1" y="0" z="0"/><vertex x="0" y="1" z="0"/><vertex x="0" y="0" z="1"/>';
  const triangles =
    '<triangle v1="0" v2="2" v3="1"/><triangle v1="0" v2="1" v3="3"/><triangle v1="0" v2="3" v3="2"/><triangle v1="1" v2="2" v3="3"/>';
  const object = (id: number) =>
    `<object id="${id}" type="model"><mesh><vertices>${vertices}</vertices><triangles>${triangles}</triangles></mesh></object>`;
  const model = (inside: string, unit = 'millimeter') =>
    `<?xml version="1.0"?><model unit="${unit}" xmlns="x"><resources>${inside}</model>`;
  const pack = (xml: string, path = '3D/3dmodel.model') =>
    zipSync({ '[Content_Types].xml': strToU8('<Types/>'), [path]: strToU8(xml) });
  const read = (xml: string) => meshReport(readMesh(pack(xml), 'm.3mf')).report;

  test('its unit, bodies placed by the build, components and their moves', () => {
    expect(read(model(`${object(1)}</resources>`)).volumeMm3).toBeCloseTo(1 / 6, 6);
    expect(read(model(`${object(1)}</resources><build><item objectid="1"/></build>`, 'inch')).volumeMm3).toBeCloseTo(
      25.4 ** 3 / 6,
      2,
    );
    const twice = read(
      model(
        `${object(1)}<object id="2"><components><component objectid="1"/><component objectid="1" transform="2 0 0 0 2 0 0 0 2 10 0 0"/></components></object></resources><build><item objectid="2" transform="1 0 0 0 1 0 0 0 1 0 0 5"/></build>`,
      ),
    );
    expect(twice.bodies).toBe(2);
    expect(twice.volumeMm3).toBeCloseTo((1 + 8) / 6, 5);
    expect(twice.lowMm[2]).toBeCloseTo(5, 6);
    expect(twice.highMm[0]).toBeCloseTo(12, 6);
  });
  test.each([
    ['a unit of its own', model(`${object(1)}</resources>`, 'furlong'), /unit “furlong” is none/],
    [
      'an object that is not there',
      model(`${object(1)}</resources><build><item objectid="7"/></build>`),
      /object 7, which is not in it/,
    ],
    ['a corner that is not there', model(object(1).replace('v3="1"', 'v3="9"')), /without its corner 9/],
    [
      'components that hold each other',
      model('<object id="1"><components><component objectid="1"/></components></object></resources>'),
      /contain each other/,
    ],
    ['entities', model(object(1)).replace('<model', '<!DOCTYPE m [<!ENTITY a "b">]><model'), /declares entities/],
    ['nothing', model('</resources>'), /no triangle/],
    [
      'a transform of words',
      model(`${object(1)}</resources><build><item objectid="1" transform="big"/></build>`),
      /not twelve numbers/,
    ],
  ])('%s is refused', (_what, xml, why) => expect(() => read(xml)).toThrow(why));
  test('a package without a model', () =>
    expect(() => readMesh(pack('x', 'readme.txt'), 'm.3mf')).toThrow('holds no model'));
});

test('what is read is never changed by its name', () => {
  const cube = box(0, 0, 0, 1, 1, 1);
  expect(readStl(binary(cube), 'a.obj').positions).toHaveLength(108);
});

describe('triangles that look the wrong way', () => {
  const hollow = [...box(0, 0, 0, 30, 30, 30), ...turned(box(5, 5, 5, 25, 25, 25))];

  test('a hollow stays a hollow: each piece keeps the side that most of it looks to', () => {
    const muddled = hollow.map((one, i) => (i % 5 === 0 ? turned([one])[0]! : one));
    const mended = report(muddled);
    expect(mended.volumeMm3).toBeCloseTo(30 ** 3 - 20 ** 3, 3);
    expect(inWords(joined(mended.notes, '; '))).toMatch(/5 triangles looked inwards/);
  });

  test('where the skin has holes nothing is made up', () =>
    expect(spellOut(report([...hollow.slice(2), ...turned(hollow.slice(0, 1))]).notes).join()).toMatch(
      /part of the skin is inside out/,
    ));

  test('a strip with a half twist has no inside', () => {
    const at = (i: number, side: number): P => {
      const angle = (2 * Math.PI * i) / 24;
      const half = angle / 2;
      return [
        (10 + side * Math.cos(half)) * Math.cos(angle),
        (10 + side * Math.cos(half)) * Math.sin(angle),
        side * Math.sin(half),
      ];
    };
    const strip = Array.from({ length: 24 }, (_, i) => quad(at(i, -2), at(i, 2), at(i + 1, 2), at(i + 1, -2))).flat();
    expect(turnAlike(weld(soupOf(strip)).mesh)).toBeUndefined();
  });
});
