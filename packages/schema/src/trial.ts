import { Type, type Static } from '@sinclair/typebox';
import { identifier, longText, record, shortText, temperatureC, vocabulary } from './common.ts';

const moment = Type.String({ format: 'date-time' });
const uuid = Type.String({ format: 'uuid' });

/** What a curve or a reading gives; each method says which of them count. */
export const FINDINGS = ['peakN', 'firstCrackN', 'stiffnessNPerMm', 'energyJ', 'endN', 'movedMm', 'reading'] as const;
export type FindingId = (typeof FINDINGS)[number];

const findings = Type.Partial(
  Type.Object({
    peakN: Type.Number({ description: 'Largest force, N' }),
    firstCrackN: Type.Number({ description: 'Force at which it first gave way, N' }),
    stiffnessNPerMm: Type.Number({ description: 'Slope of the straight part, N/mm' }),
    energyJ: Type.Number({ description: 'Work until it broke, J' }),
    endN: Type.Number({ description: 'Force at the end, N' }),
    movedMm: Type.Number({ description: 'Movement at the end, mm' }),
    reading: Type.Number({ description: 'The one number of the method, in its unit' }),
    moved: Type.Array(
      record(
        {
          timeS: Type.Number({ minimum: 0, maximum: 4e8, description: 'Since the load came on, s' }),
          movedMm: Type.Number({ description: 'Movement, mm' }),
          unloaded: Type.Optional(Type.Literal(true, { description: 'After the load was taken off' })),
        },
        'Movement at one time',
      ),
      { maxItems: 400, description: 'Movement over time, in rising order' },
    ),
  }),
  { additionalProperties: false, description: 'What was found, by name' },
);

export const TRIAL_EVENTS = ['drop-out', 'back', 'over-range', 'restart', 'gap', 'damaged'] as const;

export const trial = record(
  {
    id: uuid,
    campaignId: identifier,
    specimenId: Type.String({ maxLength: 20 }),
    at: moment,
    state: vocabulary(['running', 'done', 'abandoned'] as const, 'Abandoned: no result, and is kept'),
    source: vocabulary(['live', 'file', 'typed'] as const, 'Read from gauges, from a file, or entered by hand'),
    /** As it was read or typed, before any tackle is counted. */
    asRead: Type.Optional(
      record(
        { value: Type.Number(), unit: Type.String({ minLength: 1, maxLength: 20 }) },
        'As it was typed, with its unit and before pulley and lever',
      ),
    ),
    advantage: Type.Number({
      exclusiveMinimum: 0,
      maximum: 1000,
      description: 'Force on the specimen over force at the gauge: pulley × its efficiency × lever',
    }),
    temperatureC: Type.Optional(temperatureC('Of the specimen, °C')),
    found: findings,
    /** Peak is only a bound: the gauge was past its range. */
    overRange: Type.Optional(Type.Literal(true)),
    corrected: Type.Optional(
      record({ found: findings, why: shortText('Why the numbers found are not right') }, 'Correct by hand'),
    ),
    excluded: Type.Optional(
      record({ why: shortText('Why it does not count') }, 'Shown, but left out of the statistics'),
    ),
    events: Type.Array(
      record(
        { at: moment, kind: vocabulary(TRIAL_EVENTS, 'What happened'), text: Type.String({ maxLength: 300 }) },
        'Something that happened while it ran',
      ),
      { maxItems: 500 },
    ),
    broke: Type.Optional(shortText('Location and mode of failure')),
    note: Type.Optional(longText('Remarks')),
    sampleData: Type.Boolean(),
  },
  'One specimen tested once',
  'trial',
);
export type Trial = Static<typeof trial>;
export type Findings = Trial['found'];

export const trialRecord = record(
  { trial, revision: Type.Integer({ minimum: 0 }) },
  'A trial with its revision',
  'trial-record',
);
export type TrialRecord = Static<typeof trialRecord>;

const column = (description: string) => Type.Array(Type.Union([Type.Number(), Type.Null()]), { description });

