import { Type, type Static } from '@sinclair/typebox';
import { buildOrientation, identifier, record, vocabulary } from './common.ts';
import { statement } from './statement.ts';

export const EVIDENCE_CLASSES = ['A', 'B', 'C', 'D'] as const;
export const evidenceClass = vocabulary(
  EVIDENCE_CLASSES,
  'A bench n ≥ 5 · B bench n ≥ 3 or printed data sheet at the condition · C carried over · D family estimate',
);
export type EvidenceClass = Static<typeof evidenceClass>;

export const STATUSES = ['pass', 'fail', 'unknown', 'not-loaded'] as const;
export const checkStatus = vocabulary(STATUSES, 'Reserve ≥ 1, < 1, not known, or not stressed in this orientation');
export type CheckStatus = Static<typeof checkStatus>;

const nullableNumber = (description: string) => Type.Union([Type.Number(), Type.Null()], { description });

export const workingStep = record(
  {
    symbol: Type.String(),
    meaning: statement,
    expression: Type.Optional({ ...statement, description: 'The arithmetic with its numbers' }),
    value: Type.Union([Type.Number(), statement]),
    unit: Type.String(),
    source: Type.Optional(statement),
  },
  'One line of shown arithmetic',
);
export type WorkingStep = Static<typeof workingStep>;

export const checkResult = record(
  {
    checkId: identifier,
    status: checkStatus,
    demand: nullableNumber('What the part asks, in `unit`'),
    capacity: nullableNumber('What the grade gives, in `unit`'),
    unit: Type.String(),
    reserve: nullableNumber('Reserve factor, capacity ÷ demand; ≥ 1 passes; null when unknown or not loaded'),
    evidence: Type.Union([evidenceClass, Type.Null()]),
    gaps: Type.Array(statement, { description: 'What is missing, one sentence each' }),
    reason: Type.Union([statement, Type.Null()], { description: 'What decided it' }),
    loadCaseId: Type.Union([identifier, Type.Null()]),
    placeId: Type.Optional(
      Type.Union([identifier, Type.Null()], {
        description: 'Place of the part model that decides, where there is one',
      }),
    ),
    working: Type.Optional(Type.Array(workingStep)),
  },
  'The outcome of one check of one grade in one orientation',
);
export type CheckResult = Static<typeof checkResult>;

const share = (description: string) => Type.Number({ minimum: 0, maximum: 1, description });

export const chanceOfAll = record(
  {
    seed: Type.Integer(),
    draws: Type.Integer({ minimum: 1 }),
    all: share('Share of the draws that meet every check'),
    low: share('Lower end of Wilson’s interval at 95 %'),
    high: share('Upper end of it'),
    byCheck: Type.Array(record({ checkId: identifier, met: share('Share of the draws that meet it') }, 'One check'), {
      description: 'Checks that scatter, the one met least often first',
    }),
  },
  'Probability of compliance, by seeded draws; the same seed gives the same numbers everywhere',
);
export type ChanceOfAll = Static<typeof chanceOfAll>;

export const evaluationEntry = record(
  {
    orientation: buildOrientation,
    machineId: Type.Union([identifier, Type.Null()]),
    status: vocabulary(['pass', 'fail', 'unknown'] as const, 'Worst of the checks; unknown never passes'),
    minimumReserve: nullableNumber('Smallest known reserve'),
    governingCheckId: Type.Union([identifier, Type.Null()]),
    massG: nullableNumber('Mass of one part, g'),
    costUsd: nullableNumber('Cost of one good part, USD'),
    printTimeH: Type.Optional(nullableNumber('Time on the machine for one print, h')),
    ownHeatLimitC: nullableNumber('Lowest of load, form and ageing limit under its hot loads, °C'),
    ownHeatLimitBy: Type.Optional(
      vocabulary(['load', 'form', 'ageing'] as const, 'Which of the three it is; absent: unknown, or an older engine'),
    ),
    chance: Type.Optional(
      Type.Union([chanceOfAll, Type.Null()], { description: 'Where it was asked for; null: a check is not known' }),
    ),
    checks: Type.Array(checkResult),
  },
  'One grade in one orientation on its best machine',
);
export type EvaluationEntry = Static<typeof evaluationEntry>;

export const gradeEvaluation = record(
  { gradeId: identifier, best: evaluationEntry, entries: Type.Array(evaluationEntry) },
  'One grade over the allowed orientations; `best` has the highest minimum reserve among the best status',
);
export type GradeEvaluation = Static<typeof gradeEvaluation>;

export const evaluationResult = record(
  {
    engineVersion: Type.String(),
    checkIds: Type.Array(identifier, { description: 'Checks that apply to this brief, in the order shown' }),
    grades: Type.Array(gradeEvaluation),
  },
  'A brief held against a library',
  'evaluation-result',
);
export type EvaluationResult = Static<typeof evaluationResult>;
