import { Type, type Static } from '@sinclair/typebox';
import { identifier, record, shortText } from './common.ts';

/** Loads that act at the same time; what is in no combination stays an alternative to the others. */
export const loadCombination = record(
  {
    id: identifier,
    name: Type.Optional(shortText('What they are together; absent = their own names')),
    loadIds: Type.Array(identifier, {
      minItems: 2,
      maxItems: 12,
      uniqueItems: true,
      description: 'Loads that act at the same time',
    }),
    maxMovementMm: Type.Optional(
      Type.Number({
        exclusiveMinimum: 0,
        maximum: 5000,
        description:
          'Movement allowed under all of them, mm; absent = the largest that one of them allows, else the usual',
      }),
    ),
  },
  'Loads that act at the same time',
  'load-combination',
);
export type LoadCombination = Static<typeof loadCombination>;
