import fc from 'fast-check';
import { analyseCurve, readingsToDraw } from './curve.ts';
import { readCurve } from './readCurve.ts';

/** Slack of 0.5 mm, then 20 N/mm to 200 N, a give to 180 N, on to 240 N, then broken. */
function drawn(noiseN = 0, perMm = 50) {
  const force: number[] = [];
  const moved: number[] = [];
  const push = (from: number, to: number, at: (mm: number) => number) => {
    for (let i = 0; i < (to - from) * perMm; i++) {
      const mm = from + i / perMm;
      moved.push(mm);
      force.push(at(mm) + noiseN * Math.sin(i * 12.9898 + mm * 78.233) * 1.4);
    }
  };
  push(0, 0.5, () => 0);
  push(0.5, 10.5, (mm) => 20 * (mm - 0.5));
  push(10.5, 10.7, () => 180);
  push(10.7, 13.7, (mm) => 180 + 20 * (mm - 10.7));
  push(13.7, 14, () => 3);
  return { forceN: Float64Array.from(force), movedMm: Float64Array.from(moved) };
}

describe('force over movement', () => {
  test('peak, first give, stiffness, slack and work are those that were drawn', () => {
    const found = analyseCurve(drawn());
    expect(found.peakN).toBeCloseTo(239.6, 1);
    expect(found.firstCrackN).toBeCloseTo(199.6, 1);
    expect(found.stiffnessNPerMm).toBeCloseTo(20, 6);
    expect(found.toeMm).toBeCloseTo(0.5, 6);
    // ½·10·200 + 0.2·180 + 3·210 N·mm, a reading short at each end.
    expect(found.energyJ).toBeGreaterThan(1.65);
    expect(found.energyJ).toBeLessThan(1.68);
    expect(found.peakIsBound).toBe(false);
    expect(found.brokeAt).toBe(685);
  });
  test('noise of a newton moves none of them by more than it explains, and is told', () => {
    const found = analyseCurve(drawn(1));
    expect(found.noiseN).toBeGreaterThan(0.4);
    expect(found.noiseN).toBeLessThan(2);
    expect(found.firstCrackN).toBeCloseTo(200, -1);
    expect(found.stiffnessNPerMm! / 20).toBeCloseTo(1, 1);
  });
  test('one stray reading is no crack; readings that are missing are no zeros', () => {
    const curve = drawn();
    curve.forceN[200] = 5;
    curve.forceN[300] = NaN;
    curve.forceN[301] = NaN;
    const found = analyseCurve(curve);
    expect(found.firstCrackN).toBeCloseTo(199.6, 1);
    expect(found.energyJ).toBeGreaterThan(1.6);
  });
  test('read only ten times a second a crack is a single lower reading, and is still one', () => {
    // 4 N a reading to 160 N, 10 N down, and on.
    const forceN = Float64Array.from({ length: 70 }, (_, i) => (i > 60 ? 0 : 4 * i - (i > 40 ? 10 : 0)));
    const movedMm = Float64Array.from({ length: 70 }, (_, i) => i / 20);
    expect(analyseCurve({ forceN, movedMm })).toMatchObject({ firstCrackN: 160, peakN: 230 });
  });
  test('past the range the peak is only a bound; without movement there is no stiffness', () => {
    const { forceN } = drawn();
    const over = new Uint8Array(forceN.length);
    over[400] = 1;
    const found = analyseCurve({ forceN, movedMm: new Float64Array(forceN.length).fill(NaN), over });
    expect(found).toMatchObject({ peakIsBound: true, stiffnessNPerMm: null, energyJ: null, toeMm: null });
  });
  test('a brittle one has no give before its peak', () => {
    const forceN = Float64Array.from({ length: 100 }, (_, i) => (i < 80 ? 3 * i : 0));
    const movedMm = Float64Array.from({ length: 100 }, (_, i) => i / 10);
    expect(analyseCurve({ forceN, movedMm })).toMatchObject({ peakN: 237, firstCrackN: null, brokeAt: 80 });
  });
  test('refuses columns that do not go together, and no force at all', () => {
    expect(() => analyseCurve({ forceN: new Float64Array(3), movedMm: new Float64Array(2) })).toThrow(/movedMm/);
    expect(() => analyseCurve({ forceN: new Float64Array(0), movedMm: new Float64Array(0) })).toThrow(/forceN/);
  });
  test('what is drawn keeps the least and the largest, in order', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -1e4, max: 1e4, noNaN: true }), { minLength: 1, maxLength: 3000 }),
        (values) => {
          const force = Float64Array.from(values);
          const kept = readingsToDraw(force, 50);
          expect(kept.length).toBeLessThanOrEqual(Math.min(151, values.length));
          expect(Math.max(...kept.map((i) => force[i]!))).toBe(Math.max(...values));
          expect(Math.min(...kept.map((i) => force[i]!))).toBe(Math.min(...values));
          expect(kept).toEqual([...new Set(kept)].sort((a, b) => a - b));
          expect(kept[0]).toBe(0);
          expect(kept.at(-1)).toBe(values.length - 1);
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('a curve out of a file', () => {
  test('units in brackets: kgf and inches become N and mm', () => {
    const curve = readCurve('Displacement (in),Force (kgf)\n0,0\n0.1,10\n');
    expect([...curve.movedMm]).toEqual([0, expect.closeTo(2.54, 9)]);
    expect([...curve.forceN]).toEqual([0, expect.closeTo(98.0665, 9)]);
    expect(curve.taken[1]).toBe('“Force (kgf)” is the force in kgf');
  });
  test('a line of units, decimal commas, semicolons, °F', () => {
    const curve = readCurve('run 7\nTime;Load;Travel;Temp\ns;lbf;mm;°F\n0,5;1,5;0,25;73,4\n');
    expect(curve.timeS[0]).toBe(0.5);
    expect(curve.forceN[0]).toBeCloseTo(6.6723, 3);
    expect(curve.temperatureC[0]).toBeCloseTo(23, 6);
  });
  test('past the range is flagged, an empty cell is not read, and neither is a zero', () => {
    const curve = readCurve('mm,N\n0,1\n1,OL\n2,\n3,4\n');
    expect([...curve.over]).toEqual([0, 1, 0, 0]);
    expect([...curve.forceN]).toEqual([1, NaN, NaN, 4]);
  });
  test('without a unit it is told what was taken; two bare columns are movement and force', () => {
    expect(readCurve('travel,force\n1,2\n').taken[0]).toMatch(/no unit stands there/);
    const bare = readCurve('0 \t1\n2\t3');
    expect([[...bare.movedMm], [...bare.forceN]]).toEqual([
      [0, 2],
      [1, 3],
    ]);
  });
  test.each([
    ['a word in the middle', 'mm,N\n1,2\n2,slipped\n', /line 3: "slipped"/],
    ['a unit of something else', 'travel (kg),force (N)\n1,2\n', /unit of movement/],
    ['no numbers', 'a,b\nc,d\n', /line of numbers/],
    ['three bare columns', '1,2,3\n4,5,6\n', /header/],
    ['columns of nothing known', 'apples,pears,plums\n1,2,3\n', /header/],
  ])('%s is refused', (_, text, why) => expect(() => readCurve(text)).toThrow(why));
});
