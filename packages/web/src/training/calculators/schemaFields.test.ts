import { calculators } from '@anvilstone/core/education';
import { kindOf, type FieldSchema } from '../../ui/form/schemaField.ts';
import { firstRow, inputFromAddress, nameAndUnit } from './schemaFields.ts';

test.each([
  ['peakShearMPa', 'Peak shear', 'MPa'],
  ['secondMomentMm4', 'Second moment', 'mm⁴'],
  ['totalUsd', 'Total', 'USD'],
  ['contactTemperatureC', 'Contact temperature', '°C'],
  ['stiffnessNPerMm', 'Stiffness', 'N/mm'],
  ['ratio', 'Ratio', ''],
  ['bucklesAt', 'Buckles at', ''],
])('%s is %s in %s', (field, name, unit) => expect(nameAndUnit(field)).toEqual({ name, unit }));

test('every input of every calculator has a field, and no list has to be written as code', () => {
  for (const calculator of calculators) {
    const { properties = {} } = calculator.input as unknown as FieldSchema;
    for (const [key, schema] of Object.entries(properties)) {
      if (key === 'section') continue;
      expect(() => kindOf(schema)).not.toThrow();
      if (kindOf(schema) !== 'list') continue;
      const row = firstRow(schema.items!);
      expect(Object.keys(row)).toEqual(schema.items!.required);
      for (const [name, value] of Object.entries(row)) {
        const { minimum, exclusiveMinimum } = schema.items!.properties![name]!;
        if (typeof value !== 'number') continue;
        expect(value).toBeGreaterThanOrEqual(minimum ?? -Infinity);
        if (exclusiveMinimum !== undefined) expect(value).toBeGreaterThan(exclusiveMinimum);
      }
    }
  }
});

test('a link that was cut is no input, and no error', () => {
  expect(inputFromAddress('{"a":1}')).toEqual({ a: 1 });
  for (const text of [null, '{"a":', '[1]', '5', 'null']) expect(inputFromAddress(text)).toBeUndefined();
});
