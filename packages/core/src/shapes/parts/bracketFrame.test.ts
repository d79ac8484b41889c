import { Matrix, solve } from 'ml-matrix';
import { bracketFrame, ROOT_TURN, type FrameInput } from './bracketFrame.ts';

/** Bar elements of a plane frame put together node by node, as a program for any frame does: three movements a node. */
function byElements({ reachMm, dropMm, tie, strut, beyondMm }: FrameInput, elements: number) {
  const nodes: [x: number, y: number][] = [];
  const bars: { from: number; to: number; areaMm2: number; secondMm4: number }[] = [];
  const line = (from: [number, number], to: [number, number], first: number | undefined, bar: typeof tie) => {
    let before = first ?? nodes.push(from) - 1;
    for (let i = 1; i <= elements; i++) {
      const at: [number, number] = [
        from[0] + ((to[0] - from[0]) * i) / elements,
        from[1] + ((to[1] - from[1]) * i) / elements,
      ];
      const known = nodes.findIndex(([x, y]) => Math.hypot(x - at[0], y - at[1]) < 1e-9);
      const next = known >= 0 ? known : nodes.push(at) - 1;
      const areaMm2 = bar.depthMm * bar.widthMm;
      bars.push({ from: before, to: next, areaMm2, secondMm4: (bar.widthMm * bar.depthMm ** 3) / 12 });
      before = next;
    }
    return before;
  };
  const joint = line([0, 0], [reachMm, 0], undefined, tie);
  const tip = beyondMm > 0 ? line([reachMm, 0], [reachMm + beyondMm, 0], joint, tie) : joint;
  const foot = nodes.length;
  line([0, -dropMm], [reachMm, 0], undefined, strut);
  const size = 3 * nodes.length;
  const stiffness = Matrix.zeros(size, size);
  const add = (i: number, j: number, value: number) => stiffness.set(i, j, stiffness.get(i, j) + value);
  for (const { from, to, areaMm2, secondMm4 } of bars) {
    const [dx, dy] = [nodes[to]![0] - nodes[from]![0], nodes[to]![1] - nodes[from]![1]];
    const l = Math.hypot(dx, dy);
    const [c, s] = [dx / l, dy / l];
    const [a, b, e, f, g] = [
      areaMm2 / l,
      (12 * secondMm4) / l ** 3,
      (6 * secondMm4) / l ** 2,
      (4 * secondMm4) / l,
      (2 * secondMm4) / l,
    ];
    const local = new Matrix([
      [a, 0, 0, -a, 0, 0],
      [0, b, e, 0, -b, e],
      [0, e, f, 0, -e, g],
      [-a, 0, 0, a, 0, 0],
      [0, -b, -e, 0, b, -e],
      [0, e, g, 0, -e, f],
    ]);
    const turn = new Matrix([
      [c, s, 0, 0, 0, 0],
      [-s, c, 0, 0, 0, 0],
      [0, 0, 1, 0, 0, 0],
      [0, 0, 0, c, s, 0],
      [0, 0, 0, -s, c, 0],
      [0, 0, 0, 0, 0, 1],
    ]);
    const global = turn.transpose().mmul(local).mmul(turn);
    const places = [3 * from, 3 * from + 1, 3 * from + 2, 3 * to, 3 * to + 1, 3 * to + 2];
    places.forEach((p, i) => places.forEach((q, j) => add(p, q, global.get(i, j))));
  }
  // Held at both roots, which turn in their wall.
  const held = 1e12;
  for (const [root, bar] of [
    [0, tie],
    [foot, strut],
  ] as const) {
    add(3 * root, 3 * root, held);
    add(3 * root + 1, 3 * root + 1, held);
    add(3 * root + 2, 3 * root + 2, (bar.widthMm * bar.depthMm ** 2) / ROOT_TURN);
  }
  const load = Matrix.zeros(size, 1);
  load.set(3 * tip + 1, 0, -1);
  const moved = solve(stiffness, load);
  const at = (node: number, place: 0 | 1 | 2) => moved.get(3 * node + place, 0);
  return {
    drop: -at(tip, 1),
    tieForce: ((tie.depthMm * tie.widthMm) / reachMm) * at(joint, 0),
    tieRootMoment: Math.abs((at(0, 2) * (tie.widthMm * tie.depthMm ** 2)) / ROOT_TURN),
  };
}

const cases: [name: string, frame: FrameInput][] = [
  [
    'the nozzle bracket',
    { reachMm: 160, dropMm: 90, tie: { depthMm: 7, widthMm: 14 }, strut: { depthMm: 7, widthMm: 14 }, beyondMm: 7 },
  ],
  [
    'load at the joint',
    { reachMm: 120, dropMm: 90, tie: { depthMm: 10, widthMm: 10 }, strut: { depthMm: 10, widthMm: 10 }, beyondMm: 0 },
  ],
  [
    'a stout tie, a slender strut',
    { reachMm: 80, dropMm: 120, tie: { depthMm: 20, widthMm: 8 }, strut: { depthMm: 4, widthMm: 8 }, beyondMm: 25 },
  ],
  [
    'a slender tie, a stout strut',
    { reachMm: 200, dropMm: 60, tie: { depthMm: 4, widthMm: 20 }, strut: { depthMm: 16, widthMm: 20 }, beyondMm: 12 },
  ],
];

describe.each(cases)('%s: as a program for any frame has it', (_name, frame) => {
  const [found, wanted] = [bracketFrame(frame), byElements(frame, 6)];
  test('drop of the load', () => expect(found.dropPerModulus / wanted.drop).toBeCloseTo(1, 5));
  test('pull in the tie', () => expect(found.tie.forcePerN / wanted.tieForce).toBeCloseTo(1, 5));
  test('bending at the root of the tie', () =>
    expect(found.tie.rootMomentPerN / wanted.tieRootMoment).toBeCloseTo(1, 3));
  test('what the members let it drop by adds up', () => {
    const { tie, strut, endDrop, dropPerModulus } = found;
    const parts = [tie, strut].flatMap((one) => [one.axialDrop, one.bendingDrop, one.rootDrop]);
    expect(parts.reduce((sum, one) => sum + one, endDrop)).toBeCloseTo(dropPerModulus, 9);
    for (const one of parts) expect(one).toBeGreaterThanOrEqual(0);
  });
});

test('the longer the reach, the further the load hangs out, the thinner the members: the more it drops', () => {
  const [, frame] = cases[0]!;
  const drop = (change: Partial<FrameInput>) => bracketFrame({ ...frame, ...change }).dropPerModulus;
  expect(drop({ reachMm: 200 })).toBeGreaterThan(drop({}));
  expect(drop({ beyondMm: 20 })).toBeGreaterThan(drop({}));
  expect(drop({ dropMm: 60 })).toBeGreaterThan(drop({}));
  expect(drop({ tie: { depthMm: 6, widthMm: 12 } })).toBeGreaterThan(drop({}));
  expect(drop({ strut: { depthMm: 6, widthMm: 12 } })).toBeGreaterThan(drop({}));
});

test.each([
  ['tie', { tie: { depthMm: 0, widthMm: 10 } }, /depthMm/],
  ['strut', { strut: { depthMm: 10, widthMm: -1 } }, /widthMm/],
  ['load', { beyondMm: -1 }, /beyondMm/],
  ['load nowhere', { beyondMm: Number.NaN }, /beyondMm/],
] as const)('%s: what cannot be is refused by name', (_name, change, what) =>
  expect(() => bracketFrame({ ...cases[0]![1], ...change })).toThrow(what),
);
