import { Type, type Static } from '@sinclair/typebox';
import { agent } from './agent.ts';
import { brief } from './brief.ts';
import { buildOrientation, identifier, longText, record } from './common.ts';
import { evaluationResult } from './evaluation.ts';
import { grade } from './grade.ts';
import { houseRules } from './houseRules.ts';
import { machine } from './machine.ts';

/** What the engineer says when freezing a decision; the rest of the record is taken from the part as it stands. */
export const decisionRequest = record(
  {
    partRevision: Type.Integer({ minimum: 1, description: 'Revision of the part the engineer was looking at' }),
    gradeId: identifier,
    orientation: buildOrientation,
    reasons: Type.String({ minLength: 10, maxLength: 4000, description: 'Why this grade, in at least ten characters' }),
    openRisks: longText('What is still unproven'),
    decidedBy: Type.String({ minLength: 1, maxLength: 120, description: 'Who decides' }),
  },
  'A choice to be frozen',
  'decision-request',
);
export type DecisionRequest = Static<typeof decisionRequest>;

export const decision = record(
  {
    format: Type.Literal('anvilstone-decision/1'),
    id: Type.String({ format: 'uuid' }),
    number: Type.Integer({ minimum: 1 }),
    partId: Type.String({ format: 'uuid' }),
    partRevision: Type.Integer({ minimum: 1 }),
    decidedAt: Type.String({ format: 'date-time' }),
    decidedBy: Type.String(),
    gradeId: identifier,
    orientation: buildOrientation,
    reasons: Type.String(),
    openRisks: Type.String(),
    engineVersion: Type.String(),
    brief,
    rules: houseRules,
    grades: Type.Array(grade),
    machines: Type.Array(machine),
    agents: Type.Optional(Type.Array(agent)),
    result: evaluationResult,
  },
  'A frozen decision with everything needed to compute it again',
  'decision',
);
export type Decision = Static<typeof decision>;
