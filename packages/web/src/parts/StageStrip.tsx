import { stageChanges } from '@anvilstone/core/record';
import { SETTLED_STAGES, type StageMark } from '@anvilstone/schema';
import { useMemo } from 'react';
import { Button } from '../ui/Button.tsx';
import { ProblemNotice } from '../ui/ProblemNotice.tsx';
import { moment } from '../ui/when.ts';
import { Changes } from '../decision/OutlookPanel.tsx';
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
      aria-label="State of this stage"
      className={`no-print ${place === 'above' ? 'mb-4' : 'mt-6'} rounded border px-3 py-2 text-sm ${outdated ? 'border-unknown bg-unknown-ground text-unknown' : 'border-line text-quiet'}`}
    >
      <div className="flex items-center gap-3">
        <p className="min-w-0 grow">
          {!mark &&
            'In hand. Once you are content with this stage, settle it: it then says when something it rests on has changed.'}
          {mark && !outdated && `✓ Settled ${moment(Date.parse(mark.at))}: nothing that it rests on has changed since.`}
          {outdated && (
            <>
              <strong>! Out of date.</strong> Settled {moment(Date.parse(mark.at))};{' '}
              {changes.length === 1 ? 'one thing it rests on has' : `${changes.length} things it rests on have`} changed
              since.
            </>
          )}
        </p>
        {mark && !outdated && (
          <Button look="quiet" onClick={() => void unsettle({ partId, stage })}>
            Take up again
          </Button>
        )}
        {(!mark || outdated) && (
          <Button disabled={settling.isLoading} onClick={settleNow}>
            {outdated ? 'Looked through: settle it anew' : 'Settle this stage'}
          </Button>
        )}
      </div>
      {outdated && <Changes changes={changes.slice(0, 30)} />}
      {settling.error !== undefined && <ProblemNotice error={settling.error} />}
    </section>
  );
}
