import { conditioningLoad } from '@anvilstone/core/making';
import { findFamily } from '@anvilstone/core/materials';
import type { ConditioningJob, DryerSchedule, Grade } from '@anvilstone/schema';
import { useMemo, useState } from 'react';
import { duration } from '../../ui/amount.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice, Field, TextField, controlLook } from '../../ui/fields.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { SaveOrCancel } from '../../ui/SaveOrCancel.tsx';
import { freshId } from '../../ui/freshId.ts';
import { localMinute, moment } from '../../ui/when.ts';
import { useAppSelector } from '../../sync/store/store.ts';
import { amount } from '../../ui/amount.ts';

/** Families that gain from it; the same bound as the computation’s refusal. */
const THIRSTY_PCT = 1;

/** Printed parts that wait for water: how long each takes, and one more can be added. */
export function ConditioningPanel({
  schedule,
  gradeOf,
  nowMs,
  onChange,
}: {
  schedule: DryerSchedule;
  gradeOf: ReadonlyMap<string, Grade>;
  nowMs: number;
  onChange: (schedule: DryerSchedule) => void;
}) {
  const units = useAppSelector((state) => state.settings.units);
  const [adding, setAdding] = useState(false);
  const without = (id: string): DryerSchedule => ({
    conditioning: schedule.conditioning.filter((job) => job.id !== id),
    runs: schedule.runs
      .map((run) => ({ ...run, loads: run.loads.filter((one) => one !== id) }))
      .filter(({ loads }) => loads.length > 0),
  });
  return (
    <Panel
      title="Parts to condition"
      aside={!adding && <Button onClick={() => setAdding(true)}>+ Parts to condition</Button>}
    >
      {schedule.conditioning.length === 0 && !adding && (
        <p className="text-quiet">
          None. Polyamide is brittle and undersized fresh from the printer; condition parts for hard use.
        </p>
      )}
      <ul className="flex flex-col gap-2 text-sm">
        {schedule.conditioning.map((job) => {
          const load = conditioningLoad(job, gradeOf.get(job.gradeId));
          return (
            <li key={job.id} className="flex items-start justify-between gap-3">
              <span>
                <strong>{job.title}</strong>, {gradeOf.get(job.gradeId)?.name ?? job.gradeId},{' '}
                {amount(job.wallMm, 'mm', units)} wall, {amount(job.temperatureC, '°C', units)}
                <span className={`block text-xs ${typeof load === 'string' ? 'text-fail' : 'text-quiet'}`}>
                  {typeof load === 'string'
                    ? load
                    : `${duration(load.hours)} for nine tenths of its water; needed ${moment(Date.parse(job.needAt), nowMs)}`}
                </span>
              </span>
              <Button look="quiet" aria-label={`Remove ${job.title}`} onClick={() => onChange(without(job.id))}>
                ×
              </Button>
            </li>
          );
        })}
      </ul>
      {adding && (
        <AddJob
          gradeOf={gradeOf}
          nowMs={nowMs}
          taken={schedule.conditioning.map(({ id }) => id)}
          onAdd={(job) => {
            setAdding(false);
            onChange({ ...schedule, conditioning: [...schedule.conditioning, job] });
          }}
          onCancel={() => setAdding(false)}
        />
      )}
      <p className="mt-2 text-xs text-quiet">
        Steam and hot water burn. Condition over warm water, not in it: a wet skin on a dry core distorts thin parts.
        Weigh a part: it is done when the mass is constant.
      </p>
    </Panel>
  );
}

const DAY_MS = 24 * 3600e3;

function AddJob({
  gradeOf,
  nowMs,
  taken,
  onAdd,
  onCancel,
}: {
  gradeOf: ReadonlyMap<string, Grade>;
  nowMs: number;
  taken: readonly string[];
  onAdd: (job: ConditioningJob) => void;
  onCancel: () => void;
}) {
  const thirsty = useMemo(
    () =>
      [...gradeOf.values()]
        .filter(({ familyId }) => (findFamily(familyId)?.waterAt23C50RhPct ?? 0) >= THIRSTY_PCT)
        .sort((a, b) => a.name.localeCompare(b.name)),
    [gradeOf],
  );
  const [title, setTitle] = useState('');
  const [gradeId, setGrade] = useState(thirsty[0]?.id ?? '');
  const [wallMm, setWall] = useState(3);
  const [temperatureC, setTemperature] = useState(60);
  const [needMs, setNeed] = useState(nowMs + 4 * DAY_MS);
  return (
    <div className="mt-3 grid grid-cols-2 gap-2">
      <TextField label="Parts" value={title} onChange={setTitle} maxLength={200} />
      <Choice
        label="Grade"
        value={gradeId}
        options={thirsty.map(({ id, name }) => ({ value: id, label: name }))}
        onChange={setGrade}
      />
      <QuantityField
        label="Thickest wall"
        dimension="length"
        value={wallMm}
        bounds={{ exclusiveMinimum: 0, maximum: 100 }}
        onChange={setWall}
      />
      <QuantityField
        label="Conditioning temperature"
        dimension="temperature"
        value={temperatureC}
        bounds={{ minimum: 20, maximum: 100 }}
        onChange={setTemperature}
      />
      <Field label="Needed by">
        {(ids) => (
          <input
            {...ids}
            type="datetime-local"
            className={controlLook}
            value={localMinute(needMs)}
            onChange={(event) => {
              const ms = Date.parse(event.target.value);
              if (Number.isFinite(ms)) setNeed(ms);
            }}
          />
        )}
      </Field>
      <SaveOrCancel
        label="Add them"
        ready={title.trim() !== '' && gradeId !== ''}
        onSave={() =>
          onAdd({
            id: freshId('parts', taken),
            title: title.trim(),
            gradeId,
            wallMm,
            temperatureC,
            needAt: new Date(needMs).toISOString(),
          })
        }
        onCancel={onCancel}
      />
    </div>
  );
}
