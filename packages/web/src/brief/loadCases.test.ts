import { briefIssues } from '@anvilstone/core';
import { lampArm } from '@anvilstone/core/sample';
import { brief as briefSchema } from '@anvilstone/schema';
import { validator } from '@anvilstone/schema/validate';
import { newBrief } from '../parts/newBrief.ts';
import { askKinds } from './asks.ts';
import { bounds } from './bounds.ts';
import { withLoadCase, withNewLoadCase } from './loadCases.ts';
import { sectionDepthMm } from './sectionDepth.ts';

const valid = validator(briefSchema);

test('a new part can be evaluated and saved as it is', () => {
  expect(valid(newBrief)).toMatchObject({ ok: true });
  expect(briefIssues(newBrief)).toEqual([]);
});

test('added loads have ids of their own, also after one in the middle was removed', () => {
  let brief = withNewLoadCase(withNewLoadCase(newBrief));
  expect(brief.loadCases.map((load) => load.id)).toEqual(['load-1', 'load-2', 'load-3']);
  brief = withNewLoadCase({ ...brief, loadCases: brief.loadCases.filter((load) => load.id !== 'load-2') });
  expect(new Set(brief.loadCases.map((load) => load.id)).size).toBe(3);
  expect(valid(brief)).toMatchObject({ ok: true });
});

test('changing one load leaves the others and the brief it came from alone', () => {
  const changed = withLoadCase(lampArm, 1, { forceN: 99 });
  expect(changed.loadCases[1]!.forceN).toBe(99);
  expect(changed.loadCases[0]).toBe(lampArm.loadCases[0]);
  expect(lampArm.loadCases[1]!.forceN).toBe(55);
});

test('every ask as it is added can be saved, except the one that needs a tick first', () => {
  for (const kind of askKinds) {
    const added = { ...newBrief, asks: kind.add({}) };
    expect([kind.id, valid(added).ok && briefIssues(added).length === 0]).toEqual([kind.id, kind.id !== 'machines']);
  }
});

test('a peak added after a hot steady temperature starts above it', () => {
  const asks = askKinds.find((kind) => kind.id === 'peak')!.add({ heat: { steadyC: 110 } });
  expect(asks.heat?.peak?.temperatureC).toBeGreaterThan(110);
});

test('the fields read their bounds from the schema', () => {
  expect(bounds.length).toMatchObject({ exclusiveMinimum: 0, maximum: 5000 });
  expect(bounds.temperature).toMatchObject({ minimum: -80, maximum: 400 });
  expect(bounds.safetyFactor).toMatchObject({ minimum: 1, maximum: 20 });
  for (const bound of Object.values(bounds)) expect(bound.maximum).toBeGreaterThan(0);
});

test('the depth of each kind of section', () => {
  expect(sectionDepthMm({ kind: 'rectangle', widthMm: 4, depthMm: 9 })).toBe(9);
  expect(sectionDepthMm({ kind: 'round', diameterMm: 7 })).toBe(7);
  expect(sectionDepthMm({ kind: 'tube', outerDiameterMm: 12, wallMm: 2 })).toBe(12);
});
