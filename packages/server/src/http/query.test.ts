import { HttpProblem } from './problems.ts';
import { numberIn, oneOf, requiredRevision, textOf, wholeNumber } from './query.ts';

const issueOf = (read: () => unknown) => {
  try {
    read();
  } catch (error) {
    return error instanceof HttpProblem ? [error.status, error.issues[0]?.pointer, error.issues[0]?.accepted] : error;
  }
  return 'accepted';
};
const range = { least: 1, most: 500 };

test('what is not given is undefined, and not a default of its own', () => {
  expect([textOf({}, 'a'), wholeNumber({}, 'a', range), numberIn({}, 'a', range), oneOf({}, 'a', ['x'])]).toEqual([
    undefined,
    undefined,
    undefined,
    undefined,
  ]);
});
test('a value given twice is refused: nobody knows which one is meant', () =>
  expect(issueOf(() => textOf({ a: ['1', '2'] }, 'a'))).toEqual([422, '/a', 'one value']));
test.each(['', ' ', 'ten', '1.5', '0', '501', 'NaN', '1e3', '0x'])('“%s” is no whole number from 1 to 500', (a) =>
  expect(issueOf(() => wholeNumber({ a }, 'a', range))).toEqual([422, '/a', 'a whole number from 1 to 500']),
);
test.each([
  ['1', 1],
  ['500', 500],
  ['1e2', 100],
])('“%s” is %p', (a, value) => expect(wholeNumber({ a }, 'a', range)).toBe(value));
test.each(['', 'hot', 'Infinity', '-81'])('“%s” is no temperature', (a) =>
  expect(issueOf(() => numberIn({ a }, 'a', { least: -80, most: 400 }))).toEqual([
    422,
    '/a',
    'a number from -80 to 400',
  ]),
);
test('a fraction is a number', () => expect(numberIn({ a: '-30.5' }, 'a', { least: -80, most: 400 })).toBe(-30.5));
test('none of the choices: the choices are named', () => {
  expect(issueOf(() => oneOf({ a: 'z' }, 'a', ['x', 'y']))).toEqual([422, '/a', 'x, y']);
  expect(oneOf({ a: 'y' }, 'a', ['x', 'y'])).toBe('y');
});
test('a removal must name the revision that was read', () => {
  expect(issueOf(() => requiredRevision({}))).toEqual([422, '/revision', 'the revision that was read']);
  expect(requiredRevision({ revision: '3' })).toBe(3);
});
