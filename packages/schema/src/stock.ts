import { Type, type Static } from '@sinclair/typebox';
import { dryerRecord, dryerScheduleRecord } from './dryer.ts';
import { placeRecord, spool } from './spool.ts';
import { record, vocabulary } from './common.ts';
import { statement } from './statement.ts';

const hours = (description: string) => Type.Number({ minimum: 0, description });

export const moistureClock = record(
  {
    state: vocabulary(
      ['dry', 'use-within', 'wet', 'unknown'] as const,
      'Unknown: sealed as it came, and makers differ in how dry they pack',
    ),
    fraction: Type.Number({
      description: 'Water over what it holds equilibrium at 50 % RH humidity; too wet from 0.2',
    }),
    useWithinH: Type.Union([hours('Until it is too wet to print, h'), Type.Null()], {
      description: 'Null: it never gets too wet where it lies',
    }),
    needsDryingH: hours('In the dryer, h; 0 = none'),
    sinceAt: Type.Union([Type.String({ format: 'date-time' }), Type.Null()]),
    startedAs: vocabulary(['dried', 'not dried yet', 'sealed'] as const, 'What it was when the clock began'),
    gapH: hours('For which its logger said nothing and the worst was taken, h'),
    assumedH: hours('For which only what is usual at its place is known, h'),
  },
  'How wet a spool is',
);
export type MoistureClock = Static<typeof moistureClock>;

export const stock = record(
  {
    at: Type.String({ format: 'date-time', description: 'When this held' }),
    spools: Type.Array(
      record(
        {
          spool,
          revision: Type.Integer({ minimum: 1 }),
          clock: Type.Union([moistureClock, Type.Null()], {
            description: 'Null: how its family is dried is not known',
          }),
          massG: Type.Number({ minimum: 0, description: 'Filament left, g' }),
          weighedAt: Type.Union([Type.String({ format: 'date-time' }), Type.Null()], {
            description: 'Last weighing; null = never, its label is taken',
          }),
        },
        'A spool and how it is',
      ),
    ),
    places: Type.Array(placeRecord),
    dryers: Type.Array(dryerRecord),
    schedule: dryerScheduleRecord,
  },
  'Everything in stock as it is now',
  'stock',
);
export type Stock = Static<typeof stock>;
export type SpoolInStock = Stock['spools'][number];

export const scheduleProposal = record(
  {
    schedule: dryerScheduleRecord.properties.schedule,
    impossible: Type.Array(record({ id: Type.String(), why: statement }, 'What no dryer takes, and why')),
    untold: Type.Array(Type.String(), { description: 'What cannot be planned since something is not known' }),
    exact: Type.Boolean({ description: 'Every way was tried' }),
  },
  'The best schedule from now on; nothing is saved',
  'schedule-proposal',
);
export type ScheduleProposal = Static<typeof scheduleProposal>;
