import { lampArm, sampleLibrary } from '../sample/index.ts';
import type { Chance } from './chance.ts';
import { EQUAL_WEIGHTS } from './merit.ts';
import { rank } from './ranking.ts';
import { screen } from './screen.ts';
import { groundsToTheFirst, readWeights, readWishes, wishesText } from './wishes.ts';

const { grades: standings } = screen(lampArm, sampleLibrary);
const chance = (all: number) => ({ all }) as Chance;

test('wishes survive being written as text and read again', () => {
  const wishes = readWishes({ school: 'weighted-merit', weights: '40,10,10,20,20', sure: '0.95' });
  expect(wishes).toMatchObject({ schoolId: 'weighted-merit', leastChance: 0.95 });
  expect(readWishes(wishesText(wishes))).toEqual(wishes);
});

test.each([
  [{}, 'cheapest-that-passes'],
  [{ school: 'nonsense', weights: '1,2', sure: '0.5001' }, 'cheapest-that-passes'],
  [{ school: 'weakest-link', weights: '0,0,0,0,0' }, 'weakest-link'],
])('%j: what is not usable is left aside', (text, schoolId) => expect(readWishes(text)).toEqual({ schoolId }));

test('without a school of its own the workshop’s holds', () =>
  expect(readWishes({ sure: '0.9' }, 'lightest-when-sized')).toEqual({
    schoolId: 'lightest-when-sized',
    leastChance: 0.9,
  }));

test.each([null, '', '20,20', '-1,20,20,20,20', '1.5,20,20,20,20', '101,0,0,0,0'])(
  'weights %j count as equal',
  (text) => expect(readWeights(text)).toBe(EQUAL_WEIGHTS),
);

test('grades are drawn in order until two are sure; the first sure one leads', () => {
  const inOrder = rank(standings, 'cheapest-that-passes').filter(({ best }) => best.status === 'pass');
  const [first, second, third, fourth] = inOrder.map(({ gradeId }) => gradeId);
  const drawn: string[] = [];
  const grounds = groundsToTheFirst(
    standings,
    { schoolId: 'cheapest-that-passes', leastChance: 0.9 },
    ({ gradeId }) => {
      drawn.push(gradeId);
      return chance(gradeId === second || gradeId === fourth ? 0.93 : 0.6);
    },
  );
  expect(drawn).toEqual([first, second, third, fourth]);
  expect(
    rank(standings, 'cheapest-that-passes', grounds)
      .slice(0, 2)
      .map(({ gradeId }) => gradeId),
  ).toEqual([second, fourth]);
});

test('nothing is drawn when no chance is asked for', () => {
  const chanceOf = jest.fn();
  expect(groundsToTheFirst(standings, { schoolId: 'weakest-link' }, chanceOf)).toEqual({});
  expect(chanceOf).not.toHaveBeenCalled();
});
