import { families, reinforcements } from '@anvilstone/core/materials';
import { matchFamily, matchFiller, type FamilyMatch } from '../reading/familyMatch.ts';
import type { Questions } from './questions.ts';

/** The family a text names, or what the person says it is. Undefined: waiting for the answer. */
export function readFamily(text: string, questions: Questions, line: number): FamilyMatch | undefined {
  const match = matchFamily(text);
  if (match) return match;
  const answer = questions.ask(
    `family:${text}`,
    () => ({
      kind: 'family',
      text: `Which polymer family is “${text}”?`,
      detail: 'Whatever the file does not state is later estimated from the family, so a wrong one does harm.',
      choices: [
        ...families.map(({ id, name, abbreviation }) => ({ id, label: name, means: abbreviation })),
        { id: 'not-stated', label: 'Not stated', means: 'nothing is estimated; what is not measured stays unknown' },
      ],
    }),
    { line, text },
  );
  return answer === undefined ? undefined : { familyId: answer, reinforcementId: null };
}

/** The filler a text names, null for none, or what the person says. Undefined: waiting for the answer. */
export function readFiller(text: string, questions: Questions, line: number): string | null | undefined {
  const match = matchFiller(text);
  if (match !== undefined) return match;
  const answer = questions.ask(
    `filler:${text}`,
    () => ({
      kind: 'filler',
      text: `Which filler is “${text}”?`,
      detail: 'Its kind or share is not one that is listed.',
      choices: [
        { id: 'none', label: 'None', means: 'unfilled' },
        ...reinforcements.map(({ id, name, kind }) => ({ id, label: name, means: kind })),
      ],
    }),
    { line, text },
  );
  return answer === undefined ? undefined : answer === 'none' ? null : answer;
}
