import { runTimes, type DryerLoad } from '@anvilstone/core/making';
import type { DryerAtHand, DryerSchedule, ScheduledRun } from '@anvilstone/schema';
import { useFinishRunMutation } from '../spools/spoolsApi.ts';
import { duration } from '../../ui/amount.ts';
import { Button } from '../../ui/Button.tsx';
import { controlLook } from '../../ui/fields.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { TableHead } from '../../ui/TableHead.tsx';
import { localMinute, moment } from '../../ui/when.ts';
import { changeRun, moveLoad, moveRun, removeRun } from './scheduleEdits.ts';

/** The runs by their start: everything of a run can be set here too, and it is told here that its loads came out. */
export function RunsTable({
  schedule,
  revision,
  saving,
  loads,
  dryers,
  nowMs,
  onChange,
}: {
  schedule: DryerSchedule;
  revision: number;
  saving: boolean;
  loads: ReadonlyMap<string, DryerLoad>;
  dryers: readonly DryerAtHand[];
  nowMs: number;
  onChange: (schedule: DryerSchedule) => void;
}) {
  const [finish, { error }] = useFinishRunMutation();
  const runs = [...schedule.runs].sort((a, b) => Date.parse(a.start) - Date.parse(b.start));
  return (
    <Panel title="The runs">
      {error !== undefined && <ProblemNotice error={error} />}
      <table className="-mx-3 w-[calc(100%+1.5rem)] text-sm">
        <TableHead headings={['Dryer', 'Start', 'At', 'What', 'Finished', '']} />
        <tbody>
          {runs.map((run) => {
            const times = runTimes(run, loads);
            const begun = times.startMs <= nowMs;
            return (
              <tr key={run.id} className="border-b border-line align-top last:border-0">
                <th scope="row" className="w-40 px-3 py-2 text-left font-normal">
                  <select
                    aria-label={`Dryer of ${run.loads.join(', ')}`}
                    className={controlLook}
                    value={run.dryerId}
                    onChange={(event) => onChange(moveRun(schedule, run.id, times.startMs, event.target.value))}
                  >
                    {dryers.map(({ id, name }) => (
                      <option key={id} value={id}>
                        {name}
                      </option>
                    ))}
                  </select>
                </th>
                <td className="px-3 py-2">
                  <input
                    type="datetime-local"
                    aria-label={`When to put in ${run.loads.join(', ')}`}
                    className={controlLook}
                    value={localMinute(times.startMs)}
                    onChange={(event) => {
                      const ms = Date.parse(event.target.value);
                      if (Number.isFinite(ms))
                        onChange(changeRun(schedule, run.id, { start: new Date(ms).toISOString() }));
                    }}
                  />
                </td>
                <td className="w-28 px-3 py-2">
                  <QuantityField
                    label={<span className="sr-only">Temperature of {run.loads.join(', ')}</span>}
                    dimension="temperature"
                    value={run.temperatureC}
                    bounds={{ minimum: 20, maximum: 250 }}
                    onChange={(temperatureC) => onChange(changeRun(schedule, run.id, { temperatureC }))}
                  />
                </td>
                <td className="px-3 py-2">
                  <LoadsOfRun run={run} schedule={schedule} loads={loads} nowMs={nowMs} onChange={onChange} />
                </td>
                <td className="px-3 py-2 whitespace-nowrap">
                  {moment(times.endMs, nowMs)}
                  <span className="block text-xs text-quiet">{duration((times.endMs - times.startMs) / 3600e3)}</span>
                </td>
                <td className="px-3 py-2 whitespace-nowrap">
                  {begun && (
                    <Button
                      aria-label={`${run.loads.join(', ')} taken out`}
                      // It would be put in again by a change that is not stored yet.
                      disabled={saving}
                      onClick={() => void finish({ runId: run.id, revision }).catch(() => undefined)}
                    >
                      Taken out
                    </Button>
                  )}
                  <Button
                    look="quiet"
                    aria-label={`Remove the run of ${run.loads.join(', ')} from the plan`}
                    onClick={() => onChange(removeRun(schedule, run.id))}
                  >
                    Remove
                  </Button>
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <p className="mt-2 text-xs text-quiet">
        “Taken out” logs the actual hours in each spool’s history and restarts its exposure time. Hot reels and ovens
        burn; an oven used for plastics is never used for food.
      </p>
    </Panel>
  );
}

function LoadsOfRun({
  run,
  schedule,
  loads,
  nowMs,
  onChange,
}: {
  run: ScheduledRun;
  schedule: DryerSchedule;
  loads: ReadonlyMap<string, DryerLoad>;
  nowMs: number;
  onChange: (schedule: DryerSchedule) => void;
}) {
  const others = schedule.runs.filter((one) => one.id !== run.id);
  const { loads: timed } = runTimes(run, loads);
  return (
    <ul className="flex flex-col gap-1">
      {timed.map(({ id, readyMs, lateH }) => {
        const load = loads.get(id);
        return (
          <li key={id} className="flex flex-wrap items-center gap-2">
            <span className="font-semibold">{load?.title ?? id}</span>
            <span className={lateH > 0 ? 'text-fail' : 'text-quiet'}>
              ready {moment(readyMs, nowMs)}
              {load?.needMs !== undefined && `, needed ${moment(load.needMs, nowMs)}`}
              {lateH > 0 && `: ${duration(lateH)} late`}
            </span>
            <select
              aria-label={`Move ${id} to`}
              className="w-20 rounded border border-line bg-surface text-xs"
              value=""
              onChange={(event) => onChange(moveLoad(schedule, id, run, event.target.value))}
            >
              <option value="">move …</option>
              {run.loads.length > 1 && <option value="own">to a run of its own</option>}
              {others.map((one) => (
                <option key={one.id} value={one.id}>
                  to {one.loads.join(', ')}
                </option>
              ))}
            </select>
          </li>
        );
      })}
    </ul>
  );
}