/** A curve column by column; `every` says how many readings one of these stands for. */
export const trialCurve = record(
  {
    readings: Type.Integer({ minimum: 0, description: 'As many were taken' }),
    timeS: column('Since it began, s'),
    forceN: column('On the specimen, N; null = not read'),
    movedMm: column('Movement, mm; null = not read'),
    temperatureC: column('°C; null = not read'),
    over: Type.Array(Type.Boolean(), { description: 'The gauge was past its range' }),
    last: Type.Integer({ minimum: 0, description: 'Number of the last reading' }),
  },
  'Readings of a trial',
  'trial-curve',
);
export type TrialCurve = Static<typeof trialCurve>;

export const attachment = record(
  {
    id: uuid,
    campaignId: identifier,
    aboutId: Type.String({ maxLength: 80, description: 'Specimen, trial or inspection it belongs to' }),
    name: Type.String({ minLength: 1, maxLength: 120 }),
    mediaType: vocabulary(
      ['image/png', 'image/jpeg', 'image/webp', 'text/plain', 'application/pdf'] as const,
      'By its content',
    ),
    bytes: Type.Integer({ minimum: 1 }),
    at: moment,
  },
  'A photo or a note that belongs to a test',
  'attachment',
);
export type Attachment = Static<typeof attachment>;

/** A part whose answer is no longer what it was when somebody last looked. */
export const partNotice = record(
  {
    id: uuid,
    partId: uuid,
    at: moment,
    cause: shortText('What changed'),
    changes: Type.Array(Type.String({ maxLength: 400 }), { description: 'What is different now, one sentence each' }),
  },
  'Why a part is out of date',
  'part-notice',
);
export type PartNotice = Static<typeof partNotice>;

export const acceptanceRequest = record(
  {
    armId: Type.String({ maxLength: 2 }),
    outcomeId: identifier,
    by: shortText('Approved by'),
    campaignRevision: Type.Integer({ minimum: 1 }),
    gradeRevision: Type.Integer({ minimum: 1 }),
  },
  'Take a result into the library',
  'acceptance-request',
);
export type AcceptanceRequest = Static<typeof acceptanceRequest>;

/** One mean of one arm, for comparing a method’s results from campaign to campaign. */
export const methodResult = record(
  {
    campaignId: identifier,
    methodId: identifier,
    checkId: Type.Optional(identifier),
    armId: Type.String(),
    gradeId: identifier,
    orientation: Type.String(),
    outcomeId: identifier,
    lastAt: moment,
    n: Type.Integer({ minimum: 1 }),
    mean: Type.Number({ description: 'In the canonical unit of the outcome' }),
    sd: Type.Union([Type.Number(), Type.Null()]),
    low: Type.Union([Type.Number(), Type.Null()], { description: 'Lower end of the mean’s 95 % interval' }),
    high: Type.Union([Type.Number(), Type.Null()]),
    predicted: Type.Union([Type.Number(), Type.Null()]),
    accepted: Type.Boolean(),
  },
  'One mean by one method',
);
export type MethodResult = Static<typeof methodResult>;

const leader = record(
  {
    gradeId: Type.Union([identifier, Type.Null()]),
    orientation: Type.Union([Type.String(), Type.Null()]),
    status: Type.Union([Type.String(), Type.Null()]),
    reserve: Type.Union([Type.Number(), Type.Null()]),
    governingCheckId: Type.Union([identifier, Type.Null()]),
    pass: Type.Integer({ minimum: 0 }),
    unknown: Type.Integer({ minimum: 0 }),
    fail: Type.Integer({ minimum: 0 }),
  },
  'Who leads and how many stand',
);

export const evidenceImpact = record(
  {
    parts: Type.Array(
      record(
        {
          partId: uuid,
          title: Type.String(),
          now: leader,
          then: leader,
          changes: Type.Array(Type.String(), { description: 'Empty: nothing moves' }),
        },
        'One part before and after',
      ),
    ),
  },
  'What a result would change in every part',
  'evidence-impact',
);
export type EvidenceImpact = Static<typeof evidenceImpact>;
export type LeaderSummary = Static<typeof leader>;
