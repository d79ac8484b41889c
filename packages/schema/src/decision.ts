import { Type, type Static } from '@sinclair/typebox';
import { agent } from './agent.ts';
import { brief } from './brief.ts';
import { buildOrientation, identifier, longText, record, shortText, vocabulary } from './common.ts';
import { decisionGrounds } from './decisionGrounds.ts';
import { evaluationResult } from './evaluation.ts';
import { grade } from './grade.ts';
import { companyRules } from './companyRules.ts';
import { machine } from './machine.ts';
import { statement } from './statement.ts';

/** What the engineer says when freezing a decision; the rest of the record is taken from the part as it stands. */
export const decisionRequest = record(
  {
    partRevision: Type.Integer({ minimum: 1, description: 'Revision of the part the engineer was looking at' }),
    gradeId: identifier,
    orientation: buildOrientation,
    reasons: Type.String({ minLength: 10, maxLength: 4000, description: 'Why this grade, in at least ten characters' }),
    openRisks: longText('What is still unproven'),
    limits: Type.Optional(longText('What the choice is meant for and what it is not')),
    decidedBy: Type.String({ minLength: 1, maxLength: 120, description: 'Who decides' }),
    schoolId: Type.Optional(
      Type.String({ maxLength: 40, description: 'How candidates are ranked; absent = as the company rules say' }),
    ),
    notes: Type.Optional(
      Type.Array(record({ gradeId: identifier, text: longText('Reason against') }, 'A word on a candidate not taken'), {
        maxItems: 50,
      }),
    ),
  },
  'A choice to be frozen',
  'decision-request',
);
export type DecisionRequest = Static<typeof decisionRequest>;

export const decision = record(
  {
    format: vocabulary(
      ['anvilstone-decision/1', 'anvilstone-decision/2'] as const,
      '1: the whole library and no grounds; 2: the candidates with their grounds',
    ),
    id: Type.String({ format: 'uuid' }),
    number: Type.Integer({ minimum: 1 }),
    partId: Type.String({ format: 'uuid' }),
    partRevision: Type.Integer({ minimum: 1 }),
    supersedes: Type.Optional(
      Type.Integer({ minimum: 1, description: 'Number of the decision of the same part that it takes the place of' }),
    ),
    decidedAt: Type.String({ format: 'date-time' }),
    decidedBy: Type.String(),
    gradeId: identifier,
    orientation: buildOrientation,
    reasons: Type.String(),
    openRisks: Type.String(),
    engineVersion: Type.String(),
    brief,
    rules: companyRules,
    grades: Type.Array(grade),
    machines: Type.Array(machine),
    agents: Type.Optional(Type.Array(agent)),
    result: evaluationResult,
    grounds: Type.Optional(decisionGrounds),
  },
  'A frozen decision with everything needed to compute it again',
  'decision',
);
export type Decision = Static<typeof decision>;

const digest = Type.String({ pattern: '^[0-9a-f]{64}$', description: 'SHA-256, hexadecimal' });

/** What somebody who answers for the part says about a frozen decision. */
export const signOffRequest = record(
  {
    kind: vocabulary(['signed', 'withdrawn'] as const, 'Withdrawn: it no longer holds, and the statement says why'),
    by: shortText('Name of who signs'),
    role: shortText('As what they sign'),
    statement: Type.String({ minLength: 10, maxLength: 4000, description: 'What they stand for, in ten characters' }),
    limits: longText('Scope: loads, temperatures, locations, quantities, dates'),
    proofTest: Type.Optional(longText('How every part is proof-tested before use')),
    decisionDigest: digest,
  },
  'A signature to be put under a decision',
  'sign-off-request',
);
export type SignOffRequest = Static<typeof signOffRequest>;

export const signOff = record(
  { ...signOffRequest.properties, id: Type.String({ format: 'uuid' }), at: Type.String({ format: 'date-time' }) },
  'A signature under a decision; it names the digest of what was signed',
  'sign-off',
);
export type SignOff = Static<typeof signOff>;

