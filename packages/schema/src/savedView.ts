import { Type, type Static } from '@sinclair/typebox';
import { record, shortText, vocabulary } from './common.ts';

export const VIEW_STAGES = ['shortlist', 'compare'] as const;

export const savedView = record(
  {
    stage: vocabulary(VIEW_STAGES, 'Stage of the part it belongs to'),
    name: shortText('What it is called; one of the same name on the same stage is replaced'),
    search: Type.String({
      maxLength: 4000,
      pattern: '^[^#\\s]*$',
      description: 'Everything that is set there, as it stands in the address after the question mark',
    }),
  },
  'A view of a part that was kept under a name',
  'saved-view',
);
export type SavedView = Static<typeof savedView>;
