import { Type, type Static } from '@sinclair/typebox';
import { agent } from './agent.ts';
import { brief } from './brief.ts';
import { buildOrientation, identifier, ORIENTATIONS, record, vocabulary } from './common.ts';
import { grade } from './grade.ts';
import { machine } from './machine.ts';

const uuid = Type.String({ format: 'uuid' });
const moment = Type.String({ format: 'date-time' });

export const part = record(
  { id: uuid, revision: Type.Integer({ minimum: 1 }), brief, createdAt: moment, updatedAt: moment },
  'A part with its brief and revision',
  'part',
);
export type Part = Static<typeof part>;

export const partCreate = record({ brief }, 'A new part', 'part-create');
export type PartCreate = Static<typeof partCreate>;

export const partUpdate = record(
  { brief, revision: Type.Integer({ minimum: 1, description: 'Revision this change was made from' }) },
  'A changed part',
  'part-update',
);
export type PartUpdate = Static<typeof partUpdate>;

/** A row of the parts list; what governs is worked out by the reader from the same evaluation as everywhere else. */
export const partSummary = record(
  {
    id: uuid,
    revision: Type.Integer({ minimum: 1 }),
    brief,
    updatedAt: moment,
    campaignCount: Type.Integer({ minimum: 0, description: 'Test campaigns for it' }),
    decisionCount: Type.Integer({ minimum: 0 }),
    decided: Type.Union(
      [
        record(
          {
            number: Type.Integer({ minimum: 1 }),
            gradeId: identifier,
            gradeName: Type.String(),
            orientation: buildOrientation,
          },
          'The newest decision',
        ),
        Type.Null(),
      ],
      { description: 'What was decided last; null: nothing yet' },
    ),
    inServiceCount: Type.Integer({ minimum: 0, description: 'How many were put in service, taken out since or not' }),
  },
  'A row of the parts list',
);
export type PartSummary = Static<typeof partSummary>;

export const decisionSummary = record(
  {
    id: uuid,
    number: Type.Integer({ minimum: 1 }),
    partRevision: Type.Integer({ minimum: 1 }),
    decidedAt: moment,
    decidedBy: Type.String(),
    gradeId: identifier,
    gradeName: Type.String(),
    orientation: buildOrientation,
    builtAs: vocabulary(
      ORIENTATIONS,
      'What that orientation is called by how the part lies: flat XY, on edge XZ, upright ZX',
    ),
    reasons: Type.String(),
    supersedes: Type.Union([Type.Integer({ minimum: 1 }), Type.Null()], {
      description: 'Number of the decision it takes the place of',
    }),
    signedBy: Type.Union([Type.String(), Type.Null()], { description: 'Who signed last and did not withdraw' }),
  },
  'A row of a part’s decisions',
);
export type DecisionSummary = Static<typeof decisionSummary>;

export const recomputation = record(
  {
    agrees: Type.Boolean(),
    frozenEngineVersion: Type.String(),
    currentEngineVersion: Type.String(),
    differences: Type.Array(Type.String(), { description: 'One sentence for each number that differs' }),
  },
  'A frozen decision computed again from its own inputs',
  'recomputation',
);
export type Recomputation = Static<typeof recomputation>;

/** Input of an evaluation without a server-side part; what is left out is taken from the workshop’s library. */
export const evaluationRequest = record(
  {
    brief,
    gradeIds: Type.Optional(Type.Array(identifier, { minItems: 1, maxItems: 5000, uniqueItems: true })),
    showWorking: Type.Optional(Type.Boolean()),
    chance: Type.Optional(
      record(
        {
          seed: Type.Optional(Type.Integer({ minimum: 0, maximum: 2 ** 32 - 1, description: 'Absent: 1' })),
          draws: Type.Optional(Type.Integer({ minimum: 100, maximum: 100000, description: 'Absent: 10,000' })),
        },
        'Also work out how likely each grade meets every check, in its best orientation',
      ),
    ),
  },
  'A brief to hold against the library',
  'evaluation-request',
);
export type EvaluationRequest = Static<typeof evaluationRequest>;

/** A library that travels in a file, for the command line. */
export const library = record(
  {
    grades: Type.Array(grade),
    machines: Type.Array(machine),
    agents: Type.Optional(
      Type.Array(agent, { description: 'Chemicals of the workspace’s own, beside the reference table' }),
    ),
  },
  'Grades, machines and own agents in a file',
  'library',
);
export type Library = Static<typeof library>;

export const problemIssue = record(
  {
    pointer: Type.String({ description: 'JSON pointer to the value at fault' }),
    detail: Type.String(),
    accepted: Type.Optional(Type.String({ description: 'What would be accepted' })),
  },
  'One thing wrong',
);
export type ProblemIssue = Static<typeof problemIssue>;

/** RFC 9457 problem document. */
export const problem = Type.Object(
  {
    type: Type.String(),
    title: Type.String(),
    status: Type.Integer(),
    detail: Type.String(),
    errors: Type.Optional(Type.Array(problemIssue)),
  },
  { $id: 'problem', description: 'RFC 9457 problem document; a conflict also carries `current`, the newer record' },
);
export type Problem = Static<typeof problem> & { current?: unknown };
