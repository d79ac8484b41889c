import { PROPERTY_DEFINITIONS } from '@anvilstone/core/materials';
import { targetsFor } from './targets.ts';

test('a wide table offers every property once, a long one the parts of an observation', () => {
  const wide = targetsFor('wide');
  const properties = wide.filter(({ id }) => id.startsWith('property.'));
  expect(properties).toHaveLength(Object.keys(PROPERTY_DEFINITIONS).length);
  expect(new Set(wide.map(({ id }) => id)).size).toBe(wide.length);
  const long = targetsFor('long');
  expect(long.some(({ id }) => id.startsWith('property.'))).toBe(false);
  expect(long.map(({ id }) => id)).toEqual(
    expect.arrayContaining(['record', 'observation.property', 'observation.value']),
  );
});

test('the ends of a range are one column in a wide table, and two in a long one', () => {
  const ends = (layout: 'wide' | 'long') => targetsFor(layout).filter(({ id }) => /nozzleC(\.low|\.high)?$/.test(id));
  expect(ends('wide').map(({ id }) => id)).toContain('grade.process.nozzleC');
  expect(ends('wide').some(({ id }) => id.endsWith('.low'))).toBe(false);
  expect(ends('long').some(({ id }) => id.endsWith('.low'))).toBe(true);
});
