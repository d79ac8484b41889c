import { conditioningLoad } from '@anvilstone/core/making';
import { findFamily } from '@anvilstone/core/materials';
import { conditioningJob, type ConditioningJob, type DryerSchedule, type Grade } from '@anvilstone/schema';
import { useMemo, useState } from 'react';
import { duration } from '../../ui/amount.ts';
import { Button } from '../../ui/Button.tsx';
import { FormField, RecordForm, useRecordForm } from '../../ui/form/RecordForm.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { SaveOrCancel } from '../../ui/SaveOrCancel.tsx';
import { freshId } from '../../ui/freshId.ts';
import { moment } from '../../ui/when.ts';
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

const JobField = FormField<ConditioningJob>;
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
  const [first] = useState((): ConditioningJob => ({
    id: freshId('parts', taken),
    title: '',
    gradeId: thirsty[0]?.id ?? '',
    wallMm: 3,
    temperatureC: 60,
    needAt: new Date(nowMs + 4 * DAY_MS).toISOString(),
  }));
  const form = useRecordForm<ConditioningJob>(conditioningJob, first);
  return (
    <RecordForm form={form}>
      <div className="mt-3 grid grid-cols-2 gap-2">
        <JobField name="title" />
        <JobField name="gradeId" label="Grade" options={thirsty.map(({ id, name }) => ({ value: id, label: name }))} />
        <JobField name="wallMm" />
        <JobField name="temperatureC" label="Conditioning temperature" />
        <JobField name="needAt" label="Needed by" />
        <SaveOrCancel
          label="Add them"
          ready={form.isComplete}
          onSave={() => onAdd(form.entered())}
          onCancel={onCancel}
        />
      </div>
    </RecordForm>
  );
}
