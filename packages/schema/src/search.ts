import { Type, type Static } from '@sinclair/typebox';
import { record, vocabulary } from './common.ts';

export const SEARCH_KINDS = ['part', 'grade', 'decision', 'finding', 'in-service', 'campaign'] as const;

export const searchHit = record(
  {
    kind: vocabulary(SEARCH_KINDS, 'Findings'),
    id: Type.String(),
    /** Part that it belongs to, where it does. */
    partId: Type.Union([Type.String(), Type.Null()], { description: 'Part that it belongs to; null: none' }),
    title: Type.String(),
    line: Type.String({ description: 'What tells it from others of its kind' }),
    snippet: Type.String({ description: 'Where the words stand; what was found is between « and »' }),
  },
  'Something with the words that were looked for',
);
export type SearchHit = Static<typeof searchHit>;
