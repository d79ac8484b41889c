import { Type, type Static } from '@sinclair/typebox';
import { identifier, record, shortText, temperatureC, vocabulary } from './common.ts';

export const AGENT_RATINGS = ['resistant', 'limited', 'unsuitable', 'unknown'] as const;
export const agentRating = record(
  {
    rating: vocabulary(AGENT_RATINGS, 'In lasting contact, unfilled, lightly loaded; unknown never passes'),
    stressCrack: Type.Boolean({ description: 'Known to craze or crack in it under tension' }),
    maxTemperatureC: Type.Optional(temperatureC('Warmest the rating holds for, °C; absent = its own temperature only')),
    note: Type.Optional(Type.String({ minLength: 1, maxLength: 400, description: 'What decides the case' })),
  },
  'What an agent does to a family',
);
export type AgentRecord = Static<typeof agentRating>;

/** A fluid, vapour or gas that the workshop has added to those of the reference table. */
export const agent = record(
  {
    id: identifier,
    name: shortText('Identity'),
    examples: Type.Array(Type.String({ minLength: 1, maxLength: 120 }), { maxItems: 12 }),
    referenceTemperatureC: temperatureC('Temperature its ratings are for, °C'),
    handlingCaution: Type.String({ minLength: 1, maxLength: 400, description: 'Safety notes' }),
    note: Type.Optional(Type.String({ minLength: 1, maxLength: 600, description: 'What decides the case' })),
    ratings: Type.Record(identifier, agentRating, { description: 'By family; a family that is missing is unknown' }),
  },
  'A chemical agent',
  'agent',
);
export type Agent = Static<typeof agent>;

export const agentRecord = record(
  { agent, revision: Type.Integer({ minimum: 0 }) },
  'A chemical of the workspace’s own with its revision',
  'agent-record',
);
export type AgentOfWorkshop = Static<typeof agentRecord>;
