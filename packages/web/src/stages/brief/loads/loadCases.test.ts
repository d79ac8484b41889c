import { lampArm, nozzleBracket } from '@anvilstone/core/education/sample';
import { briefIssues } from '@anvilstone/core/evaluation';
import { brief as briefSchema, partGeometries } from '@anvilstone/schema';
import { validator } from '@anvilstone/schema/validate';
import { newBrief } from '../../parts/new/newBrief.ts';
import { askKinds } from '../asks/index.ts';
import { bounds } from '../bounds.ts';
import { withLoadCase, withNewLoadCase } from './loadCases.ts';
import { sectionLike, withDimension } from '../shape/geometryEdit.ts';
import { choiceWords, dimensionOf, labelOf } from '../../../ui/form/fieldWords.ts';
import { sectionSize } from '../sketch/sectionOutline.ts';

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
  expect(bounds.temperature).toMatchObject({ minimum: -80, maximum: 400 });
  expect(bounds.fitLength).toMatchObject({ exclusiveMinimum: 0, maximum: 5000 });
  for (const bound of Object.values(bounds)) expect(bound.maximum).toBeGreaterThan(0);
});

test('a dimension is replaced at its pointer, an optional one is taken out, and the rest is shared', () => {
  const part = nozzleBracket.part;
  const changed = withDimension(part, '/tie/depthMm', 11);
  expect(changed).toMatchObject({ tie: { depthMm: 11, widthMm: 14 } });
  expect((changed as typeof part & { strut: object }).strut).toBe((part as typeof part & { strut: object }).strut);
  expect(withDimension({ ...part, insert: {} } as unknown as typeof part, '/insert', undefined)).not.toHaveProperty(
    'insert',
  );
});

test('every kind of section can become every other one of about its size', () => {
  const kinds = ['rectangle', 'round', 'tube', 'box', 'i', 't', 'channel', 'angle', 'polygon', 'measured'] as const;
  for (const from of kinds) {
    for (const to of kinds) {
      const section = sectionLike(sectionLike({ kind: 'rectangle', widthMm: 18, depthMm: 30 }, from), to);
      const brief = { ...newBrief, part: { ...lampArm.part, section } };
      expect([from, to, valid(brief).ok, briefIssues(brief)]).toEqual([from, to, true, []]);
      expect(sectionSize(section).depthMm).toBeCloseTo(30, 6);
    }
  }
});

test('labels come from the schema without their units, and their hints after the semicolon', () => {
  expect(labelOf('Free length, mm')).toEqual({ label: 'Free length', hint: undefined });
  expect(labelOf('Fillet radius at the root, mm; 0 = sharp')).toEqual({
    label: 'Fillet radius at the root',
    hint: '0 = sharp',
  });
  expect(labelOf('Longer side, or the diameter, between the edges that hold it, mm').label).toMatch(/hold it$/);
});

test('what a field measures is read from its name', () => {
  const names = [
    'spanMm',
    'areaMm2',
    'secondMomentMm4',
    'leadAngleDeg',
    'otherTemperatureC',
    'forceN',
    'torqueNmm',
    'pressureMPa',
    'energyJ',
    'fallingMassG',
    'teeth',
  ];
  expect(names.map(dimensionOf)).toEqual([
    'length',
    'area',
    'secondMoment',
    'angle',
    'temperature',
    'force',
    'torque',
    'stress',
    'energy',
    'mass',
    'ratio',
  ]);
});

test('no choice of a part model is shown as it is in the code', () => {
  const words = partGeometries.flatMap((geometry) =>
    Object.values(geometry.properties as Record<string, { enum?: string[] }>).flatMap((field) =>
      (field.enum ?? []).map(choiceWords),
    ),
  );
  expect(words.length).toBeGreaterThan(20);
  for (const word of words) expect(word).toMatch(/^[A-Z][^_]*$/);
});
