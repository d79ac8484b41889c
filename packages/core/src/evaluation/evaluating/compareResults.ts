import type { EvaluationResult } from '@anvilstone/schema';
import { formatNumber } from '@anvilstone/core/foundations';

/** Two floating-point results of the same arithmetic may differ in the last bits between processors, not more. */
const RELATIVE_TOLERANCE = 1e-9;

/** One sentence for every number that differs between two results of the same brief; empty when they agree. */
export function resultDifferences(frozen: EvaluationResult, current: EvaluationResult): string[] {
  const differences: string[] = [];
  const now = new Map(current.grades.map((grade) => [grade.gradeId, grade]));
  for (const grade of frozen.grades) {
    const other = now.get(grade.gradeId);
    if (!other) {
      differences.push(`${grade.gradeId}: no longer evaluated`);
      continue;
    }
    for (const entry of grade.entries) {
      const otherEntry = other.entries.find((one) => one.orientation === entry.orientation);
      for (const check of entry.checks) {
        const otherCheck = otherEntry?.checks.find((one) => one.checkId === check.checkId);
        const where = `${grade.gradeId}, ${entry.orientation}, ${check.checkId}`;
        if (!otherCheck) differences.push(`${where}: no longer checked`);
        else if (otherCheck.status !== check.status)
          differences.push(`${where}: was ${check.status}, now ${otherCheck.status}`);
        else if (!same(check.reserve, otherCheck.reserve)) {
          differences.push(`${where}: reserve was ${show(check.reserve)}, now ${show(otherCheck.reserve)}`);
        }
      }
      const before = new Set(entry.checks.map((check) => check.checkId));
      for (const check of otherEntry?.checks ?? []) {
        if (!before.has(check.checkId))
          differences.push(
            `${grade.gradeId}, ${entry.orientation}, ${check.checkId}: not checked then, now ${check.status}`,
          );
      }
      for (const field of ['massG', 'costUsd', 'ownHeatLimitC'] as const) {
        if (otherEntry && !same(entry[field], otherEntry[field])) {
          differences.push(
            `${grade.gradeId}, ${entry.orientation}: ${field} was ${show(entry[field])}, now ${show(otherEntry[field])}`,
          );
        }
      }
    }
  }
  return differences;
}

function same(a: number | null, b: number | null): boolean {
  if (a === null || b === null) return a === b;
  return a === b || Math.abs(a - b) <= RELATIVE_TOLERANCE * Math.max(Math.abs(a), Math.abs(b));
}

function show(value: number | null): string {
  return value === null ? 'unknown' : formatNumber(value, 6);
}