export const seal = record(
  {
    digest: { ...digest, description: 'SHA-256 of the decision and its signatures in canonical JSON (RFC 8785)' },
    publicKey: Type.String({ pattern: '^[0-9a-f]{64}$', description: 'Ed25519 key of the installation' }),
    signature: Type.String({ pattern: '^[0-9a-f]{128}$', description: 'Ed25519 signature of the digest’s bytes' }),
  },
  'What shows that nothing was changed, and which installation wrote it',
);
export type Seal = Static<typeof seal>;

export const decisionFile = record(
  { format: Type.Literal('anvilstone-decision-record/1'), decision, signOffs: Type.Array(signOff), seal },
  'A decision as it leaves the installation',
  'decision-record',
);
export type DecisionFile = Static<typeof decisionFile>;

export const fieldChange = record(
  {
    area: Type.String({ description: 'Brief, choice, rules, evidence …' }),
    field: Type.String(),
    before: Type.Union([statement, Type.Null()], { description: 'Null: not there' }),
    after: Type.Union([statement, Type.Null()], { description: 'Null: not there' }),
  },
  'One field that differs',
);
export type FieldChange = Static<typeof fieldChange>;

const choiceStatus = record(
  {
    status: vocabulary(['pass', 'fail', 'unknown', 'gone'] as const, 'Gone: it is no longer in the library'),
    reserve: Type.Union([Type.Number(), Type.Null()]),
    governingCheckId: Type.Union([identifier, Type.Null()]),
    costUsd: Type.Union([Type.Number(), Type.Null()]),
    leaderId: Type.Union([identifier, Type.Null()], { description: 'Who comes first; null: nobody passes' }),
    leaderName: Type.Union([Type.String(), Type.Null()]),
  },
  'Where the chosen grade stands, and who comes first',
);
export type ChoiceStatus = Static<typeof choiceStatus>;

export const drift = record(
  {
    frozen: choiceStatus,
    now: { ...choiceStatus, description: 'With everything as it is today' },
    causes: Type.Array(
      record(
        {
          id: vocabulary(
            ['engine', 'brief', 'rules', 'evidence', 'machines', 'agents', 'others'] as const,
            'What moved',
          ),
          title: Type.String(),
          changes: Type.Array(fieldChange),
          alone: { ...choiceStatus, description: 'If this alone had changed' },
          matters: Type.Boolean({ description: 'Alone, it moves the verdict, a reserve or who comes first' }),
        },
        'One thing that is not as it was',
      ),
    ),
  },
  'What the decision would be today, and because of what',
  'decision-outlook',
);
export type DecisionDrift = Static<typeof drift>;

export const fileCheck = record(
  {
    verdict: vocabulary(
      ['intact', 'tampered', 'differs', 'unreadable'] as const,
      'Intact: sealed, unchanged and computed alike · tampered: its seal does not hold · differs: sealed, but this engine computes otherwise',
    ),
    ownKey: Type.Boolean({ description: 'Sealed by this installation' }),
    knownKey: Type.Boolean({ description: 'Sealed by a key from which a record was kept before, or by this one' }),
    fingerprint: Type.Union([Type.String(), Type.Null()], { description: 'Of the key, to be compared by voice' }),
    findings: Type.Array(Type.String(), { description: 'What was found, one sentence each' }),
    differences: Type.Array(Type.String(), { description: 'Numbers that come out otherwise here' }),
    decision: Type.Union([decision, Type.Null()]),
    signOffs: Type.Array(signOff),
  },
  'A record from elsewhere, checked',
  'decision-file-check',
);
export type FileCheck = Static<typeof fileCheck>;

export const receivedRecord = record(
  {
    id: Type.String({ format: 'uuid' }),
    receivedAt: Type.String({ format: 'date-time' }),
    receivedBy: Type.String(),
    fingerprint: Type.String(),
    number: Type.Integer(),
    title: Type.String(),
    gradeName: Type.String(),
    decidedAt: Type.String(),
    decidedBy: Type.String(),
    verdict: Type.String(),
  },
  'A record of another installation that was kept',
);
export type ReceivedRecord = Static<typeof receivedRecord>;
