import { Type, type Static } from '@sinclair/typebox';
import { record, vocabulary } from './common.ts';

export const CHANGE_ACTIONS = ['added', 'changed', 'removed'] as const;

export const recordedChange = record(
  {
    id: Type.String({ description: 'Counts up with time' }),
    at: Type.String({ format: 'date-time' }),
    who: Type.String(),
    kind: Type.String({ description: 'Table of the record' }),
    record: Type.String({ description: 'Id of the record' }),
    title: Type.Union([Type.String(), Type.Null()], {
      description: 'What the record is called; null: not known any more',
    }),
    revision: Type.Union([Type.Integer(), Type.Null()]),
    action: vocabulary(CHANGE_ACTIONS, 'What was done'),
  },
  'Who changed what, and when',
);
export type RecordedChange = Static<typeof recordedChange>;

export const changeDetail = record(
  {
    change: recordedChange,
    before: Type.Union([Type.Unknown(), Type.Null()], { description: 'The record before; null: there was none' }),
    after: Type.Union([Type.Unknown(), Type.Null()], { description: 'The record after; null: there is none' }),
    isLast: Type.Boolean({ description: 'Nothing has changed it since' }),
    canBePutBack: Type.Boolean({ description: 'The record can be made again as it was before' }),
  },
  'A change with what it changed',
);
export type ChangeDetail = Static<typeof changeDetail>;

export const presentPerson = record({ tab: Type.String(), who: Type.String() }, 'Somebody who has the same page open');
export type PresentPerson = Static<typeof presentPerson>;
export const presenceRequest = record(
  {
    tab: Type.String({ format: 'uuid', description: 'One a page that is open' }),
    place: Type.String({ minLength: 1, maxLength: 120, description: 'What is open: part/…' }),
  },
  'Somebody has a page open',
);
export type PresenceRequest = Static<typeof presenceRequest>;

export const liveEvent = record(
  {
    kind: Type.String({ description: 'Table of the record; *: more than can be told, or it is not known what' }),
    record: Type.Optional(Type.String()),
    revision: Type.Optional(Type.Union([Type.Integer(), Type.Null()])),
    who: Type.Optional(Type.String()),
    tab: Type.Optional(Type.String({ description: 'Page that made the change, which knows of it already' })),
  },
  'Something that was changed, as it is told to the pages that are open',
);
export type LiveEvent = Static<typeof liveEvent>;
