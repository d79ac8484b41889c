import type { Observation } from '@anvilstone/schema';
import { conditionWords } from './conditionWords.ts';

const words = (observation: object) => conditionWords(observation as Observation);
const texts = (observation: object) => words(observation).map(({ text }) => text);

test('what is stated is said, what the method needs and nobody states is said to be missing', () => {
  const hdt = words({ property: 'heatDeflectionTemperature', value: 70, unit: '°C', method: 'ISO 75-2' });
  expect(hdt.find(({ missing }) => missing)?.text).toMatch(/not stated$/);
  expect(hdt.at(-1)).toEqual({ text: 'ISO 75-2', missing: false });
  const stated = words({ property: 'heatDeflectionTemperature', value: 70, unit: '°C', hdtStressMPa: 0.45 });
  expect(stated.some(({ text }) => text.includes('0.45'))).toBe(true);
});

test('the build orientation is said in words', () => {
  expect(
    texts({ property: 'tensileStrength', value: 50, unit: 'MPa', orientation: 'ZX', specimen: 'printed' }),
  ).toContain('ZX upright');
});

test('a condition that the property does not need is shown where it is there', () => {
  const plain = texts({ property: 'density', value: 1.2, unit: 'g/cm³' });
  const odd = texts({ property: 'density', value: 1.2, unit: 'g/cm³', hdtStressMPa: 1.8 });
  expect(odd.length).toBe(plain.length + 1);
});

test('a time is said as a person would, and a chemical by its name', () => {
  const soaked = texts({ property: 'density', value: 1.2, unit: 'g/cm³', agentId: 'mineral-oil', durationH: 336 });
  expect(soaked).toContain('Mineral oil and grease');
  expect(soaked).toContain('for 14 days');
  expect(texts({ property: 'density', value: 1.2, unit: 'g/cm³', agentId: 'own-brew' })).toContain('own-brew');
  expect(texts({ property: 'density', value: 1.2, unit: 'g/cm³', durationH: 1 / 60 })).toContain('for 1 min');
});
