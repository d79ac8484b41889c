import { normalSource } from './testContext.ts';
import { fitCreepBand, type TimedMovement } from './creepBand.ts';

const TIMES_H = [10 / 3600, 30 / 3600, 1 / 60, 1 / 6, 0.5, 1, 3, 6, 12, 24, 48];
const TRUE = { instant: 1.2, a: 0.35, n: 0.22 };

const readings = (noise: number, normal: () => number): TimedMovement[] =>
  TIMES_H.map((timeH) => ({
    timeH,
    moved: TRUE.instant * (1 + TRUE.a * timeH ** TRUE.n) * Math.exp(noise * normal()),
  }));

const within = (value: number, { low, high }: { low: number; high: number }) => value >= low && value <= high;

describe('creep out of readings', () => {
  test('without noise the known parameters come back', () => {
    const fit = fitCreepBand(readings(0, () => 0));
    expect(fit.instant).toBeCloseTo(TRUE.instant, 3);
    expect(fit.creepA).toBeCloseTo(TRUE.a, 3);
    expect(fit.creepN).toBeCloseTo(TRUE.n, 3);
    expect(fit.at(1000).moved).toBeCloseTo(TRUE.instant * (1 + TRUE.a * 1000 ** TRUE.n), 2);
  });
  test('the intervals hold the known parameters about as often as they say, and the band the truth at 48 h', () => {
    const normal = normalSource(20_261_001);
    const counts = { instant: 0, a: 0, n: 0, end: 0 };
    const runs = 300;
    const end = TRUE.instant * (1 + TRUE.a * 48 ** TRUE.n);
    for (let i = 0; i < runs; i++) {
      const fit = fitCreepBand(readings(0.01, normal));
      if (within(TRUE.instant, fit.instantInterval)) counts.instant += 1;
      if (within(TRUE.a, fit.creepAInterval)) counts.a += 1;
      if (within(TRUE.n, fit.creepNInterval)) counts.n += 1;
      if (within(end, fit.at(48))) counts.end += 1;
    }
    for (const count of Object.values(counts)) {
      expect(count / runs).toBeGreaterThan(0.9);
      expect(count / runs).toBeLessThanOrEqual(1);
    }
  });
  test('the band widens beyond the last reading', () => {
    const fit = fitCreepBand(readings(0.01, normalSource(7)));
    const width = (h: number) => fit.at(h).high / fit.at(h).low;
    expect(width(10_000)).toBeGreaterThan(2 * (width(24) - 1) + 1);
    expect(fit.longestH).toBe(48);
  });
  test.each([
    ['too few', TIMES_H.slice(0, 4).map((timeH) => ({ timeH, moved: 1 + timeH })), /at least 5/],
    ['all at one time', TIMES_H.slice(0, 6).map((_, i) => ({ timeH: 1 + i / 10, moved: 1 + i })), /decade/],
    ['no growth', TIMES_H.map((timeH) => ({ timeH, moved: 1 })), /grows/],
    ['a movement of nothing', TIMES_H.map((timeH, i) => ({ timeH, moved: i })), /readings\/0\/moved/],
  ])('%s is refused', (_, given, why) => expect(() => fitCreepBand(given)).toThrow(why));
});
