import { DIMENSIONS, definitionOf, type Dimension } from './dimensions.ts';
import { fromCanonical, toCanonical } from './convert.ts';
import { countWords, formatNumber, formatQuantity } from './formatQuantity.ts';
import { parseQuantity } from './parseQuantity.ts';

describe('typed quantities', () => {
  test.each([
    ['12 lbf', 'force', 53.3787], // 12 × 4.44822 N
    ['12lbf', 'force', 53.3787],
    ['2 kgf', 'force', 19.6133],
    ['140 °F', 'temperature', 60], // (140 − 32) · 5/9
    ['-22F', 'temperature', -30],
    ['333.15 K', 'temperature', 60],
    ['3/16 in', 'length', 4.7625],
    ['2 1/2 in', 'length', 63.5],
    ['1/2"', 'length', 12.7],
    ['12,5', 'length', 12.5],
    ['0,125', 'length', 0.125],
    ['1e3', 'length', 1000],
    ['−5', 'temperature', -5],
    ['1 year', 'time', 8766],
    ['90 s', 'time', 0.025],
    ['10 ksi', 'stress', 68.9476],
  ] as const)('%s is %s %p', (text, dimension, expected) => {
    const parsed = parseQuantity(text, dimension);
    expect(parsed).toMatchObject({ ok: true });
    if (parsed.ok) expect(parsed.canonical).toBeCloseTo(expected, 3);
  });

  test('a bare number has the unit of the chosen system', () => {
    expect(parseQuantity('2', 'length', 'inchPound')).toEqual({ ok: true, canonical: 50.8, unit: 'in' });
    expect(parseQuantity('2', 'length', 'metric')).toEqual({ ok: true, canonical: 2, unit: 'mm' });
  });

  test.each([
    ['12 furlongs', 'length', /not a unit of length.*mm, cm/],
    ['12 N', 'length', /not a unit of length/],
    ['1,250', 'length', /1250 or 1\.25/],
    ['', 'force', /Type a number/],
    ['strong', 'force', /does not start with a number/],
    ['5/0 in', 'length', /divided by zero/],
    ['3 5 mm', 'length', /3\.5/],
    ['1e999', 'length', /too large/],
  ] as const)('refuses %p as %s and says what to write', (text, dimension, message) => {
    const parsed = parseQuantity(text, dimension);
    expect(parsed.ok).toBe(false);
    if (!parsed.ok) expect(parsed.message).toMatch(message);
  });

  test('every unit of every dimension converts there and back, and is found by each of its names', () => {
    for (const dimension of Object.keys(DIMENSIONS) as Dimension[]) {
      for (const unit of definitionOf(dimension).units) {
        for (const name of unit.names) {
          expect(fromCanonical(toCanonical(7.25, name, dimension), name, dimension)).toBeCloseTo(7.25, 9);
        }
      }
    }
  });

  test('an unknown unit is refused by name', () => {
    expect(() => toCanonical(1, 'stone', 'mass')).toThrow(/stone.*g, kg/);
  });
});

describe('shown numbers', () => {
  test.each([
    [0.012345, '0.0123'],
    [1234.5, '1235'],
    [-30, '−30'],
    [2.5, '2.5'],
    [0, '0'],
    [Infinity, '∞'],
    [12345678, '1.23e7'],
  ])('%p is shown as %p', (value, text) => expect(formatNumber(value)).toBe(text));

  test('a length follows the unit system', () => {
    expect(formatQuantity(304.8, 'length', 'inchPound')).toBe('12 in');
    expect(formatQuantity(9_990, 'mass', 'metric')).toBe('9990 g');
    expect(formatQuantity(26_000, 'mass', 'metric')).toBe('26 kg');
    expect(formatQuantity(26_000, 'mass', 'inchPound')).toBe('917 oz');
    expect(formatQuantity(304.8, 'length', 'metric')).toBe('305 mm');
    expect(formatQuantity(-30, 'temperature', 'inchPound')).toBe('−22 °F');
  });
});

test.each([
  [1, '1'],
  [60_000, '60,000'],
  [999_999, '999,999'],
  [1_000_000, '1 million'],
  [5_200_000, '5.2 million'],
])('%d times are counted as %s', (count, words) => expect(countWords(count)).toBe(words));
