import { inWords } from '@anvilstone/core/foundations';
import { heatOutcomes } from './heatOutcomes.ts';
import { OUTCOME_AREAS, type Answer, type KnownOutcome, type OutcomeArea } from './knownOutcome.ts';
import { loadOutcomes } from './loadOutcomes.ts';
import { surroundingOutcomes } from './surroundingOutcomes.ts';

export { OUTCOME_AREAS, type OutcomeArea } from './knownOutcome.ts';

/** A fact of the field beside what the engine makes of it. */
export type CheckedOutcome = Omit<KnownOutcome, 'ask'> & Answer;

/** All of them, by area; they are asked of bare kinds, so no library is needed. Some tens of milliseconds. */
export function knownOutcomes(): CheckedOutcome[] {
  const all = [...heatOutcomes, ...loadOutcomes, ...surroundingOutcomes];
  const place = (area: OutcomeArea) => OUTCOME_AREAS.indexOf(area);
  return all.sort((a, b) => place(a.area) - place(b.area)).map(({ ask, ...about }) => ({ ...about, ...ask() }));
}

/** The page of the docs: every fact with its source, what the engine says, hit or miss. */
export function outcomesText(all: readonly CheckedOutcome[]): string {
  const missed = all.filter(({ hit }) => !hit).length;
  return `# Known outcomes

What anybody in the field knows, beside what the engine says of bare kinds: a family and a filler, nothing measured. It reproduces ${all.length - missed} of
${all.length}; the ${missed} it misses stay in the list. Written by \`npm run outcomes\`, held to the engine by a test.

${OUTCOME_AREAS.map(
  (area) =>
    `## ${area}\n\n| fact | source | the engine says | |\n|---|---|---|---|\n${all
      .filter((one) => one.area === area)
      .map(({ fact, source, says, hit }) => `| ${fact} | ${source} | ${inWords(says)} | ${hit ? 'hit' : '**miss**'} |`)
      .join('\n')}`,
).join('\n\n')}
`;
}
