import { findCheck, type UnitSystem, formatReserve } from '@anvilstone/core';
import type { CheckResult, Grade, GradeEvaluation, Library } from '@anvilstone/schema';
import { useMemo } from 'react';
import { useAppSelector } from '../app/store.ts';
import { amount } from '../ui/amount.ts';
import { Button } from '../ui/Button.tsx';
import { Evidence, Reserve, statusWords } from '../ui/Reserve.tsx';
import { rejectionReasons } from './rejectionReasons.ts';

/** What passes comes first, so the rows that matter are there at once even in a library of thousands. */
export const MORE_ROWS = 40;

/** Grades × checks. The governing cell of each row is the warm one; every cell opens its working. */
export function ReservesMatrix({
  checkIds,
  rows,
  total,
  library,
  openId,
  onOpen,
  onMore,
}: {
  checkIds: readonly string[];
  rows: readonly GradeEvaluation[];
  total: number;
  library: Library;
  openId: string | null;
  onOpen: (gradeId: string, checkId?: string) => void;
  onMore: () => void;
}) {
  const grades = useMemo(() => new Map(library.grades.map((grade) => [grade.id, grade])), [library]);
  const machines = useMemo(() => new Map(library.machines.map((machine) => [machine.id, machine.name])), [library]);
  return (
    <div className="max-h-[calc(100vh-13rem)] overflow-auto rounded-md border border-line bg-surface print:max-h-none">
      <table className="w-full text-sm">
        <thead>
          <tr className="sticky top-0 z-20 bg-surface text-left align-bottom text-xs text-quiet shadow-[0_1px_0_var(--line-strong)]">
            <th scope="col" className="w-8 px-2 py-2 font-normal">
              <span className="sr-only">Rank</span>
            </th>
            <th scope="col" className="sticky left-0 z-10 bg-surface px-2 py-2 font-normal">
              Grade and way up
            </th>
            <th scope="col" className="px-2 py-2 text-right font-normal">
              One part
            </th>
            {checkIds.map((id) => (
              <th key={id} scope="col" className="px-1.5 py-2 font-normal" title={findCheck(id)?.asks}>
                {findCheck(id)?.title}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((evaluation, index) => (
            <MatrixRow
              key={evaluation.gradeId}
              place={index + 1}
              evaluation={evaluation}
              grade={grades.get(evaluation.gradeId)}
              machine={machines.get(evaluation.best.machineId ?? '')}
              isOpen={openId === evaluation.gradeId}
              onOpen={onOpen}
            />
          ))}
        </tbody>
      </table>
      {total > rows.length && (
        <div className="border-t border-line p-3 text-center">
          <Button onClick={onMore}>
            Show the next {Math.min(MORE_ROWS, total - rows.length)} of {total} grades
          </Button>
        </div>
      )}
    </div>
  );
}

function MatrixRow({
  place,
  evaluation,
  grade,
  machine,
  isOpen,
  onOpen,
}: {
  place: number;
  evaluation: GradeEvaluation;
  grade: Grade | undefined;
  machine: string | undefined;
  isOpen: boolean;
  onOpen: (gradeId: string, checkId?: string) => void;
}) {
  const { best, gradeId } = evaluation;
  const units = useAppSelector((state) => state.settings.units);
  const why = best.status === 'pass' ? [] : rejectionReasons(best);
  return (
    <tr className={`border-b border-line last:border-0 ${isOpen ? 'bg-ember-ground' : 'hover:bg-sunken'}`}>
      <td className="px-2 py-1.5 text-right text-quiet">{best.status === 'pass' ? place : ''}</td>
      <th
        scope="row"
        className={`sticky left-0 z-10 max-w-56 px-2 py-1.5 text-left font-normal ${isOpen ? 'bg-ember-ground' : 'bg-surface'}`}
      >
        <button
          type="button"
          className="block max-w-full truncate text-left font-semibold hover:underline"
          onClick={() => onOpen(gradeId)}
        >
          {grade?.name ?? gradeId}
        </button>
        <span className="block truncate text-xs text-quiet">
          {best.orientation}
          {machine ? `, ${machine}` : ''}
        </span>
        {why.length > 0 && (
          <span
            className={`block truncate text-xs ${best.status === 'unknown' ? 'text-unknown' : 'text-fail'}`}
            title={why.join('\n')}
          >
            {why[0]}
            {why.length > 1 ? ` (+${why.length - 1})` : ''}
          </span>
        )}
      </th>
      <td className="px-2 text-right text-xs whitespace-nowrap text-quiet">
        <span className="text-sm text-ink">
          {best.costUsd === null ? 'cost unknown' : amount(best.costUsd, 'USD', units)}
        </span>
        <span className="block">
          {best.massG === null ? 'mass unknown' : amount(best.massG, 'g', units)} · {heldTo(best.ownHeatLimitC, units)}
        </span>
      </td>
      {best.checks.map((check) => (
        <Cell
          key={check.checkId}
          check={check}
          governs={check.checkId === best.governingCheckId}
          onOpen={() => onOpen(gradeId, check.checkId)}
        />
      ))}
    </tr>
  );
}

/** The part's own heat limit in three words. */
function heldTo(limitC: number | null, units: UnitSystem): string {
  if (limitC === null) return 'heat unknown';
  return limitC <= -80 ? 'fails cold too' : `to ${amount(Math.floor(limitC), '°C', units)}`;
}

function Cell({ check, governs, onOpen }: { check: CheckResult; governs: boolean; onOpen: () => void }) {
  const said =
    check.reserve === null
      ? statusWords(check.status, check.evidence)
      : `reserve ${formatReserve(check.reserve)}, ${statusWords(check.status, check.evidence)}`;
  const title = findCheck(check.checkId)?.title ?? check.checkId;
  return (
    <td className="px-0.5 py-1">
      <button
        type="button"
        aria-label={`${title}: ${said}${governs ? ', governs' : ''}. Show working`}
        title={check.reason ?? check.gaps[0] ?? undefined}
        className={`inline-flex items-center gap-1 rounded border px-1 py-1 ${governs ? 'border-ember bg-ember-ground font-semibold' : 'border-transparent hover:border-line-strong'}`}
        onClick={onOpen}
      >
        <Reserve reserve={check.reserve} status={check.status} evidence={check.evidence} />
        <Evidence evidence={check.evidence} />
      </button>
    </td>
  );
}
