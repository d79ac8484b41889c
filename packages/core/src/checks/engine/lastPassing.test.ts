import fc from 'fast-check';
import { lastPassing } from './lastPassing.ts';

const find = (reserveAt: (x: number) => number, passes: number, fails: number, tolerance = 0.05) => {
  let asked = 0;
  const found = lastPassing(
    (x) => {
      asked += 1;
      return Math.log(reserveAt(x));
    },
    { x: passes, logReserve: Math.log(reserveAt(passes)) },
    { x: fails, logReserve: Math.log(reserveAt(fails)) },
    tolerance,
  );
  return { found, asked };
};

// exp(−(x − 80)/9) is 1 at 80
test('an exponential fall is found in a few steps', () => {
  const { found, asked } = find((x) => Math.exp(-(x - 80) / 9), 23, 180);
  expect(found).toBeLessThanOrEqual(80);
  expect(found).toBeGreaterThan(79.95);
  expect(asked).toBeLessThan(8);
});
test('a cliff is found all the same', () => {
  const { found, asked } = find((x) => (x < 61.3 ? 5 : 0), 23, 120);
  expect(found).toBeLessThan(61.3);
  expect(found).toBeGreaterThan(61.2);
  expect(asked).toBeLessThan(40);
});
test('from the cold side, where the failing end is the warmer one or the colder one', () => {
  expect(find((x) => 1 - x / 100, -80, 23).found).toBeCloseTo(0, 0);
});
test('is where the reserve is 1: passes just before, fails just beyond', () =>
  fc.assert(
    fc.property(
      fc.double({ min: -70, max: 150, noNaN: true }),
      fc.double({ min: 0.5, max: 60, noNaN: true }),
      fc.double({ min: 0, max: 3, noNaN: true }),
      (root, scale, bend) => {
        const reserve = (x: number) => Math.exp(-(x - root) / scale - bend * Math.tanh((x - root) / 5));
        const { found } = find(reserve, -80, 160);
        expect(reserve(found - 0.0501)).toBeGreaterThan(1);
        expect(Math.abs(found - root)).toBeLessThan(0.002);
        expect(reserve(found + 0.0501)).toBeLessThan(1);
      },
    ),
    { seed: 2 },
  ));
