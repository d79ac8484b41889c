import { failureModes, findFailureMode } from '@anvilstone/core/evidence';
import { findAgent } from '@anvilstone/core/materials';
import { useOwnName } from '../../sync/api/useOwnName.ts';
import {
  FINDING_STATES,
  serviceFinding,
  type Brief,
  type FindingRecord,
  type Installation,
  type ServiceFinding,
} from '@anvilstone/schema';
import { newUuid } from '../../sync/address/uuid.ts';
import { useState } from 'react';
import { refusedAt } from '../../sync/api/problem.ts';
import { usePartContext } from '../parts/partContext.ts';
import { FormField, RecordForm, useRecordForm } from '../../ui/form/RecordForm.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { SaveOrCancel } from '../../ui/SaveOrCancel.tsx';
import { ModePicture } from './ModePicture.tsx';
import { useSaveFindingMutation } from './serviceApi.ts';
import { MEASURES, STATE_WORDS } from './words.ts';

const FindingField = FormField<ServiceFinding>;

/** One look at a part in service, or its failure: state, the picture that is most like it, what was measured, what was learned. */
export function FindingForm({
  installation,
  brief,
  forDate: due,
  record,
  onDone,
}: {
  installation: Installation;
  brief: Brief;
  /** The look that was due; absent: out of turn. */
  forDate?: string | undefined;
  /** One that is corrected; absent: a new one. */
  record?: FindingRecord;
  onDone: (id: string | undefined) => void;
}) {
  const [save, saving] = useSaveFindingMutation();
  const { library } = usePartContext();
  const agentName = (id: string) => (library.agents?.find((one) => one.id === id) ?? findAgent(id))?.name ?? id;
  const was = record?.finding;
  const ownName = useOwnName();
  const fluids = brief.asks.fluids ?? [];
  const [first] = useState(
    (): ServiceFinding =>
      was ?? {
        id: newUuid(),
        installationId: installation.id,
        at: new Date().toISOString(),
        by: ownName,
        state: 'sound',
        ...(fluids[0] ? { agentId: fluids[0].agentId } : {}),
        measured: {},
        ...(due ? { forDate: due } : {}),
        text: '',
        taken: [],
        sampleData: false,
      },
  );
  // That of the finding as it was opened: what somebody else saves meanwhile must not be written over unseen.
  const [revision] = useState(record?.revision ?? 0);
  const form = useRecordForm<ServiceFinding>(serviceFinding, first);
  const { state, modeId } = form.values;
  const { forDate } = first;
  const isSound = state === 'sound';
  const looked = installation.inspections.find(({ on }) => on === forDate)?.modeIds ?? [];
  const asked = MEASURES.filter(
    ({ modes }) =>
      !modes ||
      (modeId && !isSound && modes.includes(modeId)) ||
      (isSound && modes.some((one) => looked.includes(one))),
  );
  // What was entered for another failure mode, and is no longer asked, is not kept.
  const finding = (): ServiceFinding => {
    const { modeId: mode, loadCaseId, agentId, lesson, measured, ...rest } = form.entered();
    return {
      ...rest,
      ...(isSound
        ? {}
        : { ...(mode && { modeId: mode }), ...(loadCaseId && { loadCaseId }), ...(lesson && { lesson }) }),
      ...(modeId === 'crazed' && agentId ? { agentId } : {}),
      measured: Object.fromEntries(asked.flatMap(({ id }) => (measured[id] === undefined ? [] : [[id, measured[id]]]))),
    };
  };
  const submit = async () => {
    const sent = finding();
    await save({ finding: sent, revision }).unwrap();
    onDone(sent.id);
  };
  return (
    <Panel title={`Finding for ${installation.mark}${forDate ? `, inspection due ${forDate}` : ''}`}>
      {looked.length > 0 && (
        <ul className="mb-3 list-disc pl-5 text-sm">
          {looked.map((id) => (
            <li key={id}>{findFailureMode(id)?.lookFor}</li>
          ))}
        </ul>
      )}
      <p className="mb-3 text-sm text-quiet">
        Unload it and let it cool before touching it; a part cracked under load may fail suddenly. Do not reinstall a
        failed part.
      </p>
      <fieldset>
        <legend className="text-xs text-quiet">It is</legend>
        <div className="flex gap-4">
          {FINDING_STATES.map((one) => (
            <label key={one} className="flex items-center gap-1.5">
              <input type="radio" name="state" checked={state === one} onChange={() => form.setValue('state', one)} />
              <span className={STATE_WORDS[one].look}>
                {STATE_WORDS[one].mark} {STATE_WORDS[one].word}
              </span>
            </label>
          ))}
        </div>
      </fieldset>
      <RecordForm form={form} error={saving.error} at="/finding">
        {!isSound && (
          <PictureKey
            chosen={modeId}
            onChoose={(id) => form.setValue('modeId', id)}
            error={refusedAt(saving.error)('/finding/modeId')}
          />
        )}
        <div className="mt-3 grid grid-cols-3 narrow:grid-cols-2 gap-3">
          {!isSound && brief.loadCases.length > 1 && (
            <FindingField
              name="loadCaseId"
              label="Load"
              none="Not known"
              options={brief.loadCases.map(({ id, name }) => ({ value: id, label: name }))}
            />
          )}
          {modeId === 'crazed' && fluids.length > 0 && (
            <FindingField
              name="agentId"
              label="Fluid"
              none="Not known"
              options={fluids.map((one) => ({ value: one.agentId, label: agentName(one.agentId) }))}
            />
          )}
          {asked.map(({ id, title, dimension }) => (
            <FindingField key={id} name={`measured.${id}`} label={title} dimension={dimension} />
          ))}
          <FindingField name="at" label="When" />
          <FindingField name="by" />
        </div>
        <div className="mt-3 flex flex-col gap-3">
          <FindingField name="text" />
          {!isSound && <FindingField name="lesson" label="Lesson: change for the next part" />}
        </div>
      </RecordForm>
      <SaveOrCancel
        ready={!saving.isLoading && form.isComplete && (isSound || Boolean(modeId))}
        label="Save reading"
        error={saving.error}
        onSave={() => void submit().catch(() => undefined)}
        onCancel={() => onDone(undefined)}
      />
    </Panel>
  );
}

/** Failure modes as pictures with what tells them from each other; those that creep up first. */
function PictureKey({
  chosen,
  onChoose,
  error,
}: {
  chosen: string | null | undefined;
  onChoose: (id: string) => void;
  error: string | undefined;
}) {
  return (
    <fieldset className="mt-3">
      <legend className="text-xs text-quiet">Most similar to</legend>
      {error && <p className="text-xs text-fail">{error}</p>}
      <div className="mt-1 grid grid-cols-3 narrow:grid-cols-2 gap-2">
        {failureModes.map(({ id, title, looksLike }) => (
          <label
            key={id}
            className={`flex cursor-pointer gap-2 rounded border p-2 focus-within:outline-2 focus-within:outline-ember ${chosen === id ? 'border-ember bg-ember-ground' : 'border-line hover:bg-sunken'}`}
          >
            <input type="radio" name="mode" className="sr-only" checked={chosen === id} onChange={() => onChoose(id)} />
            <ModePicture modeId={id} className="h-11 w-16 shrink-0" />
            <span className="min-w-0">
              <span className="block font-semibold">
                {chosen === id && '✓ '}
                {title}
              </span>
              <span className="block text-xs text-quiet">{looksLike}</span>
            </span>
          </label>
        ))}
      </div>
    </fieldset>
  );
}
