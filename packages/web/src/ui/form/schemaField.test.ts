import { Type } from '@sinclair/typebox';
import { dryer, grade, machine, observation, spool } from '@anvilstone/schema';
import { fieldAt, isComplete, kindOf, tidied } from './schemaField.ts';

test.each([
  [machine, 'name', 'text', true],
  [machine, 'note', 'longText', false],
  [machine, 'enclosure', 'choice', true],
  [machine, 'ventilation', 'choice', false],
  [machine, 'maximumChamberC', 'number', true],
  [machine, 'buildVolumeMm.x', 'number', true],
  [machine, 'condition.prints', 'number', false],
  [machine, 'laysFibre', 'tick', false],
  [machine, 'buildVolumeMm', 'group', true],
  [grade, 'sampleData', 'tick', true],
  [grade, 'colours', 'texts', true],
  [grade, 'claims', 'list', false],
  [spool, 'openedAt', 'moment', false],
  [Type.Object({ on: Type.String({ format: 'date' }) }), 'on', 'day', true],
] as const)('%#: %s', (schema, path, kind, isRequired) => {
  const found = fieldAt(schema as never, path);
  expect(kindOf(found.field)).toBe(kind);
  expect(found.isRequired).toBe(isRequired);
});

test('what no field is made for, and a field that is not there, are told to whoever asks', () => {
  expect(() => kindOf({ type: 'array', items: { type: 'number' } })).toThrow(/No field is made for/);
  expect(() => fieldAt(machine as never, 'buildVolumeMm.w')).toThrow('The schema has no field “buildVolumeMm.w”');
});

test('what is stored has no blanks around it and nothing that was emptied; null stays where the schema holds it', () => {
  const entered = {
    id: 'S-01',
    colour: ' red ',
    lot: ' ',
    note: '',
    pricePaidUsd: null,
    placeId: null,
    netMassG: 0,
    supply: undefined,
    events: [],
  };
  expect(tidied<object>(spool as never, entered)).toEqual({
    id: 'S-01',
    colour: 'red',
    placeId: null,
    netMassG: 0,
    events: [],
  });
  // A text that a document must have stays, so that its absence is told.
  expect(tidied<object>(dryer as never, { name: ' ', note: ' ' })).toEqual({ name: '' });
  expect(tidied<object>(machine as never, { condition: { hours: null, note: ' worn ' } })).toEqual({
    condition: { note: 'worn' },
  });
});

describe('a record is complete', () => {
  const box = { id: 'a', name: 'Box', purpose: 'drying', slots: 2, maximumC: 70, sampleData: false };
  const complete = (change: object) => isComplete(dryer as never, { ...box, ...change });
  test('when every text that it must have is there', () => {
    expect(complete({})).toBe(true);
    expect(complete({ note: '' })).toBe(true);
    expect(complete({ name: '  ' })).toBe(false);
    expect(complete({ name: null })).toBe(false);
    expect(complete({ maximumC: undefined })).toBe(false);
  });
  test('when its texts are of the form that the schema wants', () => {
    expect(complete({ purpose: 'baking' })).toBe(false);
    expect(complete({ id: 'not a key' })).toBe(false);
    const day = Type.Object({ on: Type.Optional(Type.String({ format: 'date' })) }) as never;
    expect(isComplete(day, { on: '2026-02-30x' })).toBe(false);
    expect(isComplete(day, { on: '2026-02-20' })).toBe(true);
    expect(isComplete(day, {})).toBe(true);
  });
  test('also within', () => {
    const whole = Type.Object({ inner: Type.Object({ why: Type.String({ minLength: 3 }) }) }) as never;
    expect(isComplete(whole, { inner: { why: 'no' } })).toBe(false);
    expect(isComplete(whole, { inner: { why: 'not' } })).toBe(true);
  });
});

test('a report’s method may be left out, its reference may not', () => {
  expect(fieldAt(observation as never, 'method').isRequired).toBe(false);
  expect(fieldAt(observation as never, 'reference').isRequired).toBe(true);
});
