import { Type, type Static } from '@sinclair/typebox';
import { identifier, longText, record, shortText, vocabulary } from './common.ts';
import { observation } from './observation.ts';

const processTemperatureC = Type.Number({ minimum: 0, maximum: 600 });
const range = (description: string) => record({ low: processTemperatureC, high: processTemperatureC }, description);
const percent = Type.Number({ minimum: 0, maximum: 100 });

export const ENCLOSURES = ['open', 'enclosed', 'heated'] as const;
export const enclosureKind = vocabulary(ENCLOSURES, 'Open frame, passive enclosure, or actively heated chamber');
export type EnclosureKind = Static<typeof enclosureKind>;

/** A foaming grade at one nozzle temperature. */
export const foamPoint = record(
  {
    nozzleC: processTemperatureC,
    densityGPerCm3: Type.Number({ exclusiveMinimum: 0, maximum: 3, description: 'Density as printed, g/cm³' }),
    shoreA: Type.Number({ minimum: 20, maximum: 95, description: 'Shore A hardness as printed' }),
  },
  'A foaming grade at one nozzle temperature',
);
export type FoamPoint = Static<typeof foamPoint>;

/** What the maker states about printing this grade. Whatever is absent is taken from the family and says so. */
export const gradeProcess = record(
  {
    nozzleC: Type.Optional(range('Nozzle temperature, °C')),
    bedC: Type.Optional(range('Bed temperature, °C')),
    chamberC: Type.Optional(range('Chamber temperature, °C')),
    fanPct: Type.Optional(record({ low: percent, high: percent }, 'Part cooling, % of full')),
    enclosure: Type.Optional(enclosureKind),
    diametersMm: Type.Optional(
      Type.Array(Type.Number({ minimum: 1, maximum: 4 }), {
        maxItems: 4,
        description: 'Filament diameters it is sold in, mm',
      }),
    ),
    minimumNozzleMm: Type.Optional(Type.Number({ exclusiveMinimum: 0, maximum: 3 })),
    abrasive: Type.Optional(Type.Boolean({ description: 'Wears a brass nozzle: fibre, glow and some white pigments' })),
    dryingC: Type.Optional(Type.Number({ minimum: 20, maximum: 250, description: 'Drying air on the spool, °C' })),
    dryingH: Type.Optional(Type.Number({ exclusiveMinimum: 0, maximum: 500, description: 'Drying time, h' })),
    openHours: Type.Optional(
      Type.Number({ exclusiveMinimum: 0, maximum: 10000, description: 'Time out of the dryer at 23 °C, 50 % RH, h' }),
    ),
    foaming: Type.Optional(
      Type.Array(foamPoint, {
        minItems: 2,
        maxItems: 24,
        description: 'Density and hardness by nozzle temperature, where the nozzle sets the foam',
      }),
    ),
  },
  'Process window stated by the maker',
);

export const CLAIM_KINDS = [
  'flame',
  'smoke',
  'food',
  'skin',
  'biocompatible',
  'sterilisation',
  'electrostatic',
  'outdoor',
  'outgassing',
  'recycled',
  'biodegradable',
  'other',
] as const;
export const CLAIM_SCOPES = [
  'raw-grade',
  'moulded-specimen',
  'printed-specimen',
  'printed-part',
  'not-stated',
] as const;

/** A certificate or statement of the maker. It holds for what was tested and for nothing else. */
export const claim = record(
  {
    kind: vocabulary(CLAIM_KINDS, 'What the statement is about'),
    statement: shortText('What is claimed, for example V-0, or suited to dry food'),
    value: Type.Optional(
      Type.Number({
        minimum: 0,
        maximum: 1e9,
        description: 'Its number, where it has one, in the unit of the standard',
      }),
    ),
    standard: Type.Optional(Type.String({ minLength: 1, maxLength: 80, description: 'Standard it was tested to' })),
    scope: vocabulary(CLAIM_SCOPES, 'What was tested'),
    thicknessMm: Type.Optional(Type.Number({ exclusiveMinimum: 0, maximum: 100, description: 'Tested thickness, mm' })),
    colour: Type.Optional(
      Type.String({ minLength: 1, maxLength: 40, description: 'Tested colour; absent = not stated' }),
    ),
    date: Type.Optional(Type.String({ format: 'date', description: 'Date of the certificate, YYYY-MM-DD' })),
    reference: Type.String({ minLength: 1, maxLength: 200, description: 'Where it is stated' }),
  },
  'A certificate or statement with its scope',
);
export type Claim = Static<typeof claim>;

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
    leadTimeDays: Type.Optional(
      Type.Number({
        minimum: 0,
        maximum: 365,
        description: 'Days until it is here; 0 = in stock; absent = not stated',
      }),
    ),
    discontinued: Type.Optional(Type.Boolean({ description: 'No longer made' })),
    process: gradeProcess,
    claims: Type.Optional(Type.Array(claim, { maxItems: 60, description: 'Certificates and statements with scope' })),
    observations: Type.Array(observation, { maxItems: 500 }),
    sampleData: Type.Boolean({ description: 'True = made up, not for design' }),
    note: Type.Optional(longText('Remarks')),
  },
  'A filament grade with its evidence',
  'grade',
);
export type Grade = Static<typeof grade>;
