import { bisect } from './bisect.ts';

test('the root of 2, to the last digit that a number has', () => {
  const [low, high] = bisect((x) => x * x < 2, 1, 2);
  expect(low).toBeCloseTo(Math.SQRT2, 14);
  expect(high).toBeCloseTo(Math.SQRT2, 14);
  expect(low * low).toBeLessThan(2);
});

test('no closer than asked, and no more often', () => {
  let times = 0;
  const holds = (x: number) => {
    times += 1;
    return x < 700;
  };
  expect(bisect(holds, 0, 1024, { within: 1 })).toEqual([699, 700]);
  expect(times).toBe(10);
  expect(bisect((x) => x < 700, 0, 1024, { steps: 1 })).toEqual([512, 1024]);
});

test('over decades by the logarithm', () => {
  const [low, high] = bisect((x) => x < 5, 1e-4, 1e4, { within: 1.01, geometric: true });
  expect(low).toBeLessThan(5);
  expect(high).toBeGreaterThanOrEqual(5);
  expect(high / low).toBeLessThan(1.01);
});
