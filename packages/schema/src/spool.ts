import { Type, type Static } from '@sinclair/typebox';
import { identifier, longText, record, shortText, taggedUnion, vocabulary } from './common.ts';

const moment = Type.String({ format: 'date-time' });
const grams = (description: string) => Type.Number({ minimum: 0, maximum: 30_000, description });

/** Something that happened to a spool. What is left, where it is and how wet it is all follow from these. */
export const spoolEvent = taggedUnion(
  'kind',
  [
    record(
      {
        kind: Type.Literal('weighed'),
        at: moment,
        grossG: grams('With its reel, g'),
        from: vocabulary(['scale', 'typed'] as const, 'Read from a scale, or typed in'),
        note: Type.Optional(shortText('Why it is right although it does not fit what is known')),
      },
      'Put on a scale',
    ),
    record(
      {
        kind: Type.Literal('moved'),
        at: moment,
        placeId: identifier,
        fromPlaceId: Type.Optional(
          Type.String({ pattern: identifier.pattern!, description: 'Where it lay before; absent = not known' }),
        ),
      },
      'Brought to another place',
    ),
    record(
      {
        kind: Type.Literal('dried'),
        at: Type.String({ format: 'date-time', description: 'When it came out' }),
        hours: Type.Number({ exclusiveMinimum: 0, maximum: 1000, description: 'In the dryer, h' }),
        temperatureC: Type.Number({ minimum: 20, maximum: 250, description: 'Drying air, °C' }),
      },
      'Dried',
    ),
    record(
      { kind: Type.Literal('used'), at: moment, massG: grams('Filament taken, g'), what: shortText('Purpose') },
      'Printed from',
    ),
  ],
  'Something that happened to a spool',
);
export type SpoolEvent = Static<typeof spoolEvent>;

export const spool = record(
  {
    id: Type.String({
      pattern: '^[A-Z][A-Z0-9-]{1,15}$',
      description: 'Short name on its label: capitals, digits and dashes',
    }),
    gradeId: identifier,
    lot: Type.Optional(shortText('Lot of the maker')),
    colour: Type.String({ minLength: 1, maxLength: 40 }),
    filamentDiameterMm: Type.Number({ minimum: 1, maximum: 4, description: 'Filament, mm' }),
    netMassG: Type.Number({ exclusiveMinimum: 0, maximum: 25_000, description: 'Filament on it when new, g' }),
    emptyReelG: grams('Of the empty reel, g'),
    pricePaidUsd: Type.Optional(
      Type.Number({ minimum: 0, maximum: 100_000, description: 'Paid for it, USD; absent = not known' }),
    ),
    supply: Type.Optional(
      vocabulary(['open', 'closed'] as const, 'Closed: fits the machines of its maker only; absent = open'),
    ),
    openedAt: Type.Optional(
      Type.String({ format: 'date-time', description: 'Bag opened; absent = still sealed as delivered' }),
    ),
    placeId: Type.Union([identifier, Type.Null()], { description: 'Storage location; null = unknown' }),
    events: Type.Array(spoolEvent, { maxItems: 2000 }),
    need: Type.Optional(
      record({ at: moment, what: shortText('What it is to be dry for') }, 'By when it has to be dry, and for what'),
    ),
    empty: Type.Optional(Type.Literal(true, { description: 'Used up or thrown away; kept for its history' })),
    sampleData: Type.Boolean(),
    note: Type.Optional(longText('Remarks')),
  },
  'A spool in stock',
  'spool',
);
export type Spool = Static<typeof spool>;

/** Where spools lie. */
export const place = record(
  {
    id: identifier,
    name: shortText('Its name'),
    temperatureC: Type.Number({
      minimum: -40,
      maximum: 90,
      description: 'Usual there; taken where no logger says, °C',
    }),
    humidityPct: Type.Number({
      minimum: 0,
      maximum: 100,
      description: 'Usual there at its dampest; taken where no logger says, % relative humidity',
    }),
    loggerId: Type.Optional(
      Type.String({ pattern: identifier.pattern!, description: 'Humidity logger that lies there' }),
    ),
    sampleData: Type.Boolean(),
  },
  'A place where spools lie',
  'place',
);
export type Place = Static<typeof place>;

const revision = Type.Integer({ minimum: 0 });
export const spoolRecord = record({ spool, revision }, 'A spool with its revision', 'spool-record');
export type SpoolRecord = Static<typeof spoolRecord>;
export const placeRecord = record({ place, revision }, 'A place with its revision', 'place-record');
export type PlaceRecord = Static<typeof placeRecord>;
