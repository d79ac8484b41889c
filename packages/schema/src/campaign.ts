import { Type, type Static } from '@sinclair/typebox';
import { buildOrientation, identifier, longText, record, shortText, temperatureC, vocabulary } from './common.ts';
import { conditioning } from './observation.ts';

const moment = Type.String({ format: 'date-time' });
const uuid = Type.String({ format: 'uuid' });
const above0 = (maximum: number, description: string) =>
  Type.Optional(Type.Number({ exclusiveMinimum: 0, maximum, description }));

/** Sizes of specimens and rigs, by name; which of them a method reads it says itself. */
export const rigSetUp = record(
  {
    spanMm: above0(2000, 'Between the supports, or from the clamp to the load, mm'),
    widthMm: above0(1000, 'Of the specimen where it is tested, mm'),
    thicknessMm: above0(1000, 'Of the specimen where it is tested, mm'),
    lengthMm: above0(2000, 'Of the whole specimen, mm'),
    loadN: above0(1e6, 'Load that stays on, N'),
    temperatureC: Type.Optional(temperatureC('Of the specimen while it is tested, °C; absent = 23')),
    slideM: above0(1e6, 'Way that is rubbed, m'),
    voltageV: above0(20_000, 'Of the resistance meter, V'),
    agentId: Type.Optional(identifier),
    durationH: above0(1e5, 'How long the test lasts, h'),
    gaugeCapacityN: above0(1e6, 'Largest force that the gauge reads, N'),
    rigLimitN: above0(1e6, 'Largest force that the rig is safe for, N'),
    pulleyRatio: Type.Optional(
      Type.Number({
        minimum: 1,
        maximum: 12,
        description: 'Falls of rope that bear the specimen for one at the gauge',
      }),
    ),
    pulleyEfficiency: Type.Optional(
      Type.Number({ minimum: 0.3, maximum: 1, description: 'Share of the force that gets through the tackle' }),
    ),
    leverRatio: Type.Optional(
      Type.Number({ minimum: 0.01, maximum: 100, description: 'Arm of the gauge over arm of the specimen' }),
    ),
  },
  'Sizes of the specimen and of the rig, and what the gauge reads of the load',
);
export type RigSetUp = Static<typeof rigSetUp>;

/** Specimens of one grade made one way: what one mean is taken over. */
export const campaignArm = record(
  {
    id: Type.String({ pattern: '^[A-Z]{1,2}$', description: 'Letter in the marks of its specimens' }),
    gradeId: identifier,
    orientation: buildOrientation,
    predicted: Type.Optional(
      Type.Union([Type.Number(), Type.Null()], {
        description: 'What each specimen was expected to read when the campaign was planned; null = not known',
      }),
    ),
  },
  'One grade printed in one build orientation',
);
export type CampaignArm = Static<typeof campaignArm>;

export const PRINT_DEFECTS = ['gap', 'warped', 'stringing', 'layer-shift', 'blobs', 'delaminated', 'wet'] as const;
export const LOAD_DIRECTIONS = ['as-drawn', 'reversed', 'sideways'] as const;

export const specimen = record(
  {
    id: Type.String({
      pattern: '^[A-Z0-9]{1,6}-[A-Z]{1,2}[0-9]{1,3}$',
      description: 'Serial number: series, arm, number',
    }),
    armId: Type.String({ pattern: '^[A-Z]{1,2}$' }),
    spoolId: Type.Optional(Type.String({ maxLength: 20 })),
    machineId: Type.Optional(identifier),
    printedAt: Type.Optional(moment),
    defects: Type.Array(vocabulary(PRINT_DEFECTS, 'What went wrong as it was printed'), {
      maxItems: PRINT_DEFECTS.length,
    }),
    conditioning,
    massG: above0(30_000, 'Weighed, g'),
    widthMm: above0(1000, 'Measured where it is tested, mm; absent = as the set-up says'),
    thicknessMm: above0(1000, 'Measured where it is tested, mm; absent = as the set-up says'),
    loadDirection: vocabulary(LOAD_DIRECTIONS, 'Which way it was loaded'),
    note: Type.Optional(longText('How the print went, and anything else')),
  },
  'One thing that is tested once',
  'specimen',
);
export type Specimen = Static<typeof specimen>;

export const inspection = record(
  {
    id: identifier,
    at: moment,
    temperatureC: Type.Optional(temperatureC('Hottest since the last time, °C')),
    findings: Type.Array(
      record(
        {
          specimenId: Type.String({ maxLength: 20 }),
          state: vocabulary(['whole', 'changed', 'gone'] as const, 'As it was found; gone: it no longer does its work'),
          movedMm: Type.Optional(Type.Number({ minimum: 0, maximum: 5000, description: 'Distortion, mm' })),
          note: Type.Optional(shortText('Observed')),
        },
        'One specimen at one look',
      ),
      { maxItems: 500 },
    ),
    note: Type.Optional(longText('Weather and events')),
  },
  'One look at specimens that were left in a real place',
);
export type Inspection = Static<typeof inspection>;

export const acceptance = record(
  {
    armId: Type.String({ pattern: '^[A-Z]{1,2}$' }),
    outcomeId: identifier,
    at: moment,
    by: shortText('Approved by'),
    observationIds: Type.Array(identifier),
    gradeRevision: Type.Integer({ minimum: 1 }),
  },
  'A result that was taken into the library',
);
export type Acceptance = Static<typeof acceptance>;

export const campaign = record(
  {
    id: Type.String({ pattern: '^[A-Z][A-Z0-9]{1,5}$', description: 'Series: begins the marks of its specimens' }),
    title: shortText('Question'),
    methodId: identifier,
    partId: Type.Optional(uuid),
    loadCaseId: Type.Optional(identifier),
    checkId: Type.Optional(identifier),
    place: Type.Optional(shortText('Where it is done, or where the specimens were left')),
    setUp: rigSetUp,
    arms: Type.Array(campaignArm, { minItems: 1, maxItems: 40 }),
    perArm: Type.Integer({ minimum: 1, maximum: 100, description: 'Specimens wanted of each' }),
    halfWidthPct: Type.Optional(
      Type.Number({ minimum: 1, maximum: 50, description: 'Each mean is wanted within ± so many %' }),
    ),
    specimens: Type.Array(specimen, { maxItems: 2000 }),
    inspections: Type.Array(inspection, { maxItems: 500 }),
    inspectOn: Type.Array(Type.String({ format: 'date' }), { maxItems: 100, description: 'When to look' }),
    begunAt: Type.Optional(moment),
    accepted: Type.Array(acceptance, { maxItems: 500 }),
    sampleData: Type.Boolean(),
    note: Type.Optional(longText('Remarks')),
  },
  'Tests of one kind of some grades: what is to be settled, how, with which specimens',
  'campaign',
);
export type Campaign = Static<typeof campaign>;

export const campaignRecord = record(
  { campaign, revision: Type.Integer({ minimum: 0 }) },
  'A campaign with its revision',
  'campaign-record',
);
export type CampaignRecord = Static<typeof campaignRecord>;
