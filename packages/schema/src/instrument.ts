import { Type, type Static } from '@sinclair/typebox';
import { identifier, record, shortText, vocabulary } from './common.ts';

const moment = Type.String({ format: 'date-time' });

export const INSTRUMENT_KINDS = [
  'scale',
  'humidity-logger',
  'supplier',
  'printer',
  'force-gauge',
  'displacement-gauge',
  'thermometer',
] as const;
export type InstrumentKind = (typeof INSTRUMENT_KINDS)[number];

/** How a stand-in can be made to behave. */
export const MISBEHAVIOURS = ['well', 'off', 'drops-out', 'drifts', 'nonsense'] as const;
export type Misbehaviour = (typeof MISBEHAVIOURS)[number];

export const instrument = record(
  {
    id: identifier,
    kind: vocabulary(INSTRUMENT_KINDS, 'Identity'),
    name: shortText('Its name'),
    address: shortText('Host and port on which it speaks the line protocol'),
    state: vocabulary(['answers', 'silent', 'nonsense', 'not-asked'] as const, 'How the last question went'),
    problem: Type.Optional(Type.String({ description: 'What was wrong with the last answer' })),
    lastGoodAt: Type.Union([moment, Type.Null()], { description: 'Last answer that could be used' }),
    refusedCount: Type.Integer({ minimum: 0, description: 'Answers that were not used since the server started' }),
    behaviour: Type.Optional(vocabulary(MISBEHAVIOURS, 'Of a stand-in; absent = a real instrument')),
  },
  'An instrument and how it is doing',
  'instrument',
);
export type Instrument = Static<typeof instrument>;

export const behaviourChange = record(
  { behaviour: vocabulary(MISBEHAVIOURS, 'From now on') },
  'How a stand-in is to behave',
  'behaviour-change',
);
export type BehaviourChange = Static<typeof behaviourChange>;

/** One line of a humidity log. */
export const airReading = record(
  {
    at: moment,
    temperatureC: Type.Number({ description: 'Air, °C' }),
    humidityPct: Type.Number({ minimum: 0, maximum: 100, description: 'Relative humidity, %' }),
  },
  'Air at one moment',
  'air-reading',
);
export type AirReading = Static<typeof airReading>;

export const massReading = record(
  { at: moment, massG: Type.Number({ description: 'On the pan, g' }) },
  'A settled weighing',
  'mass-reading',
);
export type MassReading = Static<typeof massReading>;

export const printOrder = record(
  {
    job: Type.String({ minLength: 1, maxLength: 120 }),
    filamentG: Type.Number({ exclusiveMinimum: 0, maximum: 30_000, description: 'It will take, g' }),
    hours: Type.Number({ exclusiveMinimum: 0, maximum: 5000, description: 'It will last, h' }),
  },
  'A print for a stand-in',
);
export type PrintOrder = Static<typeof printOrder>;

export const printProgress = record(
  {
    at: moment,
    state: vocabulary(['idle', 'printing', 'done', 'failed'] as const, 'What it is doing'),
    job: Type.String({ maxLength: 120 }),
    donePct: Type.Number({ minimum: 0, maximum: 100 }),
    filamentG: Type.Number({ minimum: 0, description: 'Used so far, g' }),
    hours: Type.Number({ minimum: 0, description: 'Since it began, h' }),
    leftH: Type.Number({ minimum: 0, description: 'By its own estimate, h' }),
  },
  'How far a print is',
  'print-progress',
);
export type PrintProgress = Static<typeof printProgress>;
