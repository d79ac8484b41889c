import { loadsOfStock, scheduleConflicts, type ScheduleConflict } from '@anvilstone/core/making';
import type { Grade, CompanyRules, ScheduleProposal, Stock } from '@anvilstone/schema';
import { useMemo, useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { buttonLook } from '../../ui/buttonLook.ts';
import { Panel } from '../../ui/Panel.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { useProposeScheduleMutation } from '../spools/spoolsApi.ts';
import { ConditioningPanel } from './ConditioningPanel.tsx';
import { DryersPanel } from './DryersPanel.tsx';
import { RunsTable } from './RunsTable.tsx';
import { moveRun } from './scheduleEdits.ts';
import { Timeline } from './Timeline.tsx';
import { useSavedSchedule } from './useSavedSchedule.ts';
import { API } from '../../sync/address/place.ts';
import { useSay } from '../../ui/useSay.ts';

/** Which spools are dried and which parts conditioned, where and when; what speaks against it; and the best plan on demand. */
export function DryersTab({
  stock,
  gradeOf,
  rules,
}: {
  stock: Stock;
  gradeOf: ReadonlyMap<string, Grade>;
  rules: CompanyRules;
}) {
  const [propose, { error: notProposed, isLoading }] = useProposeScheduleMutation();
  const [said, setSaid] = useState<ScheduleProposal>();
  const { schedule, revision, saving, keep, error } = useSavedSchedule(stock.schedule);
  const dryers = useMemo(() => stock.dryers.map(({ dryer }) => dryer), [stock]);
  const nowMs = Date.parse(stock.at);
  const { loads, untold } = useMemo(
    () => loadsOfStock(stock.spools, schedule, (id) => gradeOf.get(id), rules, nowMs),
    [stock, schedule, gradeOf, rules, nowMs],
  );
  const known = useMemo(() => new Map(loads.map((load) => [load.id, load])), [loads]);
  const conflicts = useMemo(() => scheduleConflicts(schedule, loads, dryers), [schedule, loads, dryers]);
  const waiting = loads.filter(({ id }) => !schedule.runs.some((run) => run.loads.includes(id)));
  return (
    <div className="flex flex-col gap-4">
      <Panel
        title={
          schedule.runs.length === 0
            ? `Nothing is planned; ${loads.length} load${loads.length === 1 ? ' waits' : 's wait'}`
            : `${schedule.runs.length} run${schedule.runs.length === 1 ? '' : 's'} planned`
        }
        aside={
          <span className="flex gap-2">
            <a href={`${API}/dryer-schedule.ics`} className={buttonLook()}>
              Calendar (.ics)
            </a>
            <Button
              look="primary"
              disabled={isLoading || saving}
              onClick={() =>
                void propose({ schedule, revision })
                  .unwrap()
                  .then((found) => {
                    setSaid(found);
                    keep(found.schedule, revision);
                  })
                  .catch(() => undefined)
              }
            >
              Plan automatically
            </Button>
          </span>
        }
      >
        <Timeline
          schedule={schedule}
          loads={known}
          dryers={dryers}
          conflicts={conflicts}
          nowMs={nowMs}
          onMove={(id, startMs, dryerId) => keep(moveRun(schedule, id, startMs, dryerId))}
        />
        <p className="mt-1 text-xs text-quiet">
          Drag a run to another time or dryer. Flags mark due times. Runs in progress stay when replanning.
        </p>
        {(error ?? notProposed) !== undefined && <ProblemNotice error={error ?? notProposed} />}
        <Said conflicts={conflicts} said={said} untold={untold} />
        {waiting.length > 0 && (
          <p className="mt-2 text-sm">
            Not scheduled: {waiting.map(({ title }) => title).join(', ')}.{' '}
            <span className="text-quiet">“Plan the best” schedules them.</span>
          </p>
        )}
      </Panel>
      {schedule.runs.length > 0 && (
        <RunsTable
          schedule={schedule}
          revision={revision}
          saving={saving}
          loads={known}
          dryers={dryers}
          nowMs={nowMs}
          onChange={keep}
        />
      )}
      <div className="grid grid-cols-2 narrow:grid-cols-1 items-start gap-4">
        <ConditioningPanel schedule={schedule} gradeOf={gradeOf} nowMs={nowMs} onChange={keep} />
        <DryersPanel dryers={stock.dryers} />
      </div>
    </div>
  );
}

function Said({
  conflicts,
  said,
  untold,
}: {
  conflicts: readonly ScheduleConflict[];
  said: ScheduleProposal | undefined;
  untold: readonly string[];
}) {
  const say = useSay();
  const impossible = said?.impossible ?? [];
  const stops = conflicts.filter(({ kind }) => kind === 'stop').length;
  return (
    <div role="status" className="mt-2 text-sm">
      {conflicts.length === 0 ? (
        <p className="text-pass">
          <span aria-hidden="true">● </span>No conflicts
          {said?.exact && ', and the plan is optimal: all alternatives were tried'}.
        </p>
      ) : (
        <p className={stops > 0 ? 'font-semibold text-fail' : 'font-semibold text-unknown'}>
          {stops > 0 ? `${stops} conflict${stops === 1 ? '' : 's'}` : 'Feasible, but'}
        </p>
      )}
      <ul className="list-disc pl-5">
        {conflicts.map(({ kind, text }) => (
          <li key={say(text)} className={kind === 'stop' ? 'text-fail' : 'text-unknown'}>
            {say(text)}.
          </li>
        ))}
        {impossible.map(({ id, why }) => (
          <li key={id} className="text-fail">
            {id} cannot be dried here: {say(why)}.
          </li>
        ))}
        {untold.map((text) => (
          <li key={text} className="text-unknown">
            {text}.
          </li>
        ))}
      </ul>
    </div>
  );
}
