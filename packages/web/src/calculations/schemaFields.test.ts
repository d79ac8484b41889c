import { calculators } from '@anvilstone/core';
import { inputFromAddress, kindOf, nameAndUnit, type FieldSchema } from './schemaFields.ts';

test.each([
  ['peakShearMPa', 'Peak shear', 'MPa'],
  ['secondMomentMm4', 'Second moment', 'mm⁴'],
  ['totalUsd', 'Total', 'USD'],
  ['contactTemperatureC', 'Contact temperature', '°C'],
  ['stiffnessNPerMm', 'Stiffness', 'N/mm'],
  ['ratio', 'Ratio', ''],
  ['bucklesAt', 'Buckles at', ''],
])('%s is %s in %s', (field, name, unit) => expect(nameAndUnit(field)).toEqual({ name, unit }));

test('every input of every calculator can be entered without writing JSON, but for lists', () => {
  for (const calculator of calculators) {
    const { properties = {} } = calculator.input as unknown as FieldSchema;
    for (const [key, schema] of Object.entries(properties)) {
      if (key === 'section' || schema.type === 'array') continue;
      expect([calculator.id, key, kindOf(schema)]).not.toContain('json');
    }
  }
});

test('a link that was cut is no input, and no error', () => {
  expect(inputFromAddress('{"a":1}')).toEqual({ a: 1 });
  for (const text of [null, '{"a":', '[1]', '5', 'null']) expect(inputFromAddress(text)).toBeUndefined();
});
