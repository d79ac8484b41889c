import fc from 'fast-check';
import { compareMeans, pairedRatio, specimensFor } from './comparisons.ts';
import { tPoint } from './distributions.ts';
import { criticalResidual, outliersOf } from './outliers.ts';
import { readReadings } from './readReadings.ts';
import { sdOf, summaryOf } from './summary.ts';
import { normalSource } from './testContext.ts';
import { toleranceFactor } from './toleranceFactor.ts';
import { fitWeibull, weibullPoint } from './weibull.ts';

describe('one-sided tolerance factors, CMH-17 table 8.5.10', () => {
  test.each([
    [2, 20.581, 37.094],
    [3, 6.155, 10.553],
    [4, 4.162, 7.042],
    [5, 3.407, 5.741],
    [6, 3.006, 5.062],
    [7, 2.755, 4.642],
    [8, 2.582, 4.354],
    [9, 2.454, 4.143],
    [10, 2.355, 3.981],
    [11, 2.275, 3.852],
    [12, 2.21, 3.747],
    [13, 2.155, 3.659],
    [14, 2.109, 3.585],
    [15, 2.068, 3.52],
    [16, 2.033, 3.464],
    [17, 2.002, 3.414],
    [18, 1.974, 3.37],
    [19, 1.949, 3.331],
    [20, 1.926, 3.295],
    [21, 1.905, 3.263],
    [22, 1.886, 3.233],
    [23, 1.869, 3.206],
    [24, 1.853, 3.181],
    [25, 1.838, 3.158],
    [26, 1.824, 3.136],
    [27, 1.811, 3.116],
    [28, 1.799, 3.098],
    [29, 1.788, 3.08],
    [30, 1.777, 3.064],
  ])('n = %i: B %f, A %f', (n, b, a) => {
    // The table has three decimals, some of them cut off and not rounded.
    expect(Math.abs(toleranceFactor(n) - b)).toBeLessThan(0.0008);
    expect(Math.abs(toleranceFactor(n, 0.99) - a)).toBeLessThan(0.0008);
  });
  test('many readings: towards the normal point, 1.2816; more readings, smaller factor', () => {
    // 1.2816 + 1.645·√(1/5000 + 1.2816²/10000), by the large-sample formula.
    expect(toleranceFactor(5000)).toBeCloseTo(1.3131, 3);
    for (let n = 2; n < 30; n++) expect(toleranceFactor(n + 1)).toBeLessThan(toleranceFactor(n));
  });
  test.each([[1], [2.5], [NaN]])('refuses n = %p', (n) => expect(() => toleranceFactor(n)).toThrow(/^n:/));
});

describe('a summary', () => {
  test('by hand: 48, 50, 52 has mean 50, sd 2, CoV 4 %, and mean ± 4.303·2/√3', () => {
    const found = summaryOf([50, 48, 52]);
    expect(found).toMatchObject({ n: 3, mean: 50, median: 50, sd: 2, cov: 0.04 });
    expect(found.meanInterval!.high - 50).toBeCloseTo((4.3027 * 2) / Math.sqrt(3), 3);
    expect(found.bBasis).toBeCloseTo(50 - 6.1553 * 2, 3);
    expect(found.aBasis).toBeCloseTo(50 - 10.5527 * 2, 3);
  });
  test('one reading has no scatter and no basis: unknown, not zero', () => {
    expect(summaryOf([50])).toEqual({
      n: 1,
      mean: 50,
      median: 50,
      sd: null,
      cov: null,
      meanInterval: null,
      bBasis: null,
      aBasis: null,
    });
    expect(() => summaryOf([])).toThrow(/values/);
    expect(() => summaryOf([1, NaN])).toThrow(/values\/1/);
  });
  test('the basis holds as often as it says: 95 of 100 samples of six lie below the tenth percentile', () => {
    const normal = normalSource(20_260_901);
    const tenth = -1.2816;
    let covered = 0;
    const samples = 4000;
    for (let i = 0; i < samples; i++) {
      const { bBasis } = summaryOf(Array.from({ length: 6 }, normal));
      if (bBasis! <= tenth) covered += 1;
    }
    // 3.5 standard errors of a share of 0.95 in 4000 draws.
    expect(Math.abs(covered / samples - 0.95)).toBeLessThan(0.012);
  });
});

describe('outliers', () => {
  // Tietjen and Moore 1972: mass spectrometer readings of uranium, the last a slip.
  const uranium = [199.31, 199.53, 200.19, 200.82, 201.92, 201.95, 202.18, 245.57];
  test('the published set: one reading at 2.469, against 2.126 by chance', () => {
    expect(criticalResidual(8)).toBeCloseTo(2.1266, 3);
    expect(outliersOf(uranium)).toEqual([
      { index: 7, normedResidual: expect.closeTo(2.4688, 3) as number, critical: criticalResidual(8) },
    ]);
  });
  test('nothing is flagged in a tidy sample, without scatter, or in two readings', () => {
    expect(outliersOf([48, 50, 52, 49, 51])).toEqual([]);
    expect(outliersOf([5, 5, 5, 5])).toEqual([]);
    expect(outliersOf([1, 100])).toEqual([]);
  });
});

