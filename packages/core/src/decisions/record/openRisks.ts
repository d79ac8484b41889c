import type { EvaluationEntry } from '@anvilstone/schema';
import { findCheck } from '@anvilstone/core/checks';

/** One line for each check that is not known: what is missing, and what would settle it. */
export const unknownRisks = ({ checks }: Pick<EvaluationEntry, 'checks'>): string[] =>
  checks
    .filter(({ status }) => status === 'unknown')
    .map(({ checkId, gaps }) => `${findCheck(checkId)?.title ?? checkId} is not known: ${gaps.join('; ')}`);

/** The open risks of a choice as its record holds them: what was written, and every check that is not known, said or not. */
export function openRisksOf(entry: Pick<EvaluationEntry, 'checks'>, written: string): string {
  const missing = unknownRisks(entry).filter((text) => !written.includes(text));
  return [written.trim(), ...missing].filter(Boolean).join('\n');
}
