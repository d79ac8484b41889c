import { Type, type Static } from '@sinclair/typebox';
import { identifier, record, shortText, vocabulary } from './common.ts';

const moment = Type.String({ format: 'date-time' });

/** A dryer for spools, or a warm damp box in which polyamide parts take up water. */
export const dryer = record(
  {
    id: identifier,
    name: shortText('Its name'),
    purpose: vocabulary(['drying', 'conditioning'] as const, 'Takes water out of spools, or lets parts take it up'),
    slots: Type.Integer({ minimum: 1, maximum: 40, description: 'Capacity' }),
    maximumC: Type.Number({ minimum: 30, maximum: 250, description: 'Hottest, °C' }),
    sampleData: Type.Boolean(),
    note: Type.Optional(shortText('Notes')),
  },
  'A dryer or conditioning box',
  'dryer',
);
export type DryerAtHand = Static<typeof dryer>;

export const dryerRecord = record(
  { dryer, revision: Type.Integer({ minimum: 0 }) },
  'A dryer with its revision',
  'dryer-record',
);
export type DryerRecord = Static<typeof dryerRecord>;

/** Printed parts that wait for water. */
export const conditioningJob = record(
  {
    id: identifier,
    title: shortText('Parts'),
    gradeId: identifier,
    wallMm: Type.Number({ exclusiveMinimum: 0, maximum: 100, description: 'Thickest wall, mm' }),
    temperatureC: Type.Number({ minimum: 20, maximum: 100, description: 'Of the water or damp air, °C' }),
    needAt: moment,
    from: Type.Optional(Type.String({ format: 'date-time', description: 'Printed by then; absent = they are' })),
  },
  'Parts to be conditioned',
);
export type ConditioningJob = Static<typeof conditioningJob>;

export const scheduledRun = record(
  {
    id: identifier,
    dryerId: identifier,
    start: moment,
    temperatureC: Type.Number({ minimum: 20, maximum: 250, description: 'Air, °C' }),
    loads: Type.Array(identifier, { minItems: 1, maxItems: 40, description: 'Spools, or conditioning jobs' }),
  },
  'Some spools or parts together in one dryer',
);
export type ScheduledRun = Static<typeof scheduledRun>;

export const dryerSchedule = record(
  {
    runs: Type.Array(scheduledRun, { maxItems: 500 }),
    conditioning: Type.Array(conditioningJob, { maxItems: 100 }),
  },
  'What is dried or conditioned where and when',
  'dryer-schedule',
);
export type DryerSchedule = Static<typeof dryerSchedule>;

export const dryerScheduleRecord = record(
  { schedule: dryerSchedule, revision: Type.Integer({ minimum: 0 }) },
  'The dryer schedule with its revision',
  'dryer-schedule-record',
);
export type DryerScheduleRecord = Static<typeof dryerScheduleRecord>;
