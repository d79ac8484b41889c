import { Type, type Static } from '@sinclair/typebox';
import { buildOrientation, identifier, longText, record } from './common.ts';
import { checkStatus } from './evaluation.ts';
import { statement } from './statement.ts';

const orNull = <T extends Parameters<typeof Type.Union>[0][number]>(schema: T, description: string) =>
  Type.Union([schema, Type.Null()], { description });
const number = (description: string) => orNull(Type.Number(), description);

export const screened = record(
  {
    grades: Type.Integer({ minimum: 0, description: 'Grades in the library of that day' }),
    pass: Type.Integer({ minimum: 0 }),
    unknown: Type.Integer({ minimum: 0 }),
    fail: Type.Integer({ minimum: 0 }),
    kept: Type.Integer({ minimum: 0, description: 'Of these, kept in the record with all their evidence' }),
    fellOver: Type.Array(record({ checkId: identifier, grades: Type.Integer({ minimum: 1 }) }, 'One check'), {
      description: 'What the failing grades fell over, the commonest first',
    }),
  },
  'How many grades were looked at, and what became of them',
);
export type Screened = Static<typeof screened>;

export const alternative = record(
  {
    gradeId: identifier,
    orientation: buildOrientation,
    whyNot: Type.Array(statement, { description: 'From the numbers, one sentence each' }),
    note: Type.Optional(longText('What the engineer adds')),
  },
  'A candidate that was not taken',
);
export type Alternative = Static<typeof alternative>;

const atValue = record(
  {
    value: Type.Number({ description: 'Canonical unit of the dimension' }),
    reserve: number('Minimum reserve of the chosen grade there'),
    status: checkStatus,
    governingCheckId: orNull(identifier, 'What governs there'),
    winnerId: orNull(identifier, 'Who comes first there; null: nobody passes'),
  },
  'What one value of an input makes of the choice',
);
const turn = orNull(
  record({ value: Type.Number(), winnerId: orNull(identifier, 'Null: nobody passes') }, 'Where another comes first'),
  'Null: none within reason',
);

export const frozenSensitivity = record(
  {
    id: Type.String(),
    title: Type.String(),
    dimension: Type.String(),
    now: Type.Number(),
    low: atValue,
    high: atValue,
    below: turn,
    above: turn,
  },
  'How much one input decides: one coefficient of variation down and up, and where another would come first',
);
export type FrozenSensitivity = Static<typeof frozenSensitivity>;

export const testDone = record(
  {
    campaignId: identifier,
    methodId: identifier,
    armId: Type.String(),
    gradeId: identifier,
    orientation: Type.String(),
    n: Type.Integer({ minimum: 1 }),
    mean: Type.Number({ description: 'Canonical unit of the method’s first outcome' }),
    sd: number('Standard deviation; null: one reading'),
    predicted: number('What was predicted; null: not known'),
    accepted: Type.Boolean({ description: 'Taken into the library' }),
    lastAt: Type.String({ format: 'date-time' }),
  },
  'A bench result of this part at the time',
);
export type TestDone = Static<typeof testDone>;

export const testOpen = record(
  {
    checkId: identifier,
    methodId: identifier,
    orientation: buildOrientation,
    specimens: Type.Integer({ minimum: 1 }),
    why: statement,
  },
  'A test that the choice would gain from and that had not been done',
);
export type TestOpen = Static<typeof testOpen>;

/** What the choice rested on beside the checks themselves. */
export const decisionGrounds = record(
  {
    leastChance: Type.Optional(
      Type.Number({
        minimum: 0,
        maximum: 1,
        description: 'Probability that the first had to have; absent = none was asked',
      }),
    ),
    schoolId: Type.String({ description: 'How the candidates were ranked' }),
    machineId: orNull(identifier, 'Machine it is printed on; null: none fits'),
    screened,
    alternatives: Type.Array(alternative),
    sensitivity: Type.Array(frozenSensitivity, { description: 'The input that decides most first' }),
    cautions: Type.Array(record({ id: identifier, text: statement }, 'As it was shown')),
    testsDone: Type.Array(testDone),
    testsOpen: Type.Array(testOpen),
    limits: longText('What the choice is meant for and what it is not'),
  },
  'The grounds of a decision',
);
export type DecisionGrounds = Static<typeof decisionGrounds>;
