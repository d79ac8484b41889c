import { foundIn, type TestMethod } from '@anvilstone/core/evidence';
import type { Dimension } from '@anvilstone/core/foundations';
import type { FindingId, Findings, Trial, TrialRecord } from '@anvilstone/schema';
import { useState } from 'react';
import { useAppSelector } from '../../../sync/store/store.ts';
import { amount, duration } from '../../../ui/amount.ts';
import { Button } from '../../../ui/Button.tsx';
import { TextField } from '../../../ui/fields.tsx';
import { Panel } from '../../../ui/Panel.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { SaveOrCancel } from '../../../ui/SaveOrCancel.tsx';
import { SaveProblem } from '../../../ui/SaveProblem.tsx';
import { moment } from '../../../ui/when.ts';
import { useInTurn } from '../../../sync/store/useInTurn.ts';
import { useSaveTrialMutation } from '../benchApi.ts';
import { EVENT_WORDS, SOURCE_WORDS } from '../words.ts';

type NumberId = Exclude<FindingId, 'moved'>;
const FOUND: Record<NumberId, { title: string; unit: string; dimension: Dimension }> = {
  peakN: { title: 'Largest force', unit: 'N', dimension: 'force' },
  firstCrackN: { title: 'First crack', unit: 'N', dimension: 'force' },
  stiffnessNPerMm: { title: 'Stiffness', unit: 'N/mm', dimension: 'ratio' },
  energyJ: { title: 'Work to failure', unit: 'J', dimension: 'energy' },
  endN: { title: 'Force at the end', unit: 'N', dimension: 'force' },
  movedMm: { title: 'Movement at the end', unit: 'mm', dimension: 'length' },
  reading: { title: 'Reading', unit: '', dimension: 'ratio' },
};

/** What was found by itself, what was corrected, whether it counts, and what happened meanwhile. */
export function TrialCard({ record, method }: { record: TrialRecord; method: TestMethod }) {
  const { trial } = record;
  const units = useAppSelector((state) => state.settings.units);
  const [editing, setEditing] = useState<'right' | 'out' | 'broke'>();
  const [save, { error, isLoading }] = useSaveTrialMutation();
  const change = useInTurn(`trial ${trial.id}`, { trial, revision: record.revision }, (one) => save(one).unwrap());
  const keep = (next: (newest: Trial) => Trial) =>
    void change((newest) => ({ trial: next(newest.trial), revision: newest.revision })).then((isKept) => {
      // What was opened while the answer was on its way stays open.
      if (isKept) setEditing((now) => (now === editing ? undefined : now));
    });
  const found = foundIn(trial);
  const ids = (Object.keys(FOUND) as NumberId[]).filter((id) => found[id] !== undefined);
  const shown = (id: NumberId, value: number) =>
    id === 'reading' && method.number
      ? `${amount(value, UNIT_OF[method.number.dimension] ?? '', units)}`
      : amount(value, FOUND[id].unit, units);
  return (
    <Panel title={`Result (${SOURCE_WORDS[trial.source]}, ${moment(Date.parse(trial.at))})`}>
      <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1 text-sm">
        {ids.map((id) => (
          <div key={id} className="contents">
            <dt className="text-quiet">
              {id === 'reading' ? (method.number?.title ?? FOUND.reading.title) : FOUND[id].title}
            </dt>
            <dd>
              <strong>
                {id === 'peakN' && trial.overRange && !trial.corrected ? 'at least ' : ''}
                {shown(id, found[id]!)}
              </strong>
              {trial.corrected?.found[id] !== undefined && (
                <span className="text-unknown">
                  {' '}
                  corrected: {trial.corrected.why}; read{' '}
                  {trial.found[id] === undefined ? 'nothing' : shown(id, trial.found[id])}
                </span>
              )}
            </dd>
          </div>
        ))}
        {trial.asRead && (
          <div className="contents">
            <dt className="text-quiet">As entered</dt>
            <dd>
              {trial.asRead.value} {trial.asRead.unit}
              {trial.advantage !== 1 && `, times ${trial.advantage.toFixed(3)} for tackle and lever`}
            </dd>
          </div>
        )}
        {trial.temperatureC !== undefined && (
          <div className="contents">
            <dt className="text-quiet">Temperature</dt>
            <dd>{amount(trial.temperatureC, '°C', units)}</dd>
          </div>
        )}
        <div className="contents">
          <dt className="text-quiet">Broke</dt>
          <dd>{trial.broke ?? 'not said'}</dd>
        </div>
      </dl>
      <MovedTable found={found} />
      {trial.excluded && (
        <p className="mt-2 text-sm text-unknown">Excluded from the statistics: {trial.excluded.why}</p>
      )}
      {trial.events.length > 0 && (
        <ol className="mt-2 text-sm text-quiet">
          {trial.events.map(({ at, kind, text }) => (
            <li key={`${at} ${kind}`}>
              {moment(Date.parse(at))} <strong className="font-semibold">{EVENT_WORDS[kind]}</strong>: {text}
            </li>
          ))}
        </ol>
      )}
      <SaveProblem<TrialRecord> error={error} onTakeNewer={() => setEditing(undefined)} />
      {editing === undefined && (
        <div className="mt-3 flex gap-2">
          <Button onClick={() => setEditing('broke')}>Location of failure</Button>
          <Button onClick={() => setEditing('right')}>Correct a value</Button>
          {trial.excluded ? (
            <Button disabled={isLoading} onClick={() => keep(({ excluded: _no, ...counted }) => counted)}>
              Include again
            </Button>
          ) : (
            <Button onClick={() => setEditing('out')}>Exclude</Button>
          )}
        </div>
      )}
      {editing === 'right' && (
        <PutRight trial={trial} method={method} onSave={keep} onCancel={() => setEditing(undefined)} />
      )}
      {editing === 'out' && (
        <WithReason
          label="Reason for excluding it (it stays visible)"
          action="Exclude"
          onSave={(why) => keep((newest) => ({ ...newest, excluded: { why } }))}
          onCancel={() => setEditing(undefined)}
        />
      )}
      {editing === 'broke' && (
        <WithReason
          label="Location and mode of failure"
          action="Save reading"
          first={trial.broke ?? ''}
          onSave={(broke) => keep((newest) => ({ ...newest, broke }))}
          onCancel={() => setEditing(undefined)}
        />
      )}
    </Panel>
  );
}

