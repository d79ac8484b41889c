import { findCheck } from '@anvilstone/core/checks';
import { rejectionReasons } from '@anvilstone/core/decisions';
import { orientationName } from '@anvilstone/core/shapes';
import type { BuildOrientation, CheckResult, EvaluationEntry, GradeEvaluation } from '@anvilstone/schema';

import { Dialog } from 'radix-ui';

import { useNavigate, useSearchParams } from 'react-router';
import { ObservationTable } from '../../../library/grades/grade/ObservationTable.tsx';
import { decisionAddress } from '../../decision/decisionAddress.ts';
import { usePartContext } from '../../parts/partContext.ts';
import { Button } from '../../../ui/Button.tsx';
import { Cautions } from '../../../ui/Cautions.tsx';
import { Evidence, Reserve } from '../../../ui/Reserve.tsx';

import { useAnswer } from '../../../workers/useAnswer.ts';
import { ChancePanel } from './ChancePanel.tsx';
import { FixesPanel } from './FixesPanel.tsx';
import { HeatPanel } from './HeatPanel.tsx';
import { WorkingTable } from './WorkingTable.tsx';
import { useFocusBack } from '../../../ui/useFocusBack.ts';
import { useSay } from '../../../ui/useSay.ts';

/** One grade: its checks in each orientation, the working of the chosen one, and how its reserve falls with heat. */
export function GradeDrawer({
  evaluation,
  checkId,
  built,
  onCheck,
  onBuilt,
  onClose,
}: {
  evaluation: GradeEvaluation;
  checkId: string;
  built: string | null;
  onCheck: (checkId: string) => void;
  onBuilt: (orientation: BuildOrientation) => void;
  onClose: () => void;
}) {
  const focusBack = useFocusBack();
  const say = useSay();
  const { brief, library, partId } = usePartContext();
  const navigate = useNavigate();
  const [search] = useSearchParams();
  const { gradeId, best, entries } = evaluation;
  const entry = entries.find((one) => one.orientation === built) ?? best;
  const grade = library.grades.find((one) => one.id === gradeId);
  const explained = useAnswer(library, 'explain', [brief, gradeId, entry.orientation]);
  const shown = explained.value?.find((check) => check.checkId === checkId);
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()} modal={false}>
      <Dialog.Portal>
        <Dialog.Content
          onCloseAutoFocus={focusBack}
          aria-describedby={undefined}
          onInteractOutside={(event) => event.preventDefault()}
          className="fixed inset-y-0 right-0 z-30 flex w-[46rem] max-w-[calc(100vw-5rem)] flex-col overflow-y-auto border-l border-line-strong bg-surface p-5 shadow-2xl"
        >
          <div className="flex items-start gap-3">
            <div className="min-w-0 grow">
              <Dialog.Title className="text-lg">{grade?.name ?? gradeId}</Dialog.Title>
              <p className="text-sm text-quiet">
                {grade?.maker}
                {grade?.sampleData && ' · sample data, not for design'}
              </p>
            </div>
            <Button onClick={() => void navigate(decisionAddress(partId, gradeId, entry.orientation, search))}>
              Choose
            </Button>
            <Dialog.Close asChild>
              <Button look="quiet" aria-label="Close">
                Close
              </Button>
            </Dialog.Close>
          </div>
          <div role="group" aria-label="Build orientation" className="mt-3 flex items-center gap-2">
            <span className="text-xs text-quiet">Minimum reserve under load, built</span>
            {entries.map((one) => (
              <button
                key={one.orientation}
                type="button"
                aria-pressed={one === entry}
                className={`flex items-center gap-2 rounded border px-3 py-1 text-sm ${one === entry ? 'border-ink bg-sunken font-semibold' : 'border-line'}`}
                onClick={() => onBuilt(one.orientation)}
              >
                {orientationName(brief.part, one.orientation)}
                <Reserve {...loadReserve(one)} />
                {one.orientation === best.orientation && <span className="text-xs font-normal text-quiet">best</span>}
              </button>
            ))}
          </div>
          {entry.status !== 'pass' && (
            <ul
              className={`mt-3 list-disc rounded border py-2 pr-3 pl-7 text-sm ${entry.status === 'fail' ? 'border-fail bg-fail-ground text-fail' : 'border-unknown bg-unknown-ground text-unknown'}`}
            >
              {rejectionReasons(entry)
                .map(say)
                .map((reason) => (
                  <li key={reason}>{reason}</li>
                ))}
            </ul>
          )}
          <CheckList checks={entry.checks} chosen={checkId} governing={entry.governingCheckId} onCheck={onCheck} />
          {shown ? <WorkingTable check={shown} /> : <p className="p-3 text-quiet">Writing the calculation …</p>}
          <ChancePanel gradeId={gradeId} orientation={entry.orientation} />
          {grade && best.status !== 'pass' && <FixesPanel grade={grade} />}
          <HeatPanel gradeId={gradeId} entry={entry} />
          <div className="mt-4">
            <Cautions place="shortlist" brief={brief} grade={grade} rules={library.rules} agents={library.agents} />
          </div>
          {grade && (
            <details className="mt-5">
              <summary className="text-base font-semibold">
                All evidence of this grade ({grade.observations.length} observations)
              </summary>
              <ObservationTable observations={grade.observations} />
            </details>
          )}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

/** Minimum reserve of the checks that a load decides: cost and mass are the same whichever way it is built. */
function loadReserve(entry: EvaluationEntry): { reserve: number | null; status: CheckResult['status'] } {
  const loaded = entry.checks.filter((check) => check.loadCaseId !== null && check.reserve !== null);
  const smallest = loaded.sort((a, b) => a.reserve! - b.reserve!)[0];
  return smallest ? { reserve: smallest.reserve, status: smallest.status } : { reserve: null, status: entry.status };
}

function CheckList({
  checks,
  chosen,
  governing,
  onCheck,
}: {
  checks: readonly CheckResult[];
  chosen: string;
  governing: string | null;
  onCheck: (checkId: string) => void;
}) {
  return (
    <div role="group" aria-label="Checks" className="mt-3 grid grid-cols-3 narrow:grid-cols-2 gap-1.5">
      {checks.map((check) => (
        <button
          key={check.checkId}
          type="button"
          aria-pressed={check.checkId === chosen}
          className={`flex items-center justify-between gap-2 rounded border px-2 py-1 text-left text-sm ${check.checkId === chosen ? 'border-ink' : 'border-line'} ${check.checkId === governing ? 'bg-ember-ground' : ''}`}
          onClick={() => onCheck(check.checkId)}
        >
          <span className="truncate">
            {findCheck(check.checkId)?.title}
            {check.checkId === governing && <span className="block text-xs text-ember">governs</span>}
          </span>
          <span className="flex items-center gap-1">
            <Reserve reserve={check.reserve} status={check.status} evidence={check.evidence} />
            <Evidence evidence={check.evidence} />
          </span>
        </button>
      ))}
    </div>
  );
}
