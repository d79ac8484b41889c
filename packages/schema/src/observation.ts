import { Type, type Static } from '@sinclair/typebox';
import { buildOrientation, identifier, longText, record, temperatureC, vocabulary } from './common.ts';

export const PROPERTIES = [
  'density',
  'tensileModulus',
  'flexuralModulus',
  'tensileStrength',
  'flexuralStrength',
  'layerShearStrength',
  'elongationBreak',
  'charpyNotched',
  'izodNotched',
  'heatDeflectionTemperature',
  'glassTransition',
  'melting',
  'continuousService',
] as const;
export const propertyId = vocabulary(PROPERTIES, 'Which property was reported');
export type PropertyId = Static<typeof propertyId>;

export const CONDITIONINGS = ['dry', 'conditioned', 'wet'] as const;
export const conditioning = vocabulary(
  CONDITIONINGS,
  'Moisture state: dry as printed, conditioned at 23 °C and 50 % RH, or saturated with water',
);
export type Conditioning = Static<typeof conditioning>;

export const observation = record(
  {
    id: identifier,
    property: propertyId,
    value: Type.Optional(Type.Number({ description: 'Reported value in `unit`; give this or low and high' })),
    low: Type.Optional(Type.Number({ description: 'Lower end of a reported range, in `unit`' })),
    high: Type.Optional(Type.Number({ description: 'Upper end of a reported range, in `unit`' })),
    unit: Type.String({ minLength: 1, maxLength: 20, description: 'Unit as reported, for example MPa, GPa, ksi, °C' }),
    standardDeviation: Type.Optional(Type.Number({ minimum: 0, description: 'Sample standard deviation, in `unit`' })),
    count: Type.Optional(Type.Integer({ minimum: 1, maximum: 100000, description: 'Number of specimens' })),
    source: vocabulary(['bench', 'datasheet', 'estimate'] as const, 'Own test, maker’s data sheet, or an estimate'),
    method: Type.Optional(Type.String({ maxLength: 80, description: 'Test method, for example ISO 527-2' })),
    specimen: Type.Optional(
      vocabulary(['printed', 'moulded', 'filament'] as const, 'How the test piece was made; absent = not stated'),
    ),
    orientation: Type.Optional(Type.Union([buildOrientation, Type.Null()])),
    conditioning: Type.Optional(Type.Union([conditioning, Type.Null()])),
    temperatureC: Type.Optional(temperatureC('Test temperature, °C; absent = 23 °C')),
    hdtStressMPa: Type.Optional(
      Type.Number({ exclusiveMinimum: 0, maximum: 20, description: 'Bending stress of a heat deflection test, MPa' }),
    ),
    reference: Type.String({ minLength: 1, maxLength: 200, description: 'Where the number comes from' }),
    date: Type.Optional(Type.String({ format: 'date', description: 'Date of the source, YYYY-MM-DD' })),
    note: Type.Optional(longText('Anything a sceptical reader should know')),
  },
  'One reported value with the conditions it was measured under',
  'observation',
);
export type Observation = Static<typeof observation>;
