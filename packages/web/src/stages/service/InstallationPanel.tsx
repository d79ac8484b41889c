import { findFailureMode } from '@anvilstone/core/evidence';
import { builtAs } from '@anvilstone/core/shapes';
import type { FindingRecord, InstallationRecord } from '@anvilstone/schema';
import { useState } from 'react';
import { Link } from 'react-router';
import { HistoryButton } from '../../team/history/HistoryButton.tsx';
import { usePartContext } from '../parts/partContext.ts';
import { Button } from '../../ui/Button.tsx';
import { ConfirmRemoval } from '../../ui/ConfirmRemoval.tsx';
import { controlLook, Field, TextField } from '../../ui/fields.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { SaveOrCancel } from '../../ui/SaveOrCancel.tsx';
import { FindingCard } from './FindingCard.tsx';
import { FindingForm } from './FindingForm.tsx';
import { useRemoveInstallationMutation } from './serviceApi.ts';
import { useChangeInstallation } from './useChangeInstallation.ts';
import { day } from './words.ts';

/** One part in service: where and since when, looks that are due, and everything that was found of it. */
export function InstallationPanel({
  record,
  findings,
  today,
}: {
  record: InstallationRecord;
  findings: readonly FindingRecord[];
  today: string;
}) {
  const { installation, revision } = record;
  const { brief, library, partId } = usePartContext();
  const [remove, removing] = useRemoveInstallationMutation();
  const [looking, setLooking] = useState<{ forDate?: string }>();
  const failed = findings.some(({ finding }) => finding.state === 'failed');
  const over = failed || installation.removed !== undefined;
  const name = library.grades.find(({ id }) => id === installation.gradeId)?.name ?? installation.gradeId;
  return (
    <Panel
      title={`${installation.mark}, ${installation.place}`}
      aside={
        <span className="flex gap-1">
          <HistoryButton kind="installations" record={installation.id} title={installation.mark} />
          {findings.length === 0 && (
            <ConfirmRemoval
              name={installation.mark}
              error={removing.error}
              onRemove={() => void remove({ id: installation.id, revision })}
            >
              It has no findings.
            </ConfirmRemoval>
          )}
        </span>
      }
    >
      <p>
        {name}, built {builtAs(brief.part, installation.orientation)}; in service since {day(installation.installedAt)},
        installed by {installation.installedBy}
        {installation.removed && `; removed on ${day(installation.removed.at)}: ${installation.removed.why}`}.
      </p>
      {installation.note && <p className="text-sm text-quiet">{installation.note}</p>}
      {installation.decisionId && (
        <Link
          className="text-sm text-ember underline"
          to={`/parts/${partId}/decision?record=${installation.decisionId}`}
        >
          Decision
        </Link>
      )}
      {!over && !looking && (
        <Due record={record} findings={findings} today={today} onLook={(forDate) => setLooking({ forDate })} />
      )}
      {looking && (
        <div className="mt-3">
          <FindingForm
            installation={installation}
            brief={brief}
            forDate={looking.forDate}
            onDone={() => setLooking(undefined)}
          />
        </div>
      )}
      {!looking && (
        <div className="no-print mt-3 flex gap-2">
          {!over && <Button onClick={() => setLooking({})}>Record finding …</Button>}
          {!installation.removed && <TakeOut record={record} />}
        </div>
      )}
      <h3 className="mt-4 text-sm">Findings</h3>
      {findings.length === 0 && <p className="text-quiet">None yet.</p>}
      <div className="mt-1 flex flex-col gap-3">
        {[...findings].reverse().map((one) => (
          <FindingCard key={one.finding.id} record={one} installation={installation} />
        ))}
      </div>
    </Panel>
  );
}

