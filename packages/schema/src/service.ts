import { Type, type Static } from '@sinclair/typebox';
import { buildOrientation, identifier, longText, record, shortText, temperatureC, vocabulary } from './common.ts';

const moment = Type.String({ format: 'date-time' });
const day = Type.String({ format: 'date' });
const uuid = Type.String({ format: 'uuid' });

/** A date on which a part in service is to be looked at, and for what. */
export const plannedInspection = record(
  {
    on: day,
    modeIds: Type.Array(identifier, { maxItems: 20, description: 'Failure modes that are looked for' }),
  },
  'A look that is due',
);
export type PlannedInspection = Static<typeof plannedInspection>;

/** One printed part that does its work somewhere. */
export const installation = record(
  {
    id: uuid,
    partId: uuid,
    mark: shortText('Serial number'),
    decisionId: Type.Optional(uuid),
    gradeId: identifier,
    orientation: buildOrientation,
    spoolId: Type.Optional(Type.String({ maxLength: 20 })),
    place: shortText('Where it does its work'),
    installedAt: moment,
    installedBy: shortText('Who put it there'),
    inspections: Type.Array(plannedInspection, { maxItems: 100, description: 'In the order of their dates' }),
    removed: Type.Optional(record({ at: moment, why: shortText('Why it was taken out') }, 'No longer in service')),
    note: Type.Optional(longText('Anything else')),
    sampleData: Type.Boolean(),
  },
  'A part in service',
  'installation',
);
export type Installation = Static<typeof installation>;

export const installationRecord = record(
  { installation, revision: Type.Integer({ minimum: 0 }) },
  'A part in service with its revision',
  'installation-record',
);
export type InstallationRecord = Static<typeof installationRecord>;

const above0 = (maximum: number, description: string) =>
  Type.Optional(Type.Number({ exclusiveMinimum: 0, maximum, description }));

export const FINDING_STATES = ['sound', 'changed', 'failed'] as const;

/** What was measured of a part in service, each in its canonical unit. */
export const serviceMeasures = record(
  {
    movedMm: above0(5000, 'Distortion, mm'),
    crackMm: above0(5000, 'Length of a crack, mm'),
    bowMm: above0(5000, 'Bow at the middle, mm'),
    wornMm: above0(1000, 'Worn off, mm'),
    heldN: above0(1e6, 'Force that it still holds, N'),
    hottestC: Type.Optional(temperatureC('Highest temperature since the last inspection, °C')),
    coldestC: Type.Optional(temperatureC('Lowest temperature since the last inspection, °C')),
    loadN: above0(1e6, 'Load at failure, N'),
    cycles: above0(1e10, 'Load cycles so far'),
  },
  'What was measured',
);
export type ServiceMeasures = Static<typeof serviceMeasures>;

/** What became of a finding: once it has been taken into the evidence, that stays with it. */
export const findingTaken = record(
  {
    at: moment,
    by: shortText('Approved by'),
    gradeId: identifier,
    gradeRevision: Type.Integer({ minimum: 1 }),
    observationIds: Type.Array(identifier),
  },
  'Taken into the evidence of a grade',
);

export const serviceFinding = record(
  {
    id: uuid,
    installationId: uuid,
    at: moment,
    by: shortText('Inspected by'),
    state: vocabulary(FINDING_STATES, 'Sound; changed, but still doing its work; or failed'),
    modeId: Type.Optional(identifier),
    loadCaseId: Type.Optional(identifier),
    agentId: Type.Optional(identifier),
    measured: serviceMeasures,
    forDate: Type.Optional(day),
    text: longText('Observed'),
    lesson: Type.Optional(longText('What the next one should do otherwise')),
    taken: Type.Array(findingTaken, { maxItems: 20 }),
    sampleData: Type.Boolean(),
  },
  'One look at a part in service, or its failure',
  'service-finding',
);
export type ServiceFinding = Static<typeof serviceFinding>;

export const findingRecord = record(
  { finding: serviceFinding, revision: Type.Integer({ minimum: 0 }) },
  'A finding with its revision',
  'service-finding-record',
);
export type FindingRecord = Static<typeof findingRecord>;

export const findingAcceptance = record(
  {
    by: shortText('Approved by'),
    findingRevision: Type.Integer({ minimum: 1 }),
    gradeRevision: Type.Integer({ minimum: 1 }),
  },
  'Take what a finding says into the evidence of its grade',
  'finding-acceptance',
);
export type FindingAcceptance = Static<typeof findingAcceptance>;

/** What is stored beside a finding, by its content. */
export const findingPhoto = record(
  {
    id: uuid,
    findingId: uuid,
    name: Type.String({ minLength: 1, maxLength: 120 }),
    mediaType: Type.String(),
    bytes: Type.Integer({ minimum: 1 }),
    at: moment,
  },
  'A photo or a note of a finding',
);
export type FindingPhoto = Static<typeof findingPhoto>;
