import { orientationChoices } from '../../ui/orientationChoices.ts';
import { findFailureMode } from '@anvilstone/core/evidence';
import { useOwnName } from '../../sync/api/useOwnName.ts';
import { Type } from '@sinclair/typebox';
import {
  installation as installationSchema,
  ORIENTATIONS,
  type DecisionSummary,
  type Installation,
} from '@anvilstone/schema';
import { newUuid } from '../../sync/address/uuid.ts';
import { useState } from 'react';
import { skipToken } from '@reduxjs/toolkit/query';
import { usePartContext } from '../parts/partContext.ts';
import { FormField, RecordForm, useRecordForm } from '../../ui/form/RecordForm.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { SaveOrCancel } from '../../ui/SaveOrCancel.tsx';
import { usePlanInspectionsQuery, useSaveInstallationMutation } from './serviceApi.ts';

const InstallField = FormField<Installation>;
/** Put in service on a day; it is sent as its noon. */
const schema = Type.Object({ ...installationSchema.properties, installedAt: Type.String({ format: 'date' }) });

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
  const ownName = useOwnName();
  const [first] = useState((): Installation => ({
    id: newUuid(),
    partId,
    mark: '',
    ...(decisions[0] ? { decisionId: decisions[0].id } : {}),
    gradeId: library.grades[0]?.id ?? '',
    orientation: ORIENTATIONS[0],
    place: '',
    installedAt: new Date().toISOString().slice(0, 10),
    installedBy: ownName,
    inspections: [],
    sampleData: false,
  }));
  const form = useRecordForm<Installation>(schema, first);
  const { values } = form;
  const decision = decisions.find(({ id }) => id === values.decisionId);
  const { gradeId, orientation } = decision ?? values;
  const installedAt = values.installedAt ? `${values.installedAt}T12:00:00Z` : undefined;
  // Of the date and grade as they stand: the plan of a moment ago would be kept with the wrong dates.
  const { currentData: planned, error: noPlan } = usePlanInspectionsQuery(
    installedAt && gradeId
      ? { partId, ...(decision ? { decisionId: decision.id } : {}), gradeId, orientation, installedAt }
      : skipToken,
  );
  const mark = values.mark.trim();
  const taken = marks.includes(mark);
  const submit = async () => {
    const installation: Installation = {
      ...form.entered(),
      gradeId,
      orientation,
      installedAt: installedAt!,
      inspections: planned?.dates ?? [],
    };
    await save({ installation, revision: 0 }).unwrap();
    onDone(installation.id);
  };
  return (
    <Panel title="Commission">
      <RecordForm form={form} error={saving.error} at="/installation">
        <div className="grid grid-cols-2 gap-3">
          <InstallField
            name="decisionId"
            label="Made after"
            none="No decision: choose the grade"
            options={decisions.map((one) => ({
              value: one.id,
              label: `Decision ${one.number}: ${one.gradeName}, ${one.builtAs}`,
            }))}
          />
          <InstallField name="mark" fault={taken ? `Serial number ${mark} exists already.` : undefined} />
          {!decision && (
            <>
              <InstallField
                name="gradeId"
                label="Grade"
                options={library.grades.map(({ id, name }) => ({ value: id, label: name }))}
              />
              <InstallField name="orientation" label="Built" options={orientationChoices(brief.part)} />
            </>
          )}
          <InstallField name="place" label="Where" />
          <InstallField name="installedBy" label="Installed by" />
          <InstallField name="installedAt" label="In service since" />
        </div>
      </RecordForm>
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
        ready={!saving.isLoading && (planned !== undefined || noPlan !== undefined) && !taken && form.isComplete}
        label="Commission"
        error={saving.error}
        onSave={() => void submit().catch(() => undefined)}
        onCancel={() => onDone(undefined)}
      />
    </Panel>
  );
}
