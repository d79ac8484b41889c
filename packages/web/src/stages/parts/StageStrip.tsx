import { stageChanges } from '@anvilstone/core/decisions';
import { SETTLED_STAGES, type StageMark } from '@anvilstone/schema';
import { useMemo } from 'react';
import { Button } from '../../ui/Button.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { moment } from '../../ui/when.ts';
import { Changes } from '../decision/DriftPanel.tsx';
import { useSettleStageMutation, useStageMarksQuery, useUnsettleStageMutation } from './stageMarksApi.ts';

/** Whether the stage shown is settled, and what has changed since of what it rested on. */
export function StageStrip({
  partId,
  stageId,
  now,
  place,
}: {
  partId: string;
  stageId: string;
  /** What is out of date is said above the stage, everything else below it. */
  place: 'above' | 'below';
  /** Undefined: not worked out yet. */
  now: Omit<StageMark, 'at' | 'stage'> | undefined;
}) {
  const stage = SETTLED_STAGES.find((one) => one === stageId);
  const { data: marks } = useStageMarksQuery(partId);
  const [settle, settling] = useSettleStageMutation();
  const [unsettle] = useUnsettleStageMutation();
  const mark = marks?.find((one) => one.stage === stage);
  const changes = useMemo(() => (mark && now ? stageChanges(mark, now) : []), [mark, now]);
  if (!stage || !marks || !now) return null;
  const settleNow = () =>
    void settle({ partId, mark: { ...now, stage, at: new Date().toISOString() } }).catch(() => undefined);
  const outdated = mark !== undefined && changes.length > 0;
  if (outdated !== (place === 'above')) return null;
  return (
    <section
      aria-label="Stage status"
      className={`no-print ${place === 'above' ? 'mb-4' : 'mt-6'} rounded border px-3 py-2 text-sm ${outdated ? 'border-unknown bg-unknown-ground text-unknown' : 'border-line text-quiet'}`}
    >
      <div className="flex items-center gap-3">
        <p className="min-w-0 grow">
          {!mark &&
            'In progress. Mark the stage as reviewed when it is complete; it then shows when its inputs have changed.'}
          {mark && !outdated && `✓ Settled ${moment(Date.parse(mark.at))}: no input has changed since.`}
          {outdated && (
            <>
              <strong>! Out of date.</strong> Settled {moment(Date.parse(mark.at))};{' '}
              {changes.length === 1 ? 'one input has' : `${changes.length} inputs have`} changed since.
            </>
          )}
        </p>
        {mark && !outdated && (
          <Button look="quiet" onClick={() => void unsettle({ partId, stage })}>
            Reopen
          </Button>
        )}
        {(!mark || outdated) && (
          <Button disabled={settling.isLoading} onClick={settleNow}>
            {outdated ? 'Mark reviewed again' : 'Mark reviewed'}
          </Button>
        )}
      </div>
      {outdated && <Changes changes={changes.slice(0, 30)} />}
      {settling.error !== undefined && <ProblemNotice error={settling.error} />}
    </section>
  );
}
