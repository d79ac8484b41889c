import type { PropertyId } from '@anvilstone/schema';
import { recentProperties } from './recentProperties.ts';
import type { Resolution } from './resolution.ts';

const asked: string[] = [];
const resolved = (value: number) => ({ known: true, value }) as Resolution;
const property = () => {
  asked.length = 0;
  return recentProperties((id, direction, temperatureC) => {
    asked.push(`${id} ${direction} ${temperatureC}`);
    return resolved(temperatureC);
  });
};
const strength: PropertyId = 'tensileStrength';

test('in the plane at 23 °C it is worked out once', () => {
  const of = property();
  expect(of(strength)).toBe(of(strength, 'in-plane', 23));
  expect(asked).toEqual(['tensileStrength in-plane 23']);
});

test('another property, direction or temperature is another answer', () => {
  const of = property();
  of(strength, 'in-plane', 60);
  of(strength, 'across', 60);
  of('tensileModulus', 'across', 60);
  expect(of(strength, 'in-plane', 60)).toBe(of(strength, 'in-plane', 60));
  expect(asked).toEqual(['tensileStrength in-plane 60', 'tensileStrength across 60', 'tensileModulus across 60']);
});

test('a search over many temperatures forgets the oldest and keeps the usual one', () => {
  const of = property();
  of(strength);
  for (let temperatureC = 30; temperatureC < 50; temperatureC++)
    expect(of(strength, 'across', temperatureC)).toMatchObject({ value: temperatureC });
  of(strength);
  expect(asked).toHaveLength(21);
  expect(of(strength, 'across', 49)).toMatchObject({ value: 49 });
  expect(of(strength, 'across', 30)).toMatchObject({ value: 30 });
  expect(asked).toHaveLength(22);
});