describe('Weibull', () => {
  // Lieblein and Zelen 1956, millions of revolutions to failure of 23 ball bearings.
  const layerStresses = [
    17.88, 28.92, 33, 41.52, 42.12, 45.6, 48.4, 51.84, 51.96, 54.12, 55.56, 67.8, 68.64, 68.64, 68.88, 84.12, 93.12,
    98.64, 105.12, 105.84, 127.92, 128.04, 173.4,
  ];
  test('the published fit: shape 2.102, scale 81.88', () => {
    const fit = fitWeibull(layerStresses)!;
    expect(fit.shape).toBeCloseTo(2.102, 3);
    expect(fit.scale).toBeCloseTo(81.88, 1);
    expect(weibullPoint(fit, 1 - Math.exp(-1))).toBeCloseTo(fit.scale, 9);
    expect(fit.points[0]).toEqual({ value: 17.88, failedShare: 0.7 / 23.4 });
  });
  test('the unit does not matter to the shape', () => {
    const property = fc.property(fc.double({ min: 1e-6, max: 1e6, noNaN: true }), (factor) => {
      const fit = fitWeibull(layerStresses.map((value) => value * factor))!;
      expect(fit.shape).toBeCloseTo(2.102, 3);
      expect(fit.scale / factor).toBeCloseTo(81.88, 1);
    });
    fc.assert(property, { numRuns: 30 });
  });
  test('no scatter, no fit; too few or negative are refused', () => {
    expect(fitWeibull([5, 5, 5])).toBeUndefined();
    expect(() => fitWeibull([1, 2])).toThrow(/at least 3/);
    expect(() => fitWeibull([1, 2, 0])).toThrow(/values\/2/);
  });
});

describe('comparisons', () => {
  const a = [27.5, 21, 19, 23.6, 17, 17.9, 16.9, 20.1, 21.9, 22.6, 23.1, 19.6, 19, 21.7, 21.4];
  const b = [27.1, 22, 20.8, 23.4, 23.4, 23.5, 25.8, 22, 24.8, 20.2, 21.9, 22.1, 22.9, 20.5, 24.4];
  test('a published example: t = −2.46 with 25.0 degrees of freedom, P = 0.021', () => {
    const found = compareMeans(a, b);
    expect(found.t).toBeCloseTo(-2.46, 2);
    expect(found.dof).toBeCloseTo(25, 1);
    expect(found.chance).toBeCloseTo(0.021, 3);
    expect(found.undecided).toBe(false);
  });
  test('too few to tell says how many would', () => {
    const found = compareMeans([50, 54], [48, 49]);
    expect(found.undecided).toBe(true);
    expect(found.interval.low).toBeLessThan(0);
    const { enough } = found;
    const error = (n: number) => tPoint(0.975, 2 * (n - 1)) * Math.sqrt((8 + 0.5) / n);
    expect(error(enough!)).toBeLessThan(3.5);
    expect(error(enough! - 1)).toBeGreaterThanOrEqual(3.5);
    expect(compareMeans([50, 54], [51.99, 52]).enough).toBeNull();
    expect(() => compareMeans([50], [48, 49])).toThrow(/first/);
    expect(() => compareMeans([50, 50], [48, 48])).toThrow(/scatter/);
  });
  test('pairs by their ratios: 1.5 and 1.6 and 1.4, by hand', () => {
    const found = pairedRatio([60, 80, 42], [40, 50, 30]);
    const logs = [1.5, 1.6, 1.4].map(Math.log);
    expect(found.ratio).toBeCloseTo(Math.cbrt(1.5 * 1.6 * 1.4), 12);
    expect(Math.log(found.interval.high / found.ratio)).toBeCloseTo((4.3027 * sdOf(logs)) / Math.sqrt(3), 3);
    expect(found).toMatchObject({ pairs: 3, undecided: false });
    expect(() => pairedRatio([1, 2], [1])).toThrow(/they are pairs/);
    expect(() => pairedRatio([1, 2], [1, -1])).toThrow(/second\/1/);
  });
  test('specimens for a mean to ± its scatter: 7, since 2.447/√7 is the first below 1', () => {
    expect(specimensFor(0.05, 0.05)).toBe(7);
    expect(specimensFor(0.05, 0.5)).toBe(2);
    expect(specimensFor(0.5, 0.001)).toBeNull();
    expect(() => specimensFor(0, 0.1)).toThrow(/cov/);
  });
});

describe('readings out of a file', () => {
  test.each([
    ['one column, decimal commas', '40\n41,5\n', [40, 41.5]],
    ['with a header', 'breakN\n48,5\n50\n', [48.5, 50]],
    ['the last of several columns', 'id;breakN\n1;48\n2;50,5\n', [48, 50.5]],
    ['empty lines and cells are left out', 'id,breakN\n1,48\n\n2,\n3,50\n', [48, 50]],
    ['one number', '5', [5]],
  ])('%s', (_, text, values) => expect(readReadings(text).values).toEqual(values));
  test('what is no reading is refused where it is', () => {
    expect(() => readReadings('breakN\n48\nslipped\n')).toThrow(/line 3: "slipped"/);
    expect(() => readReadings('breakN\nn.a.\n')).toThrow(/line 2/);
    expect(() => readReadings('a,b\n1,2\n1,2,3\n')).toThrow(/line 3: "1,2,3".*2 cells/);
    expect(() => readReadings('')).toThrow(/at least one number/);
  });
});
