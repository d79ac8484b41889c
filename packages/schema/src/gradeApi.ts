import { Type, type Static } from '@sinclair/typebox';
import { identifier, longText, record, shortText, vocabulary } from './common.ts';
import { grade } from './grade.ts';
import { companyRules } from './companyRules.ts';
import { observation } from './observation.ts';
import { propertyId } from './property.ts';

const revision = Type.Integer({ minimum: 1, description: 'Goes up with every change' });
const moment = Type.String({ format: 'date-time' });

export const gradeRecord = record({ grade, revision, updatedAt: moment }, 'A grade with its revision', 'grade-record');
export type GradeRecord = Static<typeof gradeRecord>;

export const gradeUpdate = record(
  { grade, revision: Type.Integer({ minimum: 1, description: 'Revision this change was made from' }) },
  'A changed grade',
  'grade-update',
);
export type GradeUpdate = Static<typeof gradeUpdate>;

export const gradeCreate = record({ grade }, 'A new grade', 'grade-create');
export type GradeCreate = Static<typeof gradeCreate>;

/** A row of the grades list; the evidence itself is read grade by grade, or all at once as the library. */
export const gradeSummary = record(
  {
    id: identifier,
    name: shortText('Grade name'),
    maker: shortText('Maker'),
    familyId: identifier,
    reinforcementId: Type.Union([identifier, Type.Null()]),
    pricePerKgUsd: Type.Union([Type.Number(), Type.Null()]),
    observationCount: Type.Integer({ minimum: 0 }),
    revision,
    updatedAt: moment,
  },
  'A row of the grades list',
);
export type GradeSummary = Static<typeof gradeSummary>;

export const gradePage = record(
  {
    total: Type.Integer({ minimum: 0, description: 'Rows that match, on all pages' }),
    items: Type.Array(gradeSummary),
  },
  'A page of the grades list',
  'grade-page',
);
export type GradePage = Static<typeof gradePage>;

export const GRADE_CHANGES = ['delivered', 'created', 'edited', 'imported', 'restored', 'removed'] as const;
export const gradeChange = record(
  {
    revision,
    action: vocabulary(GRADE_CHANGES, 'What happened'),
    at: moment,
    differences: Type.Array(Type.String(), { description: 'One line for each thing that changed' }),
  },
  'One entry of a grade’s history',
);
export type GradeChange = Static<typeof gradeChange>;

export const gradeUses = record(
  {
    decisions: Type.Array(
      record(
        {
          id: Type.String(),
          number: Type.Integer(),
          partId: Type.String(),
          partTitle: Type.String(),
          decidedAt: moment,
        },
        'A decision that chose this grade',
      ),
    ),
  },
  'Where a grade is used',
);
export type GradeUses = Static<typeof gradeUses>;

/** One property of two grades held against each other, or the reasons why it may not be. */
export const propertyComparison = record(
  {
    property: propertyId,
    verdict: vocabulary(
      ['compared', 'refused', 'missing'] as const,
      'Compared, refused since the conditions differ, or not reported for both',
    ),
    first: Type.Union([observation, Type.Null()]),
    second: Type.Union([observation, Type.Null()]),
    percent: Type.Union([Type.Number(), Type.Null()], {
      description: 'Second over first, less 1, in %; the first is the base. Null unless compared',
    }),
    differences: Type.Array(Type.String(), { description: 'Why it is refused' }),
    remarks: Type.Array(Type.String(), { description: 'Worth knowing, but no reason to refuse' }),
  },
  'One property of two grades',
);
export type PropertyComparison = Static<typeof propertyComparison>;

export const gradeComparison = record(
  { firstId: identifier, secondId: identifier, properties: Type.Array(propertyComparison) },
  'Compare two grades',
  'grade-comparison',
);
export type GradeComparison = Static<typeof gradeComparison>;

const observationRef = record({ gradeId: identifier, observationId: identifier }, 'One observation of a grade');
/** Two single observations; answered with their difference, or refused with a problem that names each condition. */
export const observationComparisonRequest = record(
  { first: observationRef, second: observationRef },
  'Two observations to hold against each other; the first is the base',
  'observation-comparison-request',
);
export type ObservationComparisonRequest = Static<typeof observationComparisonRequest>;
export const observationComparison = record(
  { ratio: Type.Number(), percent: Type.Number(), base: Type.String(), remarks: Type.Array(Type.String()) },
  'How much the second differs from the first',
  'observation-comparison',
);
export type ObservationComparison = Static<typeof observationComparison>;

export const companyRulesRecord = record(
  {
    rules: companyRules,
    revision: Type.Integer({ minimum: 0, description: '0 = the default values' }),
    changedBy: Type.Optional(Type.String({ maxLength: 120, description: 'Who set them' })),
    why: Type.Optional(longText('Why they were changed')),
  },
  'Company rules in force',
  'company-rules-record',
);
export type CompanyRulesRecord = Static<typeof companyRulesRecord>;

export const companyRulesHistory = record(
  {
    changes: Type.Array(
      record(
        {
          revision: Type.Integer({ minimum: 1 }),
          changedAt: Type.String({ format: 'date-time' }),
          changedBy: Type.String(),
          why: Type.String(),
          rules: companyRules,
        },
        'The company rules as they were set once',
      ),
      { description: 'Newest first' },
    ),
  },
  'Every set of company rules that was in force',
  'company-rules-history',
);
export type CompanyRulesHistory = Static<typeof companyRulesHistory>;
