import { Type, type Static } from '@sinclair/typebox';
import { brief } from './brief.ts';
import { buildOrientation, identifier, record, vocabulary } from './common.ts';
import { grade } from './grade.ts';
import { companyRules } from './companyRules.ts';
import { machine } from './machine.ts';

/** Stages that somebody settles; the brief is what they rest on, and decisions and service keep records of their own. */
export const SETTLED_STAGES = ['shortlist', 'compare', 'build', 'plan', 'bench'] as const;
export type SettledStage = (typeof SETTLED_STAGES)[number];

const orNull = <T extends Parameters<typeof Type.Union>[0][number]>(schema: T, description: string) =>
  Type.Union([schema, Type.Null()], { description });

/** What a stage rested on when somebody was content with it. */
export const stageMark = record(
  {
    stage: vocabulary(SETTLED_STAGES, 'Which stage'),
    at: Type.String({ format: 'date-time' }),
    brief,
    rules: companyRules,
    leader: orNull(
      record(
        {
          grade,
          orientation: buildOrientation,
          reserve: orNull(Type.Number(), 'Minimum reserve'),
          governingCheckId: orNull(identifier, 'What governs'),
        },
        'The grade that came first, as it was known',
      ),
      'Null: nobody passed',
    ),
    machine: orNull(machine, 'The machine that it would have been printed on'),
    pass: Type.Integer({ minimum: 0, description: 'Grades that passed' }),
  },
  'A stage of a part that was settled',
  'stage-mark',
);
export type StageMark = Static<typeof stageMark>;
