import { Type, type Static } from '@sinclair/typebox';
import {
  buildOrientation,
  identifier,
  lengthMm,
  longText,
  record,
  shortText,
  taggedUnion,
  temperatureC,
  vocabulary,
} from './common.ts';

export const sectionGeometry = taggedUnion(
  'kind',
  [
    record(
      {
        kind: Type.Literal('rectangle'),
        widthMm: lengthMm('Across the load, mm'),
        depthMm: lengthMm('Along the load, mm'),
      },
      'Solid rectangle',
    ),
    record({ kind: Type.Literal('round'), diameterMm: lengthMm('Diameter, mm') }, 'Solid round bar'),
    record(
      { kind: Type.Literal('tube'), outerDiameterMm: lengthMm('Outer diameter, mm'), wallMm: lengthMm('Wall, mm') },
      'Round tube',
    ),
  ],
  'Cross-section',
);
export type SectionGeometry = Static<typeof sectionGeometry>;

export const cantileverArm = record(
  {
    model: Type.Literal('cantilever-arm'),
    spanMm: lengthMm('From the root to the load, mm'),
    section: sectionGeometry,
    filletRadiusMm: Type.Number({ minimum: 0, maximum: 500, description: 'Fillet radius at the root, mm; 0 = sharp' }),
  },
  'An arm held at one end that carries a load at the other',
);
/** Part models are told apart by `model`; further models join this union. */
export const partGeometry = cantileverArm;
export type PartGeometry = Static<typeof partGeometry>;

export const loadCase = record(
  {
    id: identifier,
    name: shortText('What this load is, in the engineer’s words'),
    forceN: Type.Number({ exclusiveMinimum: 0, maximum: 1e6, description: 'Force at the end of the arm, N' }),
    durationH: Type.Number({
      exclusiveMinimum: 0,
      maximum: 500000,
      description: 'How long the load stays on without a break, h',
    }),
    temperatureC: temperatureC('Temperature of the part while this load acts, °C'),
    safetyFactor: Type.Number({ minimum: 1, maximum: 20, description: 'Divides the allowable stress' }),
    actsWhenHot: Type.Boolean({ description: 'Also acts at the steady and peak service temperatures' }),
    maxDeflectionMm: Type.Optional(
      Type.Number({ exclusiveMinimum: 0, maximum: 5000, description: 'Movement allowed as the load comes on, mm' }),
    ),
    maxSagMm: Type.Optional(
      Type.Number({
        exclusiveMinimum: 0,
        maximum: 5000,
        description: 'Movement allowed at the end of the duration, mm',
      }),
    ),
  },
  'One load with its duration, temperature and limits',
  'load-case',
);
export type LoadCase = Static<typeof loadCase>;

export const heatAsk = record(
  {
    steadyC: Type.Optional(temperatureC('Highest temperature the part sits in for its whole life, °C')),
    peak: Type.Optional(
      record(
        {
          temperatureC: temperatureC('Highest short excursion, °C'),
          durationH: Type.Number({ exclusiveMinimum: 0, maximum: 10000, description: 'Length of one excursion, h' }),
        },
        'Short hot excursion under load',
      ),
    ),
  },
  'Service temperatures',
);

export const asks = record(
  {
    heat: Type.Optional(heatAsk),
    maxMassG: Type.Optional(Type.Number({ exclusiveMinimum: 0, maximum: 1e6, description: 'Mass of one part, g' })),
    maxCostUsd: Type.Optional(
      Type.Number({ exclusiveMinimum: 0, maximum: 1e7, description: 'Cost of one good part, USD' }),
    ),
    machineIds: Type.Optional(
      Type.Array(identifier, {
        minItems: 1,
        maxItems: 100,
        uniqueItems: true,
        description: 'Machines that may print it; absent = any machine of the workshop',
      }),
    ),
    orientations: Type.Optional(
      Type.Array(buildOrientation, {
        minItems: 1,
        maxItems: 3,
        uniqueItems: true,
        description: 'Allowed build orientations; absent = all three',
      }),
    ),
  },
  'What is asked of the part besides its loads',
);

export const brief = record(
  {
    title: shortText('What the part is'),
    purpose: longText('What the part does and what happens when it fails'),
    failureCouldHurt: vocabulary(['unanswered', 'no', 'yes'] as const, 'Could someone be hurt when this part fails?'),
    moisture: vocabulary(
      ['dry', 'conditioned'] as const,
      'Moisture state in service: kept dry, or in balance with ordinary air (23 °C, 50 % RH)',
    ),
    part: partGeometry,
    loadCases: Type.Array(loadCase, { minItems: 1, maxItems: 12 }),
    asks,
  },
  'What a part must do',
  'brief',
);
export type Brief = Static<typeof brief>;
