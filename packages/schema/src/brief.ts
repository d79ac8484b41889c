import { Type, type Static } from '@sinclair/typebox';
import { asks } from './asks.ts';
import { longText, record, shortText, vocabulary } from './common.ts';
import { layup } from './layup.ts';
import { feature } from './feature.ts';
import { loadCase } from './loadCase.ts';
import { loadCombination } from './loadCombination.ts';
import { CONDITIONINGS } from './observation.ts';
import { partGeometry } from './partGeometry.ts';
import { fibreInFaces } from './fibreInFaces.ts';
import { wallsAndInfill } from './wallsAndInfill.ts';

export const brief = record(
  {
    title: shortText('What the part is'),
    purpose: longText('What the part does and what happens when it fails'),
    failureCouldHurt: vocabulary(['unanswered', 'no', 'yes'] as const, 'Could someone be hurt when this part fails?'),
    moisture: vocabulary(
      CONDITIONINGS,
      'Moisture state in service: kept dry, in balance with ordinary air (23 °C, 50 % RH), or wet through',
    ),
    annealed: Type.Optional(
      Type.Literal(true, {
        description: 'Annealed after printing as its family usually is, where that helps; absent = as printed',
      }),
    ),
    crystallisedInChamber: Type.Optional(
      Type.Literal(true, {
        description:
          'Printed in a chamber so hot that slow crystallisers crystallise as they are laid; the machine must reach it; absent = as printed',
      }),
    ),
    part: partGeometry,
    filled: Type.Optional(wallsAndInfill),
    foamNozzleC: Type.Optional(
      Type.Number({
        minimum: 100,
        maximum: 400,
        description:
          'Nozzle temperature that sets the foam of grades that foam, °C; absent = as their makers state them',
      }),
    ),
    fibre: Type.Optional(fibreInFaces),
    layup: Type.Optional(layup),
    loadCases: Type.Array(loadCase, { minItems: 1, maxItems: 12 }),
    combinations: Type.Optional(
      Type.Array(loadCombination, { maxItems: 12, description: 'Loads that act at the same time' }),
    ),
    features: Type.Optional(
      Type.Array(feature, { maxItems: 6, description: 'Further models of the same part; the worst governs' }),
    ),
    asks,
    lessons: Type.Optional(
      Type.Array(
        record(
          {
            text: Type.String({ minLength: 1, maxLength: 4000, description: 'What was learned, and from what' }),
            partId: Type.Optional(Type.String({ format: 'uuid', description: 'Part that it was learned from' })),
            findingId: Type.Optional(Type.String({ format: 'uuid' })),
          },
          'One lesson',
        ),
        { maxItems: 20, description: 'What parts before it taught; it is read, not computed' },
      ),
    ),
    template: Type.Optional(Type.Literal(true, { description: 'Offered as a starting point for new parts' })),
  },
  'What a part must do',
  'brief',
);
export type Brief = Static<typeof brief>;
