import { failureModes, findFailureMode } from '@anvilstone/core/evidence';
import { findAgent } from '@anvilstone/core/materials';
import { useOwnName } from '../../sync/api/useOwnName.ts';
import {
  FINDING_STATES,
  type Brief,
  type FindingRecord,
  type Installation,
  type ServiceFinding,
  type ServiceMeasures,
} from '@anvilstone/schema';
import { newUuid } from '../../sync/address/uuid.ts';
import { useState } from 'react';
import { refusedAt } from '../../sync/api/problem.ts';
import { usePartContext } from '../parts/partContext.ts';
import { Choice, controlLook, Field, TextArea, TextField } from '../../ui/fields.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { SaveOrCancel } from '../../ui/SaveOrCancel.tsx';
import { localMinute } from '../../ui/when.ts';
import { ModePicture } from './ModePicture.tsx';
import { useSaveFindingMutation } from './serviceApi.ts';
import { MEASURES, STATE_WORDS } from './words.ts';

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
  const forDate = was?.forDate ?? due;
  const [state, setState] = useState<ServiceFinding['state']>(was?.state ?? 'sound');
  const [modeId, setModeId] = useState<string | undefined>(was?.modeId);
  const [measured, setMeasured] = useState<ServiceMeasures>(was?.measured ?? {});
  const [loadCaseId, setLoadCaseId] = useState(was?.loadCaseId ?? '');
  const [agentId, setAgentId] = useState(was?.agentId ?? brief.asks.fluids?.[0]?.agentId ?? '');
  const [at, setAt] = useState(() => localMinute(was ? Date.parse(was.at) : Date.now()));
  const ownName = useOwnName();
  const [by, setBy] = useState(was?.by ?? ownName);
  const [text, setText] = useState(was?.text ?? '');
  const [lesson, setLesson] = useState(was?.lesson ?? '');
  const looked = installation.inspections.find(({ on }) => on === forDate)?.modeIds ?? [];
  const issueAt = refusedAt(saving.error);
  const put = (id: keyof ServiceMeasures, value: number | undefined) => {
    const { [id]: _old, ...rest } = measured;
    setMeasured(value === undefined ? rest : { ...rest, [id]: value });
  };
  const asked = MEASURES.filter(
    ({ modes }) =>
      !modes ||
      (modeId !== undefined && state !== 'sound' && modes.includes(modeId)) ||
      (state === 'sound' && modes.some((one) => looked.includes(one))),
  );
  const submit = async () => {
    const finding: ServiceFinding = {
      id: was?.id ?? newUuid(),
      installationId: installation.id,
      at: new Date(at).toISOString(),
      by: by.trim(),
      state,
      ...(modeId && state !== 'sound' ? { modeId } : {}),
      ...(loadCaseId && state !== 'sound' ? { loadCaseId } : {}),
      ...(modeId === 'crazed' && agentId ? { agentId } : {}),
      // What was typed for another way to give out, and is no longer asked, is not kept.
      measured: Object.fromEntries(asked.flatMap(({ id }) => (measured[id] === undefined ? [] : [[id, measured[id]]]))),
      ...(forDate ? { forDate } : {}),
      text: text.trim(),
      ...(lesson.trim() ? { lesson: lesson.trim() } : {}),
      taken: [],
      sampleData: was?.sampleData ?? false,
    };
    await save({ finding, revision: record?.revision ?? 0 }).unwrap();
    onDone(finding.id);
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
              <input type="radio" name="state" checked={state === one} onChange={() => setState(one)} />
              <span className={STATE_WORDS[one].look}>
                {STATE_WORDS[one].mark} {STATE_WORDS[one].word}
              </span>
            </label>
          ))}
        </div>
      </fieldset>
      {state !== 'sound' && <PictureKey chosen={modeId} onChoose={setModeId} error={issueAt('/finding/modeId')} />}
      <div className="mt-3 grid grid-cols-3 narrow:grid-cols-2 gap-3">
        {state !== 'sound' && brief.loadCases.length > 1 && (
          <Choice
            label="Load"
            value={loadCaseId}
            options={[
              { value: '', label: 'Not known' },
              ...brief.loadCases.map(({ id, name }) => ({ value: id, label: name })),
            ]}
            onChange={setLoadCaseId}
          />
        )}
        {modeId === 'crazed' && (brief.asks.fluids?.length ?? 0) > 0 && (
          <Choice
            label="Fluid"
            value={agentId}
            options={brief.asks.fluids!.map((one) => ({ value: one.agentId, label: agentName(one.agentId) }))}
            onChange={setAgentId}
          />
        )}
        {asked.map(({ id, title, dimension }) => (
          <QuantityField
            key={id}
            label={title}
            dimension={dimension}
            value={measured[id]}
            onChange={(value) => put(id, value)}
            onClear={() => put(id, undefined)}
          />
        ))}
        <Field label="When" error={issueAt('/finding/at')}>
          {(ids) => (
            <input
              {...ids}
              type="datetime-local"
              className={controlLook}
              value={at}
              onChange={(event) => setAt(event.target.value)}
            />
          )}
        </Field>
        <TextField label="Inspected by" value={by} maxLength={200} onChange={setBy} error={issueAt('/finding/by')} />
      </div>
      <div className="mt-3 flex flex-col gap-3">
        <TextArea label="Observed" value={text} onChange={setText} rows={2} />
        {state !== 'sound' && (
          <TextArea label="Lesson: change for the next part" value={lesson} onChange={setLesson} rows={2} />
        )}
      </div>
      <SaveOrCancel
        ready={
          !saving.isLoading &&
          by.trim() !== '' &&
          !Number.isNaN(Date.parse(at)) &&
          (state === 'sound' || modeId !== undefined)
        }
        label="Save reading"
        error={saving.error}
        onSave={() => void submit().catch(() => undefined)}
        onCancel={() => onDone(undefined)}
      />
    </Panel>
  );
}

/** Ways to give out as pictures with what tells them from each other; those that creep up first. */
function PictureKey({
  chosen,
  onChoose,
  error,
}: {
  chosen: string | undefined;
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
