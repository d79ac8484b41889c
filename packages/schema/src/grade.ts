import { Type, type Static } from '@sinclair/typebox';
import { identifier, longText, record, shortText, vocabulary } from './common.ts';
import { observation } from './observation.ts';

const processTemperatureC = Type.Number({ minimum: 0, maximum: 600 });
const range = (description: string) => record({ low: processTemperatureC, high: processTemperatureC }, description);

export const ENCLOSURES = ['open', 'enclosed', 'heated'] as const;
export const enclosureKind = vocabulary(ENCLOSURES, 'Open frame, passive enclosure, or actively heated chamber');
export type EnclosureKind = Static<typeof enclosureKind>;

/** What the maker states about printing this grade. Whatever is absent is taken from the family and says so. */
export const gradeProcess = record(
  {
    nozzleC: Type.Optional(range('Nozzle temperature, °C')),
    bedC: Type.Optional(range('Bed temperature, °C')),
    enclosure: Type.Optional(enclosureKind),
    minimumNozzleMm: Type.Optional(Type.Number({ exclusiveMinimum: 0, maximum: 3 })),
    abrasive: Type.Optional(Type.Boolean({ description: 'Wears a brass nozzle: fibre, glow and some white pigments' })),
  },
  'Process window stated by the maker',
);

export const grade = record(
  {
    id: identifier,
    name: shortText('Grade name'),
    maker: shortText('Maker'),
    familyId: identifier,
    reinforcementId: Type.Union([identifier, Type.Null()], { description: 'Filler, or null for an unfilled grade' }),
    colours: Type.Array(Type.String({ minLength: 1, maxLength: 40 }), { maxItems: 40 }),
    pricePerKgUsd: Type.Union([Type.Number({ exclusiveMinimum: 0, maximum: 100000 }), Type.Null()], {
      description: 'Price, USD per kg; null = unknown',
    }),
    process: gradeProcess,
    observations: Type.Array(observation, { maxItems: 500 }),
    sampleData: Type.Boolean({ description: 'True = made up, not for design' }),
    note: Type.Optional(longText('Remarks')),
  },
  'A filament grade with its evidence',
  'grade',
);
export type Grade = Static<typeof grade>;
