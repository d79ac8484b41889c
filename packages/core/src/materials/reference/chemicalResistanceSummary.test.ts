import { findAgent } from './agent.ts';
import { chemicalResistanceSummary, ratingAt } from './chemicalResistanceSummary.ts';
import { families } from './family.ts';

const oil = findAgent('mineral-oil')!;
const cool = { temperatureC: 23 };

test('every model family stands in exactly one group', () => {
  const { groups } = chemicalResistanceSummary(oil, cool);
  const listed = Object.values(groups).flat();
  const models = families.filter(({ morphology }) => morphology !== 'support');
  expect(listed).toHaveLength(models.length);
  expect(new Set(listed)).toEqual(new Set(models));
});
test('warmer or stronger than the rating is unknown, but what is bad stays bad', () => {
  expect(ratingAt({ rating: 'resistant', stressCrack: false, maxTemperatureC: 60 }, oil, { temperatureC: 65 })).toBe(
    'resistant',
  );
  expect(ratingAt({ rating: 'resistant', stressCrack: false, maxTemperatureC: 60 }, oil, { temperatureC: 66 })).toBe(
    'unknown',
  );
  expect(ratingAt({ rating: 'limited', stressCrack: false }, oil, { ...cool, strength: 'stronger' })).toBe('unknown');
  expect(ratingAt({ rating: 'unsuitable', stressCrack: false }, oil, { temperatureC: 150 })).toBe('unsuitable');
  expect(ratingAt(undefined, oil, cool)).toBe('unknown');
});
test('hotter fluid never has more that stand it', () => {
  let before = Infinity;
  for (const temperatureC of [0, 23, 40, 60, 80, 120]) {
    const { groups } = chemicalResistanceSummary(oil, { temperatureC });
    expect(groups.resistant.length).toBeLessThanOrEqual(before);
    before = groups.resistant.length;
  }
});
test('those that crack under tension are the amorphous ones in oil', () =>
  expect(
    chemicalResistanceSummary(oil, cool)
      .cracking.map(({ id }) => id)
      .sort(),
  ).toEqual(['abs', 'asa', 'hips', 'pc', 'pc-abs', 'pc-blend']));
