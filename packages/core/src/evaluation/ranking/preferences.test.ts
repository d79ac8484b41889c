import { lampArm, sampleLibrary } from '../../education/sample/index.ts';
import type { Chance } from '../probability/chance.ts';
import { EQUAL_WEIGHTS } from './merit.ts';
import { rank } from './ranking.ts';
import { screen } from '../evaluating/screen.ts';
import { groundsToTheFirst, readWeights, readPreferences, preferencesText } from './preferences.ts';

const { grades: candidates } = screen(lampArm, sampleLibrary);
const chance = (all: number) => ({ all }) as Chance;

test('preferences survive being written as text and read again', () => {
  const preferences = readPreferences({ school: 'weighted-merit', weights: '40,10,10,20,20', sure: '0.95' });
  expect(preferences).toMatchObject({ schoolId: 'weighted-merit', leastChance: 0.95 });
  expect(readPreferences(preferencesText(preferences))).toEqual(preferences);
});

test.each([
  [{}, 'cheapest-that-passes'],
  [{ school: 'nonsense', weights: '1,2', sure: '1.5' }, 'cheapest-that-passes'],
  [{ school: 'weakest-link', weights: '0,0,0,0,0', sure: 'surely' }, 'weakest-link'],
])('%j: what is not usable is left aside: nine in ten prints, and 1.3 on typical values', (text, schoolId) =>
  expect(readPreferences(text)).toEqual({ schoolId, leastChance: 0.9, typicalReserve: 1.3 }),
);

test('0 asks for no chance, as text and as a rule', () => {
  expect(readPreferences({ sure: '0' })).toEqual({ schoolId: 'cheapest-that-passes' });
  expect(readPreferences({}, { leastChance: 0 })).toEqual({ schoolId: 'cheapest-that-passes' });
  expect(readPreferences(preferencesText({ schoolId: 'weakest-link' }))).toEqual({ schoolId: 'weakest-link' });
});

test('without a ranking method of its own the workshop’s holds', () =>
  expect(readPreferences({}, { rankingSchool: 'lightest-when-sized', leastChance: 0.95, typicalReserve: 1.5 })).toEqual(
    {
      schoolId: 'lightest-when-sized',
      leastChance: 0.95,
      typicalReserve: 1.5,
    },
  ));

test.each([null, '', '20,20', '-1,20,20,20,20', '1.5,20,20,20,20', '101,0,0,0,0'])(
  'weights %j count as equal',
  (text) => expect(readWeights(text)).toBe(EQUAL_WEIGHTS),
);

test('grades are drawn in order until two are sure; the first sure one leads', () => {
  const inOrder = rank(candidates, 'cheapest-that-passes').filter(({ best }) => best.status === 'pass');
  const [first, second, third, fourth] = inOrder.map(({ gradeId }) => gradeId);
  const drawn: string[] = [];
  const grounds = groundsToTheFirst(
    candidates,
    { schoolId: 'cheapest-that-passes', leastChance: 0.9 },
    ({ gradeId }) => {
      drawn.push(gradeId);
      return chance(gradeId === second || gradeId === fourth ? 0.93 : 0.6);
    },
  );
  expect(drawn).toEqual([first, second, third, fourth]);
  expect(
    rank(candidates, 'cheapest-that-passes', grounds)
      .slice(0, 2)
      .map(({ gradeId }) => gradeId),
  ).toEqual([second, fourth]);
});

test('who has too little room on typical values is not drawn, and does not lead', () => {
  const inOrder = rank(candidates, 'cheapest-that-passes').filter(({ best }) => best.status === 'pass');
  const thin = inOrder[0]!;
  const changed = candidates.map((one) =>
    one === thin ? { ...one, typicalReserve: 1.29 } : { ...one, typicalReserve: 2 },
  );
  const drawn: string[] = [];
  const preferences = { schoolId: 'cheapest-that-passes', leastChance: 0.9, typicalReserve: 1.3 };
  const grounds = groundsToTheFirst(changed, preferences, ({ gradeId }) => {
    drawn.push(gradeId);
    return chance(0.99);
  });
  expect(drawn).toEqual(inOrder.slice(1, 3).map(({ gradeId }) => gradeId));
  expect(rank(changed, 'cheapest-that-passes', grounds)[0]!.gradeId).toBe(inOrder[1]!.gradeId);
});

test('where nobody is sure the highest minimum reserve comes first, not the lowest cost', () => {
  const preferences = { schoolId: 'cheapest-that-passes', leastChance: 0.9 };
  const grounds = groundsToTheFirst(candidates, preferences, () => chance(0.53));
  const passing = rank(candidates, 'cheapest-that-passes', grounds).filter(({ best }) => best.status === 'pass');
  const reserves = passing.map(({ best }) => best.minimumReserve!);
  expect(passing.length).toBeGreaterThan(5);
  expect(reserves).toEqual([...reserves].sort((a, b) => b - a));
});

test('chances are the cheapest grade’s matter: other ranking methods draw nobody', () => {
  const chanceOf = jest.fn();
  groundsToTheFirst(candidates, { schoolId: 'weakest-link', leastChance: 0.9 }, chanceOf);
  expect(chanceOf).not.toHaveBeenCalled();
});

test('nothing is drawn when no chance is asked for', () => {
  const chanceOf = jest.fn();
  expect(groundsToTheFirst(candidates, { schoolId: 'weakest-link' }, chanceOf)).toEqual({});
  expect(chanceOf).not.toHaveBeenCalled();
});
