import { Type } from '@sinclair/typebox';
import { brief, publishedDocuments } from './index.ts';
import { validator } from './validate.ts';

const good = {
  title: 'Arm',
  purpose: '',
  failureCouldHurt: 'no',
  moisture: 'dry',
  part: {
    model: 'cantilever-arm',
    spanMm: 100,
    section: { kind: 'tube', outerDiameterMm: 20, wallMm: 2 },
    filletRadiusMm: 1,
  },
  loadCases: [{ id: 'a', name: 'Load', forceN: 1, durationH: 1, temperatureC: 23, safetyFactor: 2, actsWhenHot: true }],
  asks: {},
};
const check = validator(brief);
const issuesOf = (value: unknown) => {
  const result = check(value);
  return result.ok ? [] : result.issues;
};

test('a good brief is accepted', () => expect(check(good).ok).toBe(true));

test.each([
  ['negative length', { part: { ...good.part, spanMm: -5 } }, '/part/spanMm', /-5 is out of range/],
  ['missing field', { part: { ...good.part, filletRadiusMm: undefined } }, '/part/filletRadiusMm', /missing/],
  [
    'absurd temperature',
    { loadCases: [{ ...good.loadCases[0], temperatureC: 4000 }] },
    '/loadCases/0/temperatureC',
    /4000/,
  ],
  ['unknown field', { colour: 'red' }, '/colour', /not a field/],
  ['unknown section', { part: { ...good.part, section: { kind: 'star' } } }, '/part/section/kind', /star/],
  ['no load', { loadCases: [] }, '/loadCases', /fewer than 1/],
  ['text for a number', { part: { ...good.part, spanMm: '100' } }, '/part/spanMm', /wrong kind/],
  ['answer that is none', { failureCouldHurt: 'maybe' }, '/failureCouldHurt', /not one of/],
] as const)('%s is named at its place', (_what, change, pointer, detail) => {
  const value: Record<string, unknown> = JSON.parse(JSON.stringify({ ...good, ...change })) as Record<string, unknown>;
  expect(issuesOf(value)).toEqual([
    expect.objectContaining({ pointer, detail: expect.stringMatching(detail) as string }),
  ]);
});

test('a fault in one shape of a section is not reported as a fault of the other shapes', () => {
  const tube = { kind: 'tube', outerDiameterMm: 20 };
  expect(issuesOf({ ...good, part: { ...good.part, section: tube } }).map((issue) => issue.pointer)).toEqual([
    '/part/section/wallMm',
  ]);
});

test('keys with a slash are escaped in the pointer', () => {
  const result = validator(Type.Object({}, { additionalProperties: false }))({ 'a/b': 1 });
  expect(result).toMatchObject({ ok: false, issues: [{ pointer: '/a~1b' }] });
});

test('every published document has an id of its own, and every one of its fields a type', () => {
  const ids = publishedDocuments.map((document) => document.$id);
  expect(new Set(ids).size).toBe(ids.length);
  for (const document of publishedDocuments) expect(() => validator(document)).not.toThrow();
});

test('a schema that is asked for again is compiled once, and not before its first value', () => {
  let read = 0;
  const schema = Object.assign(Type.Object({ a: Type.Number() }, { additionalProperties: false }), {
    toJSON(this: object) {
      read += 1;
      return { ...this, toJSON: undefined };
    },
  });
  const [first, second] = [validator(schema), validator(schema)];
  expect(read).toBe(0);
  expect([first({ a: 1 }).ok, second({ a: 'x' }).ok, validator(schema)({ b: 1 }).ok]).toEqual([true, false, false]);
  expect(read).toBe(1);
});
