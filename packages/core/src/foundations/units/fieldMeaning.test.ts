import { fieldMeaning } from './fieldMeaning.ts';

test.each([
  ['maxSagMm', 'max sag', 'mm', 'length'],
  ['temperatureC', 'temperature', '°C', 'temperature'],
  ['torqueNmm', 'torque', 'N·mm', 'torque'],
  ['forceN', 'force', 'N', 'force'],
  ['speedMPerS', 'speed', 'm/s', 'speed'],
  ['secondMomentMm4', 'second moment', 'mm⁴', 'secondMoment'],
  ['flexibilityMmPerN', 'flexibility', 'mm/N', undefined],
  ['pricePerKgUsd', 'price', 'USD/kg', 'price'],
  ['hourlyRateUsd', 'hourly rate', 'USD', 'money'],
  ['purpose', 'purpose', '', undefined],
  // A capital at the end of a word of its own is no unit.
  ['H', 'h', '', undefined],
  ['idNC', 'id nc', '', undefined],
] as const)('%s is %s in “%s”', (name, words, unit, dimension) =>
  expect(fieldMeaning(name)).toEqual({ words, unit, dimension }),
);
