import { findCheck } from '@anvilstone/core/checks';
import { rankedThen } from '@anvilstone/core/decisions';
import type { Decision } from '@anvilstone/schema';
import Papa from 'papaparse';

/**
 * The decision's shortlist as a table: one row a grade in its best orientation, one column a check. Text that a
 * spreadsheet would run as a formula is made harmless.
 */
export function decisionCsv(decision: Decision): string {
  const names = new Map(decision.grades.map((grade) => [grade.id, grade]));
  const { checkIds } = decision.result;
  const header = [
    'grade',
    'maker',
    'orientation',
    'status',
    'minimum reserve',
    'governing check',
    'mass (g)',
    'cost (USD)',
    'service temperature limit (°C)',
    'proof test of every part',
  ];
  const titles = checkIds.map((id) => `reserve: ${findCheck(id)?.title ?? id}`);
  const rows = rankedThen(decision, 'cheapest-that-passes').map(({ gradeId, best }) => {
    const grade = names.get(gradeId);
    const governing =
      best.governingCheckId === null ? '' : (findCheck(best.governingCheckId)?.title ?? best.governingCheckId);
    const reserves = best.checks.map((check) => check.reserve ?? check.status);
    return [
      grade?.name ?? gradeId,
      grade?.maker ?? '',
      best.orientation,
      best.status,
      best.minimumReserve ?? (best.status === 'fail' ? '' : 'unknown'),
      governing,
      best.massG ?? 'unknown',
      best.costUsd ?? 'unknown',
      best.ownHeatLimitC ?? 'unknown',
      decision.brief.failureCouldHurt === 'yes' ? 'required: failure could hurt someone' : 'not asked',
      ...reserves,
    ];
  });
  // The byte order mark makes spreadsheet programs read UTF-8 as such.
  return `\uFEFF${Papa.unparse([[...header, ...titles], ...rows], { escapeFormulae: true })}\r\n`;
}
