import './evaluation.worker.ts';
import type { AnswerTo, ArgsOf, QuestionName } from './answers.ts';
import { theEngine } from './testComlink.ts';
import type { Answer } from './useAnswer.ts';
import { setTheWorkshop, theWorkshop, type Workshop } from './workshop.ts';

/**
 * The worker’s own engine asked in the same process, and answered at once: a page is drawn as it is when the worker has
 * answered. Takes the place of useAnswer in tests.
 */
export function useAnswer<Name extends QuestionName>(
  library: Workshop | undefined,
  name: Name,
  args: ArgsOf<Name> | undefined,
): Answer<AnswerTo<Name>> {
  if (!library || !args) return { state: 'pending' };
  if (theWorkshop() !== library) setTheWorkshop(library);
  try {
    const engine = theEngine() as unknown as Record<string, (...all: readonly unknown[]) => AnswerTo<Name>>;
    return { state: 'ready', value: engine[name]!(...args) };
  } catch (error) {
    return { state: 'failed', message: error instanceof Error ? error.message : String(error) };
  }
}

const NOTHING: readonly undefined[] = [];

/** What comes row by row stays unknown. Takes the place of useAnswers in tests. */
export const useAnswers = (): readonly undefined[] => NOTHING;