function Due({
  record,
  findings,
  today,
  onLook,
}: {
  record: InstallationRecord;
  findings: readonly FindingRecord[];
  today: string;
  onLook: (forDate: string) => void;
}) {
  const { installation } = record;
  const { change, error } = useChangeInstallation(record);
  const done = new Set(findings.map(({ finding }) => finding.forDate));
  const open = installation.inspections.filter(({ on }) => !done.has(on));
  const move = (from: string, to: string) => {
    if (to === '' || to === from) return;
    void change((newest) => ({ ...newest, inspections: movedLook(newest.inspections, from, to) }));
  };
  return (
    <section aria-label="Inspections due" className="mt-3">
      <h3 className="text-sm">Inspections due</h3>
      {open.length === 0 && <p className="text-quiet">None planned.</p>}
      <ul className="mt-1 flex flex-col gap-1">
        {open.slice(0, 4).map(({ on, modeIds }) => (
          <li key={on} className="flex items-center gap-2 text-sm">
            <input
              type="date"
              aria-label={`Inspection due ${on}, move to`}
              className={`${controlLook} !w-36`}
              defaultValue={on}
              onBlur={(event) => move(on, event.target.value)}
            />
            <span className={on < today ? 'font-semibold text-fail' : 'text-quiet'}>
              {on < today ? '! overdue' : 'due'}
            </span>
            <span className="min-w-0 grow">
              {modeIds.map((id) => findFailureMode(id)?.lookFor.split(',')[0]?.toLowerCase() ?? id).join('; ')}
            </span>
            <Button onClick={() => onLook(on)}>Inspect …</Button>
          </li>
        ))}
      </ul>
      <AddLook record={record} />
      {open.length > 4 && <p className="text-xs text-quiet">and {open.length - 4} later</p>}
      {error !== undefined && <ProblemNotice error={error} />}
    </section>
  );
}

/** A look besides those that were proposed, for everything that the others look for. */
function AddLook({ record }: { record: InstallationRecord }) {
  const { installation } = record;
  const { change, error, isLoading } = useChangeInstallation(record);
  const [on, setOn] = useState('');
  const taken = installation.inspections.some((one) => one.on === on);
  const modeIds = [...new Set(installation.inspections.flatMap((one) => one.modeIds))];
  return (
    <div className="no-print mt-2 flex items-end gap-2">
      <Field label="Another inspection on" error={taken ? 'An inspection on that day exists already.' : undefined}>
        {(ids) => (
          <input
            {...ids}
            type="date"
            className={`${controlLook} !w-36`}
            value={on}
            onChange={(event) => setOn(event.target.value)}
          />
        )}
      </Field>
      <Button
        disabled={on === '' || taken || isLoading}
        onClick={() => {
          void change((newest) => ({ ...newest, inspections: inOrder([...newest.inspections, { on, modeIds }]) }));
          setOn('');
        }}
      >
        Add
      </Button>
      {error !== undefined && <ProblemNotice error={error} />}
    </div>
  );
}

function TakeOut({ record }: { record: InstallationRecord }) {
  const { change, error, isLoading } = useChangeInstallation(record);
  const [open, setOpen] = useState(false);
  const [why, setWhy] = useState('');
  if (!open)
    return (
      <Button look="quiet" onClick={() => setOpen(true)}>
        Take out of service …
      </Button>
    );
  return (
    <div className="grow">
      <TextField label="Reason for removal" value={why} maxLength={200} onChange={setWhy} />
      <SaveOrCancel
        ready={why.trim() !== '' && !isLoading}
        label="Take out of service"
        error={error}
        onSave={() =>
          void change((newest) => ({ ...newest, removed: { at: new Date().toISOString(), why: why.trim() } }))
        }
        onCancel={() => setOpen(false)}
      />
    </div>
  );
}

type Looks = InstallationRecord['installation']['inspections'];
const inOrder = (looks: Looks): Looks => [...looks].sort((a, b) => (a.on < b.on ? -1 : 1));

/** Two looks on one day are one look for both. */
function movedLook(looks: Looks, from: string, to: string): Looks {
  const at = (day: string) => looks.find(({ on }) => on === day)?.modeIds ?? [];
  const moved = { on: to, modeIds: [...new Set([...at(to), ...at(from)])] };
  return inOrder([...looks.filter(({ on }) => on !== from && on !== to), moved]);
}
