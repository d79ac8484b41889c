import { orientationChoices } from '../../ui/orientationChoices.ts';
import { findFailureMode } from '@anvilstone/core/evidence';
import { useOwnName } from '../../sync/api/useOwnName.ts';
import { ORIENTATIONS, type DecisionSummary, type Installation } from '@anvilstone/schema';
import { newUuid } from '../../sync/address/uuid.ts';
import { useState } from 'react';
import { skipToken } from '@reduxjs/toolkit/query';
import { refusedAt } from '../../sync/api/problem.ts';
import { usePartContext } from '../parts/partContext.ts';
import { Choice, controlLook, Field, TextField } from '../../ui/fields.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { SaveOrCancel } from '../../ui/SaveOrCancel.tsx';
import { usePlanInspectionsQuery, useSaveInstallationMutation } from './serviceApi.ts';

/** Putting one part in service: what it is, where, by whom, and when it will be looked at. */
export function InstallForm({
  decisions,
  marks,
  onDone,
}: {
  decisions: readonly DecisionSummary[];
  /** Marks that are taken. */
  marks: readonly string[];
  onDone: (id: string | undefined) => void;
}) {
  const { partId, brief, library } = usePartContext();
  const [save, saving] = useSaveInstallationMutation();
  const [decisionId, setDecisionId] = useState(decisions[0]?.id ?? '');
  const decision = decisions.find(({ id }) => id === decisionId);
  const [own, setOwn] = useState({
    gradeId: library.grades[0]?.id ?? '',
    orientation: ORIENTATIONS[0] as Installation['orientation'],
  });
  const { gradeId, orientation } = decision ?? own;
  const [mark, setMark] = useState('');
  const [place, setPlace] = useState('');
  const [by, setBy] = useState(useOwnName());
  const [date, setDate] = useState(() => new Date().toISOString().slice(0, 10));
  const installedAt = Number.isNaN(Date.parse(date)) ? undefined : `${date}T12:00:00Z`;
  // Of the date and grade as they stand: the plan of a moment ago would be kept with the wrong dates.
  const { currentData: planned, error: noPlan } = usePlanInspectionsQuery(
    installedAt && gradeId
      ? { partId, ...(decision ? { decisionId } : {}), gradeId, orientation, installedAt }
      : skipToken,
  );
  const issueAt = refusedAt(saving.error);
  const taken = marks.includes(mark.trim());
  const submit = async () => {
    const installation: Installation = {
      id: newUuid(),
      partId,
      mark: mark.trim(),
      ...(decision ? { decisionId } : {}),
      gradeId,
      orientation,
      place: place.trim(),
      installedAt: installedAt!,
      installedBy: by.trim(),
      inspections: planned?.dates ?? [],
      sampleData: false,
    };
    await save({ installation, revision: 0 }).unwrap();
    onDone(installation.id);
  };
  return (
    <Panel title="Commission">
      <div className="grid grid-cols-2 gap-3">
        <Choice
          label="Made after"
          value={decisionId}
          options={[
            ...decisions.map((one) => ({
              value: one.id,
              label: `Decision ${one.number}: ${one.gradeName}, ${one.builtAs}`,
            })),
            { value: '', label: 'No decision: choose the grade' },
          ]}
          onChange={setDecisionId}
        />
        <TextField
          label="Serial number"
          value={mark}
          maxLength={200}
          onChange={setMark}
          error={taken ? `Serial number ${mark.trim()} exists already.` : undefined}
        />
        {!decision && (
          <>
            <Choice
              label="Grade"
              value={gradeId}
              options={library.grades.map(({ id, name }) => ({ value: id, label: name }))}
              onChange={(id) => setOwn({ ...own, gradeId: id })}
            />
            <Choice
              label="Built"
              value={orientation}
              options={orientationChoices(brief.part)}
              onChange={(value) => setOwn({ ...own, orientation: value })}
            />
          </>
        )}
        <TextField
          label="Where"
          value={place}
          maxLength={200}
          onChange={setPlace}
          error={issueAt('/installation/place')}
        />
        <TextField
          label="Installed by"
          value={by}
          maxLength={200}
          onChange={setBy}
          error={issueAt('/installation/installedBy')}
        />
        <Field label="In service since">
          {(ids) => (
            <input
              {...ids}
              type="date"
              className={controlLook}
              value={date}
              onChange={(event) => setDate(event.target.value)}
            />
          )}
        </Field>
      </div>
      <section aria-label="Inspections" className="mt-3">
        <h3 className="text-sm">Inspection plan</h3>
        {noPlan !== undefined && <ProblemNotice error={noPlan} />}
        {planned?.items.length === 0 && <p className="text-quiet">No loads: no inspections proposed.</p>}
        <ul className="text-sm">
          {planned?.items.map(({ modeId, why }) => (
            <li key={modeId} className="mt-1">
              <span className="font-semibold">{findFailureMode(modeId)?.lookFor}</span>
              <span className="text-quiet"> · {why}</span>
            </li>
          ))}
        </ul>
        {planned && planned.dates.length > 0 && (
          <p className="mt-1 text-sm">
            {planned.dates.length} looks:{' '}
            {planned.dates
              .slice(0, 8)
              .map(({ on }) => on)
              .join(', ')}
            {planned.dates.length > 8 && ' …'} <span className="text-quiet">Dates can be changed later.</span>
          </p>
        )}
      </section>
      <SaveOrCancel
        ready={
          !saving.isLoading &&
          (planned !== undefined || noPlan !== undefined) &&
          !taken &&
          [mark, place, by].every((text) => text.trim() !== '') &&
          installedAt !== undefined
        }
        label="Commission"
        error={saving.error}
        onSave={() => void submit().catch(() => undefined)}
        onCancel={() => onDone(undefined)}
      />
    </Panel>
  );
}
