import { evaluate } from '@anvilstone/core/evaluation';
import { InputError } from '@anvilstone/core/foundations';
import { sampleLibrary } from '../sample/index.ts';
import type { PracticeAnswer, PracticeCase } from './practiceCase.ts';
import { heatAndTimeCases } from './heatAndTimeCases.ts';
import { surroundingCases } from './surroundingCases.ts';
import { waysToBreakCases } from './waysToBreakCases.ts';

export type { PracticeAnswer, PracticeCase } from './practiceCase.ts';

/** Eight cases of an invented workshop, the plainest mistakes first. */
export const practiceCases: readonly PracticeCase[] = [...heatAndTimeCases, ...waysToBreakCases, ...surroundingCases];

/**
 * What the evaluation says of a case, with the sample’s grades, machines and the usual company rules. Nothing of the answer is
 * written down anywhere: were a model to change, so would the answer, and the test of the remarks would fail.
 * @throws InputError when a grade is not in the sample, or none of the four passes
 */
export function answerOf({ brief, gradeIds }: PracticeCase): PracticeAnswer {
  const grades = gradeIds.map((id) => {
    const grade = sampleLibrary.grades.find((one) => one.id === id);
    if (!grade) throw new InputError('gradeIds', id, 'a grade of the sample is needed');
    return grade;
  });
  const evaluations = evaluate(brief, { ...sampleLibrary, grades }).grades;
  const passing = evaluations.filter(({ best }) => best.status === 'pass');
  const best = passing.toSorted((a, b) => (a.best.costUsd ?? Infinity) - (b.best.costUsd ?? Infinity))[0];
  if (!best?.best.governingCheckId) throw new InputError('gradeIds', gradeIds.join(', '), 'one of them has to pass');
  return { evaluations, best, governingCheckId: best.best.governingCheckId };
}
