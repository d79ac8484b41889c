import { Type, type Static } from '@sinclair/typebox';
import { identifier, record, shortText, vocabulary } from './common.ts';
import { loadCase } from './loadCase.ts';
import { loadCombination } from './loadCombination.ts';
import { partGeometry } from './partGeometry.ts';

export const PART_AXES = ['length', 'depth', 'width'] as const;
export type PartAxisName = (typeof PART_AXES)[number];

/** Another model of the same part: it bends, and is held by a lug, and touches something hot. */
export const feature = record(
  {
    id: identifier,
    name: shortText('What this feature is, such as “lug” or “snap”'),
    part: partGeometry,
    lengthAlong: vocabulary(PART_AXES, 'Axis of the part that the length of the feature lies along'),
    depthAlong: vocabulary(
      PART_AXES,
      'Axis of the part that the depth of the feature lies along; not that of its length',
    ),
    loadCases: Type.Array(loadCase, { minItems: 1, maxItems: 12 }),
    combinations: Type.Optional(Type.Array(loadCombination, { maxItems: 12 })),
  },
  'A further model of the same part, checked with the same grade and orientation',
  'feature',
);
export type Feature = Static<typeof feature>;
