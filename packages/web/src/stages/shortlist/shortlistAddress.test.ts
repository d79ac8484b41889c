import type { ChoiceRules } from '@anvilstone/core/evaluation';
import { readShortlistAddress } from './shortlistAddress.ts';
import { percent, percentRange } from './confidence/percent.ts';

const read = (address: string, rules?: ChoiceRules) => readShortlistAddress(new URLSearchParams(address), rules);

test('an empty address is the usual view, by the company’s ranking method', () => {
  expect(read('')).toMatchObject({
    view: 'drawn',
    previousSchoolId: undefined,
    groupBy: 'none',
    sort: null,
    find: '',
    pinnedIds: [],
    openId: null,
    massG: undefined,
    leastChance: 0.9,
  });
  expect(read('').rankingMethod.id).toBe('cheapest-that-passes');
  expect(read('', { rankingSchool: 'weakest-link' }).rankingMethod.id).toBe('weakest-link');
  expect(read('', { leastChance: 0.5 }).leastChance).toBe(0.5);
  expect(read('sure=0').leastChance).toBeUndefined();
});

test('everything that is set is read back', () => {
  expect(
    read(
      'view=map&school=weighted-merit&was=weakest-link&sure=0.9&sort=cost&falling=1&pin=a,b&grade=a&check=wear&mass=120&x=cost',
    ),
  ).toMatchObject({
    view: 'map',
    previousSchoolId: 'weakest-link',
    leastChance: 0.9,
    sort: { by: 'cost', descending: true },
    pinnedIds: ['a', 'b'],
    openId: 'a',
    checkId: 'wear',
    massG: 120,
    x: 'cost',
  });
});

test('what makes no sense is as if it were not there', () => {
  expect(read('view=upside-down&sure=7&mass=-5&group=nothing&pin=,,')).toMatchObject({
    view: 'drawn',
    leastChance: 0.9,
    massG: undefined,
    groupBy: 'none',
    pinnedIds: [],
  });
});

test.each([
  [0, '0 %'],
  [0.004, '< 0.5 %'],
  [0.005, '1 %'],
  [0.506, '51 %'],
  [0.9949, '99 %'],
  [0.995, '> 99 %'],
  [0.99951, '> 99.9 %'],
  [1, '> 99.9 %'],
])('a share of %d is said as %s', (share, words) => {
  expect(percent(share)).toBe(words);
});

test.each([
  [0.9951, 0.9989, '> 99 %'],
  [0.97, 0.99, 'between 97 % and 99 %'],
  [0.994, 0.9999, 'between 99 % and > 99.9 %'],
])('from %d to %d is %s', (low, high, words) => expect(percentRange(low, high)).toBe(words));
