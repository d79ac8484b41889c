import fc from 'fast-check';
import { fromCanonical, toCanonical } from './convert.ts';
import { DIMENSIONS, definitionOf, type Dimension, type UnitSystem } from './dimensions.ts';
import { formatQuantity, formatReserve } from './formatQuantity.ts';
import { parseQuantity } from './parseQuantity.ts';

const dimensions = Object.keys(DIMENSIONS) as Dimension[];
const anyDimension = fc.constantFrom(...dimensions);
const anySystem = fc.constantFrom<UnitSystem>('metric', 'inchPound');
const number = fc.double({ min: -1e5, max: 1e5, noNaN: true });

test('what is shown can be typed back: the same quantity to its shown digits', () =>
  fc.assert(
    fc.property(anyDimension, anySystem, number, (dimension, system, value) => {
      const parsed = parseQuantity(formatQuantity(value, dimension, system, 9), dimension, system);
      expect(parsed.ok).toBe(true);
      // Below a ten-thousandth the exponent form is used, which parses as well; offsets cost some relative accuracy.
      if (parsed.ok)
        expect(Math.abs(parsed.canonical - value)).toBeLessThanOrEqual(1e-6 * Math.max(1, Math.abs(value)));
    }),
  ));

test('conversion there and back is the identity, and keeps order', () =>
  fc.assert(
    fc.property(anyDimension, number, number, (dimension, a, b) => {
      for (const unit of definitionOf(dimension).units) {
        const [name] = unit.names;
        const there = toCanonical(a, name, dimension);
        expect(Math.abs(fromCanonical(there, name, dimension) - a)).toBeLessThanOrEqual(
          1e-9 * Math.max(1, Math.abs(a)),
        );
        if (a < b) expect(there).toBeLessThanOrEqual(toCanonical(b, name, dimension));
      }
    }),
  ));

test('nothing that can be typed makes the reader throw or answer with something that is not a number', () =>
  fc.assert(
    fc.property(fc.string(), anyDimension, anySystem, (text, dimension, system) => {
      const parsed = parseQuantity(text, dimension, system);
      if (parsed.ok) expect(Number.isFinite(parsed.canonical)).toBe(true);
      else expect(parsed.message.length).toBeGreaterThan(5);
    }),
    { numRuns: 500 },
  ));

test('no reserve below 1 is ever written as 1.00 or more, and none of 1 or more as less', () =>
  fc.assert(
    fc.property(fc.double({ min: 0, max: 19, noNaN: true }), (reserve) => {
      fc.pre(Math.abs(reserve - 1) > 1e-8);
      expect(Number(formatReserve(reserve)) >= 1).toBe(reserve >= 1);
    }),
    { numRuns: 500 },
  ));

test('names are not shared by two units of one dimension', () => {
  for (const dimension of dimensions) {
    const names = definitionOf(dimension).units.flatMap((unit) => unit.names);
    expect(new Set(names).size).toBe(names.length);
  }
});