const UNIT_OF: Partial<Record<Dimension, string>> = {
  energy: 'J',
  temperature: '°C',
  torque: 'N·mm',
  fraction: '%',
  resistance: 'Ω',
};

function MovedTable({ found: { moved } }: { found: Findings }) {
  const units = useAppSelector((state) => state.settings.units);
  if (!moved || moved.length === 0) return null;
  const end = moved.findLast(({ unloaded }) => !unloaded)?.timeS ?? 0;
  return (
    <ul className="mt-2 grid grid-cols-4 narrow:grid-cols-2 gap-x-4 text-sm">
      {moved.map(({ timeS, movedMm, unloaded }) => (
        <li key={timeS} className="flex justify-between gap-2 border-b border-line py-0.5">
          <span className="text-quiet">
            {unloaded ? `${duration((timeS - end) / 3600)} after` : duration(timeS / 3600)}
          </span>
          {amount(movedMm, 'mm', units)}
        </li>
      ))}
    </ul>
  );
}

function WithReason({
  label,
  action,
  first = '',
  onSave,
  onCancel,
}: {
  label: string;
  action: string;
  first?: string;
  onSave: (text: string) => void;
  onCancel: () => void;
}) {
  const [text, setText] = useState(first);
  return (
    <div className="mt-3 grid grid-cols-2 gap-3">
      <TextField label={label} value={text} maxLength={200} onChange={setText} />
      <SaveOrCancel ready={text.trim() !== ''} label={action} onSave={() => onSave(text.trim())} onCancel={onCancel} />
    </div>
  );
}

/** What may be corrected by each way of capturing, found or not. */
const MAY_BE_RIGHT: Record<TestMethod['capture'], readonly NumberId[]> = {
  force: ['peakN', 'firstCrackN', 'stiffnessNPerMm', 'energyJ'],
  number: ['reading'],
  time: [],
  looks: [],
};

function PutRight({
  trial,
  method,
  onSave,
  onCancel,
}: {
  trial: Trial;
  method: TestMethod;
  onSave: (change: (newest: Trial) => Trial) => void;
  onCancel: () => void;
}) {
  const [found, setFound] = useState<Findings>(trial.corrected?.found ?? {});
  const [why, setWhy] = useState(trial.corrected?.why ?? '');
  const moved = found.moved ?? trial.found.moved ?? [];
  return (
    <div className="mt-3 grid grid-cols-4 narrow:grid-cols-2 gap-3">
      {MAY_BE_RIGHT[method.capture].map((id) => (
        <QuantityField
          key={id}
          label={`${FOUND[id].title}${FOUND[id].dimension === 'ratio' && FOUND[id].unit ? `, ${FOUND[id].unit}` : ''}`}
          dimension={id === 'reading' && method.number ? method.number.dimension : FOUND[id].dimension}
          value={found[id] ?? trial.found[id]}
          onChange={(value) => setFound({ ...found, [id]: value })}
        />
      ))}
      {method.capture === 'time' &&
        moved.map(({ timeS, movedMm }, row) => (
          <QuantityField
            key={timeS}
            label={`At ${duration(timeS / 3600)}`}
            dimension="length"
            value={movedMm}
            onChange={(value) =>
              setFound({ ...found, moved: moved.map((one, i) => (i === row ? { ...one, movedMm: value } : one)) })
            }
          />
        ))}
      <div className="col-span-2">
        <TextField label="Reason for the correction" value={why} maxLength={200} onChange={setWhy} />
      </div>
      <SaveOrCancel
        ready={why.trim() !== '' && Object.keys(found).length > 0}
        label="Correct it"
        onSave={() => onSave((newest) => ({ ...newest, corrected: { found, why: why.trim() } }))}
        onCancel={onCancel}
      />
    </div>
  );
}
