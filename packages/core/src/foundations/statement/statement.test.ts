import fc from 'fast-check';
import { bare, celsius, grams, kelvins, megapascals, mm, newtons } from './amounts.ts';
import { fromMarked } from './fromMarked.ts';
import { spellOut } from './spellOut.ts';
import { distinct, inWords, joined, say } from './statement.ts';
import { inSentence } from '../units/inSentence.ts';

describe('a statement', () => {
  test('without an amount is its sentence', () => {
    expect(say`No machine fits ${3} of ${'these'}`).toBe('No machine fits 3 of these');
    expect(inWords('No machine fits')).toBe('No machine fits');
  });
  test('keeps the value that was computed, not the number that is read', () => {
    const found = say`Loses its shape from ${celsius(59.123)}`;
    expect(found).toEqual({
      says: 'Loses its shape from {0}',
      values: [{ value: 59.123, dimension: 'temperature' }],
    });
    expect(inWords(found)).toBe('Loses its shape from 59.1 °C');
    // 59.123 °C · 9/5 + 32 = 138.42 °F
    expect(inWords(found, 'inchPound')).toBe('Loses its shape from 138 °F');
  });
  test('a difference of temperature is no temperature: 10 K are 18 °F', () => {
    expect(inWords(say`${kelvins(10)} below`, 'inchPound')).toBe('18 °F below');
    expect(inWords(say`at ${celsius(10)}`, 'inchPound')).toBe('at 50 °F');
  });
  test('two numbers may share the unit of the second', () =>
    expect(
      ['metric', 'inchPound'].map((units) => inWords(say`${bare(mm(254))} × ${mm(50.8)}`, units as 'metric')),
    ).toEqual(['254 × 50.8 mm', '10 × 2 in']));
  test('within another its amounts stay amounts, and words of a user stay theirs', () => {
    const inner = say`needs ${celsius(80)}`;
    const outer = say`Bench ${'{0}'}: ${inner}; ${'load {1}, 5 N'} of ${newtons(44.482)}`;
    expect(inWords(outer, 'inchPound')).toBe('Bench {0}: needs 176 °F; load {1}, 5 N of 10 lbf');
  });
  test('several become one', () => {
    expect(joined(['a', 'b'], '; ')).toBe('a; b');
    expect(inWords(joined([say`${grams(10)}`, 'b', say`${mm(2)}`], '; '))).toBe('10 g; b; 2 mm');
    expect(joined([], '; ')).toBe('');
  });
  test('said twice counts once', () =>
    expect(spellOut(distinct([say`${mm(2)}`, 'x', say`${mm(2)}`, 'x', say`${mm(3)}`]))).toEqual(['2 mm', 'x', '3 mm']));
  test('within a sentence its first letter is small', () => {
    expect(inWords(inSentence(say`Modulus at ${celsius(23)}`))).toBe('modulus at 23 °C');
    expect(inSentence('UL 94')).toBe('uL 94');
  });
  test('whatever a user writes is never taken for a place of an amount', () =>
    fc.assert(
      fc.property(fc.string(), fc.double({ min: -80, max: 400, noNaN: true }), (words, temperatureC) => {
        const told = inWords(say`${words} at ${celsius(temperatureC)}, ${words}`);
        expect(told.startsWith(`${words} at `)).toBe(true);
        expect(told.endsWith(` °C, ${words}`)).toBe(true);
      }),
    ));
});

test('a table marks its amounts; a unit that nobody computes with is a fault of the table', () => {
  expect(inWords(fromMarked('Chars above {220 °C}, or at {−5 °C}'), 'inchPound')).toBe(
    'Chars above 428 °F, or at 23 °F',
  );
  expect(fromMarked('Nothing to convert')).toBe('Nothing to convert');
  expect(() => fromMarked('{3 furlongs} away')).toThrow(/furlongs/);
});

test('a result on its way out is spelled out all through', () =>
  expect(
    spellOut({ reserve: 2, gaps: [say`${megapascals(1)} asked`, 'x'], reason: null, more: { at: say`${mm(1)}` } }),
  ).toEqual({
    reserve: 2,
    gaps: ['1 MPa asked', 'x'],
    reason: null,
    more: { at: '1 mm' },
  }));
