import { choiceWords, dimensionOf, labelOf } from './fieldWords.ts';

test.each([
  ['Free length, mm', 'Free length', undefined],
  ['Radius; 0 = sharp', 'Radius', '0 = sharp'],
  ['Second moment, mm⁴', 'Second moment', undefined],
  ['Speed, rev/min; of the slower one; at full load', 'Speed', 'of the slower one; at full load'],
  ['How it is held', 'How it is held', undefined],
  ['Free in, h; absent = now', 'Free in', 'empty = now'],
  ['Relative humidity, %', 'Relative humidity', undefined],
])('“%s” is labelled “%s”', (description, label, hint) => {
  expect(labelOf(description)).toEqual({ label, hint });
});

test.each([
  ['spanMm', 'length'],
  ['areaMm2', 'area'],
  ['secondMomentMm4', 'secondMoment'],
  ['pressureMPa', 'stress'],
  ['angleDeg', 'angle'],
  ['otherTemperatureC', 'temperature'],
  ['forceN', 'force'],
  ['torqueNmm', 'torque'],
  ['speedMPerS', 'speed'],
  ['energyJ', 'energy'],
  ['fallingMassG', 'mass'],
  ['durationH', 'time'],
  ['hours', 'time'],
  ['humidityPct', 'fraction'],
  ['contactS', 'shortTime'],
  ['mmPerN', 'ratio'],
  ['teeth', 'ratio'],
])('%s is typed as a %s', (field, dimension) => {
  expect(dimensionOf(field)).toBe(dimension);
});

test('a choice of the schema is said in words, also one that nobody has worded', () => {
  expect(choiceWords('clamped-free')).toBe('Clamped and free');
  expect(choiceWords('some-new-way')).toBe('Some new way');
});
