import { spellOut } from '@anvilstone/core/foundations';
import { sampleLibrary } from '@anvilstone/core/education/sample';
import { defaultCompanyRules } from '@anvilstone/core/materials';
import type { Observation } from '@anvilstone/schema';
import { conditionWords } from './conditionWords.ts';
import { resolvedRows } from './resolvedRows.ts';

const at = { direction: 'in-plane', conditioning: 'dry', temperatureC: 23 } as const;
const grade = (id: string) => sampleLibrary.grades.find((one) => one.id === id)!;
const row = (gradeId: string, columnId: string, where: Parameters<typeof resolvedRows>[1] = at) =>
  resolvedRows(grade(gradeId), where, defaultCompanyRules).find(({ column }) => column.id === columnId)!;

test('a value names the report it rests on and every other of the property', () => {
  const strength = row('tm-petg', 'tensileStrength');
  expect(strength).toMatchObject({ evidence: 'A', usedId: 'tm-petg-6', gaps: [] });
  expect(strength.observations.length).toBeGreaterThan(1);
  expect(strength.steps.at(-1)!.value).toBe(strength.value);
});
test('what nobody reports and no family states is a row too, and says why', () => {
  const wear = row('tm-petg', 'wearRate');
  expect(wear).toMatchObject({ evidence: null, value: Number.NaN, observations: [] });
  expect(wear.gaps[0]).toContain('the family states none');
});
test('a class is the index of its word', () => expect(row('ol-pc', 'flameClass').value).toBeGreaterThanOrEqual(0));
test('another condition, another derivation', () => {
  const wet = row('ol-pa6', 'tensileModulus', { ...at, conditioning: 'conditioned' });
  expect(wet.value).toBeLessThan(row('ol-pa6', 'tensileModulus').value);
  expect(
    spellOut(wet.steps)
      .map(({ text }) => text)
      .join(),
  ).toContain('to conditioned');
});

describe('conditions in words', () => {
  const words = (facts: Partial<Observation>) =>
    conditionWords({
      id: 'o',
      property: 'tensileStrength',
      value: 1,
      unit: 'MPa',
      source: 'bench',
      reference: 'r',
      ...facts,
    });
  test('what the method needs and the report does not state is marked as missing', () =>
    expect(words({ specimen: 'printed', orientation: 'ZX' })).toEqual([
      { text: 'printed', missing: false },
      { text: 'ZX upright', missing: false },
      { text: 'moisture state not stated', missing: true },
      { text: '23 °C', missing: false },
    ]));
  test('a parameter that was given is said, needed or not', () =>
    expect(words({ relativeHumidityPct: 50 }).map(({ text }) => text)).toContain('relative humidity 50 %'));
  test('what does not matter for a property is not asked for', () =>
    expect(words({ property: 'density', unit: 'g/cm³', method: 'ISO 1183' })).toEqual([
      { text: 'ISO 1183', missing: false },
    ]));
});
