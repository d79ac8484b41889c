import { Type, type Static } from '@sinclair/typebox';
import { record, vocabulary } from './common.ts';

export const JOB_STATES = ['waiting', 'running', 'done', 'failed', 'cancelled'] as const;
export type JobState = (typeof JOB_STATES)[number];

const time = Type.String({ format: 'date-time' });
const orNull = <T extends ReturnType<typeof Type.String>>(one: T) => Type.Union([one, Type.Null()]);

export const job = record(
  {
    id: Type.String({ format: 'uuid' }),
    kind: Type.String({ description: 'What sort of work it is' }),
    title: Type.String({ description: 'Lesson' }),
    state: vocabulary(JOB_STATES, 'Where it stands'),
    progress: Type.Number({ minimum: 0, maximum: 1 }),
    line: Type.String({ description: 'What it is at just now; empty: it does not say' }),
    attempt: Type.Integer({ minimum: 0, description: 'How often it was begun' }),
    failure: orNull(Type.String()),
    result: Type.Union([Type.Unknown(), Type.Null()], { description: 'What came of it; null: nothing is kept' }),
    who: Type.String({ description: 'Who asked for it' }),
    worker: orNull(Type.String({ description: 'Process that is at it, or was last' })),
    createdAt: time,
    startedAt: orNull(time),
    endedAt: orNull(time),
  },
  'Work done beside requests',
);
export type Job = Static<typeof job>;

export const recordsCheck = record(
  {
    checked: Type.Integer({ minimum: 0 }),
    differing: Type.Array(
      record(
        {
          decisionId: Type.String({ format: 'uuid' }),
          partId: Type.String({ format: 'uuid' }),
          title: Type.String(),
          differences: Type.Array(Type.String()),
        },
        'A record that does not compute to what was frozen',
      ),
    ),
  },
  'What came of computing every frozen record again',
);
export type RecordsCheck = Static<typeof recordsCheck>;
