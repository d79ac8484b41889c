import { dryer as dryerSchema, type DryerAtHand, type DryerRecord } from '@anvilstone/schema';
import { useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { FormField, useRecordForm } from '../../ui/form/RecordForm.tsx';
import { SmallEditor } from '../../ui/form/SmallEditor.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { useRemoveDryerMutation, useSaveDryerMutation } from '../spools/spoolsApi.ts';
import { freshId } from '../../ui/freshId.ts';
import { useAppSelector } from '../../sync/store/store.ts';
import { amount } from '../../ui/amount.ts';

const PURPOSES = [
  { value: 'drying', label: 'dries spools' },
  { value: 'conditioning', label: 'conditions parts' },
] as const;

/** The dryers and boxes at hand; each can be changed, one more added. */
export function DryersPanel({ dryers }: { dryers: readonly DryerRecord[] }) {
  const units = useAppSelector((state) => state.settings.units);
  const [edited, setEdited] = useState<DryerRecord>();
  const [remove, { error }] = useRemoveDryerMutation();
  const blank = (): DryerRecord => ({
    dryer: {
      id: freshId(
        'dryer',
        dryers.map(({ dryer }) => dryer.id),
      ),
      name: '',
      purpose: 'drying',
      slots: 2,
      maximumC: 70,
      sampleData: false,
    },
    revision: 0,
  });
  return (
    <Panel title="Dryers and boxes" aside={!edited && <Button onClick={() => setEdited(blank())}>+ A dryer</Button>}>
      {error !== undefined && <ProblemNotice error={error} />}
      <ul className="flex flex-col gap-1 text-sm">
        {dryers.map((record) => {
          const { dryer, revision } = record;
          return (
            <li key={dryer.id} className="flex items-start justify-between gap-2">
              <span>
                <strong>{dryer.name}</strong>
                {dryer.sampleData && <span className="text-xs text-unknown"> sample data</span>}
                <span className="block text-xs text-quiet">
                  {PURPOSES.find(({ value }) => value === dryer.purpose)!.label}, {dryer.slots} at once, to{' '}
                  {amount(dryer.maximumC, '°C', units)}
                  {dryer.note && `. ${dryer.note}`}
                </span>
              </span>
              <span className="whitespace-nowrap">
                <Button look="quiet" aria-label={`Change ${dryer.name}`} onClick={() => setEdited(record)}>
                  Change
                </Button>
                <Button
                  look="quiet"
                  aria-label={`Remove ${dryer.name}`}
                  onClick={() => void remove({ id: dryer.id, revision }).catch(() => undefined)}
                >
                  ×
                </Button>
              </span>
            </li>
          );
        })}
      </ul>
      {edited && <EditDryer key={edited.dryer.id} record={edited} onDone={() => setEdited(undefined)} />}
    </Panel>
  );
}

const DryerField = FormField<DryerAtHand>;

function EditDryer({ record, onDone }: { record: DryerRecord; onDone: () => void }) {
  const form = useRecordForm<DryerAtHand>(dryerSchema, record.dryer);
  const [save, { error }] = useSaveDryerMutation();
  return (
    <SmallEditor
      form={form}
      at="/dryer"
      error={error}
      onSave={(dryer) => save({ dryer, revision: record.revision }).unwrap()}
      onDone={onDone}
    >
      <DryerField name="name" label="Name" />
      <DryerField name="purpose" label="Purpose" options={PURPOSES} />
      <DryerField name="slots" />
      <DryerField name="maximumC" label="Maximum temperature" />
    </SmallEditor>
  );
}
