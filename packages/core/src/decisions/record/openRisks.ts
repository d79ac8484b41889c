import type { EvaluationEntry, Statement } from '@anvilstone/schema';
import { findCheck } from '@anvilstone/core/checks';
import { inWords, joined, say } from '@anvilstone/core/foundations';

/** One line for each check that is not known: what is missing, and what would settle it. */
export const unknownRisks = ({ checks }: Pick<EvaluationEntry, 'checks'>): Statement[] =>
  checks
    .filter(({ status }) => status === 'unknown')
    .map(({ checkId, gaps }) => say`${findCheck(checkId)?.title ?? checkId} is not known: ${joined(gaps, '; ')}`);

/** The open risks of a choice as its record holds them: what was written, and every check that is not known, said or not. */
export function openRisksOf(entry: Pick<EvaluationEntry, 'checks'>, written: string): string {
  const missing = unknownRisks(entry).filter(
    (risk) => !written.includes(inWords(risk, 'metric')) && !written.includes(inWords(risk, 'inchPound')),
  );
  return [written.trim(), ...missing.map((risk) => inWords(risk))].filter(Boolean).join('\n');
}
