import { PageHeading } from '../../ui/PageHeading.tsx';
import { BED_SURFACES, machine as machineSchema, type Machine, type MachineRecord } from '@anvilstone/schema';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { useMachinesQuery } from '../../sync/api/api.ts';
import { HistoryButton } from '../../team/history/HistoryButton.tsx';
import { Button } from '../../ui/Button.tsx';
import { ConfirmRemoval } from '../../ui/ConfirmRemoval.tsx';
import { Tick } from '../../ui/fields.tsx';
import { FormField, RecordForm, useRecordForm, type RecordFormState } from '../../ui/form/RecordForm.tsx';
import { freshId } from '../../ui/freshId.ts';
import { Loading } from '../../ui/Loading.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { SaveProblem } from '../../ui/SaveProblem.tsx';
import { ConditionFields } from './ConditionFields.tsx';
import { useRemoveMachineMutation, useSaveMachineMutation } from './machinesApi.ts';

const blank = (taken: readonly string[]): Machine => ({
  id: freshId('machine', taken),
  name: '',
  maximumNozzleC: 260,
  hotEndLining: 'all-metal',
  maximumBedC: 100,
  enclosure: 'open',
  maximumChamberC: null,
  nozzleMaterial: 'brass',
  nozzleDiameterMm: 0.4,
  extruder: 'direct',
  buildVolumeMm: { x: 220, y: 220, z: 240 },
  volumetricFlowMm3PerS: 10,
  hourlyRateUsd: 1,
  sampleData: false,
});

const USUAL_CHAMBER_C = 70;
const ENCLOSURES = [
  { value: 'open', label: 'open frame' },
  { value: 'enclosed', label: 'enclosed' },
  { value: 'heated', label: 'heated chamber' },
];
const EXHAUSTS = [
  { value: 'none', label: 'into the room' },
  { value: 'filter', label: 'filtered' },
  { value: 'extracted', label: 'ducted outside' },
];
const LININGS = [
  { value: 'all-metal', label: 'all metal' },
  { value: 'ptfe', label: 'PTFE-lined' },
];
const NOZZLES = [
  { value: 'brass', label: 'brass' },
  { value: 'hardened', label: 'hardened' },
];
const DRIVES = [
  { value: 'direct', label: 'direct' },
  { value: 'remote', label: 'Bowden tube' },
];

/** A new machine, or one to be changed: what it can do decides what can be printed. */
export function MachineEditorPage() {
  const { machineId } = useParams();
  const { data: records, error } = useMachinesQuery();
  if (error) return <ProblemNotice error={error} />;
  if (!records) return <Loading what="the machine" />;
  if (machineId === undefined) {
    const machine = blank(records.map(({ machine: { id } }) => id));
    return <Editor key="new" record={{ machine, revision: 0 }} />;
  }
  const record = records.find(({ machine }) => machine.id === machineId);
  return record ? (
    <Editor key={machineId} record={record} />
  ) : (
    <main className="p-5">
      There is no machine “{machineId}”. <Link to="/machines">All machines</Link>
    </main>
  );
}

const MachineField = FormField<Machine>;
type MachineForm = RecordFormState<Machine>;

function Editor({ record }: { record: MachineRecord }) {
  const navigate = useNavigate();
  const form = useRecordForm<Machine>(machineSchema, record.machine);
  const [revision, setRevision] = useState(record.revision);
  const [save, { error, isLoading, reset }] = useSaveMachineMutation();
  const [remove, { error: notRemoved }] = useRemoveMachineMutation();
  const { id } = record.machine;
  const isNew = record.revision === 0;
  return (
    <main className="p-5">
      <p className="text-sm">
        <Link to="/machines" className="text-quiet hover:underline">
          ← All machines
        </Link>
      </p>
      <div className="mb-4 flex items-start justify-between">
        <PageHeading>{isNew ? 'A new machine' : record.machine.name}</PageHeading>
        {!isNew && (
          <div className="flex gap-1">
            <HistoryButton
              kind="machines"
              record={id}
              title={record.machine.name}
              onPutBack={() => void navigate('/machines')}
            />
            <ConfirmRemoval
              name={record.machine.name}
              error={notRemoved}
              onRemove={() =>
                void remove({ id, revision })
                  .unwrap()
                  .then(() => navigate('/machines'))
                  .catch(() => undefined)
              }
            >
              It is removed from every shortlist; its recorded prints stay.
            </ConfirmRemoval>
          </div>
        )}
      </div>
      <RecordForm form={form} error={error} at="/machine">
        <div className="grid grid-cols-3 narrow:grid-cols-2 items-start gap-4">
          <IdentityPanel form={form} />
          <HotEndPanel />
          <BedPanel form={form} />
          <ConditionFields onNewNozzle={() => form.setValue('condition.nozzleAbrasiveG', 0)} />
        </div>
      </RecordForm>
      <SaveProblem<MachineRecord>
        error={error}
        onTakeNewer={(newer) => {
          reset();
          form.reset(newer.machine);
          setRevision(newer.revision);
        }}
      />
      <div className="mt-4 flex items-center gap-3">
        <Button
          look="primary"
          disabled={isLoading || !form.isComplete}
          onClick={() =>
            void save({ machine: form.entered(), revision })
              .unwrap()
              .then(() => navigate(`/machines?machine=${id}`))
              .catch(() => undefined)
          }
        >
          Save it
        </Button>
        {!form.isComplete && <span className="text-xs text-quiet">Enter a name.</span>}
      </div>
    </main>
  );
}

function IdentityPanel({ form }: { form: MachineForm }) {
  const { enclosure, closedSupply } = form.values;
  return (
    <Panel title="Identity">
      <div className="grid grid-cols-2 gap-3">
        <div className="col-span-2">
          <MachineField name="name" label="Name" />
        </div>
        <MachineField
          name="enclosure"
          label="Enclosure"
          options={ENCLOSURES}
          // Only a heated chamber has a temperature of its own.
          onChanged={(one) => form.setValue('maximumChamberC', one === 'heated' ? USUAL_CHAMBER_C : null)}
        />
        {enclosure === 'heated' ? <MachineField name="maximumChamberC" label="Chamber up to" /> : <span />}
        {(['x', 'y', 'z'] as const).map((axis) => (
          <MachineField
            key={axis}
            name={`buildVolumeMm.${axis}`}
            label={`Builds, ${axis === 'z' ? 'up' : axis}`}
            dimension="length"
          />
        ))}
        <MachineField name="hourlyRateUsd" label="Hourly rate" />
        <MachineField name="ventilation" label="Exhaust" none="not stated" options={EXHAUSTS} />
        <MachineField name="ownPlasticC" label="Own plastic parts soften at" />
        <div className="col-span-2 flex items-end gap-3">
          <Tick
            label="Only its maker’s spools"
            checked={Boolean(closedSupply)}
            onChange={(on) => form.setValue('closedSupply', on ? { pricePerKgUsd: 100 } : undefined)}
          />
          {closedSupply && <MachineField name="closedSupply.pricePerKgUsd" label="at, USD/kg" dimension="money" />}
        </div>
        <div className="col-span-2">
          <MachineField name="note" />
        </div>
      </div>
    </Panel>
  );
}

function HotEndPanel() {
  return (
    <Panel title="Hot end and drive">
      <div className="grid grid-cols-2 gap-3">
        <MachineField name="maximumNozzleC" label="Nozzle up to" />
        <MachineField name="sensorLimitC" label="Sensor holds to" />
        <MachineField name="hotEndLining" label="Hot end" options={LININGS} />
        <MachineField name="nozzleMaterial" label="Nozzle" options={NOZZLES} />
        <MachineField name="nozzleDiameterMm" label="Nozzle bore" />
        <MachineField name="volumetricFlowMm3PerS" label="Sustained flow, mm³/s" />
        <MachineField name="extruder" label="Drive" options={DRIVES} />
        <MachineField name="filamentDiameterMm" label="Filament diameter" />
        <div className="col-span-2">
          <MachineField name="laysFibre" label="Lays continuous strands" />
        </div>
      </div>
    </Panel>
  );
}

function BedPanel({ form }: { form: MachineForm }) {
  const surfaces = form.values.bedSurfaces ?? [];
  return (
    <Panel title="Bed">
      <div className="grid grid-cols-2 gap-3">
        <MachineField name="maximumBedC" label="Bed up to" />
        <MachineField name="supplyW" label="Supply, W" />
        <div className="col-span-2 flex flex-col gap-1">
          <MachineField name="mainsBed" label="Bed heated from the mains (wired by a licensed person)" />
          <MachineField name="releaseAgent" />
        </div>
        <fieldset className="col-span-2">
          <legend className="mb-1 text-xs text-quiet">Bed surfaces available</legend>
          {BED_SURFACES.map((surface) => (
            <Tick
              key={surface}
              label={surface}
              checked={surfaces.includes(surface)}
              onChange={(on) => {
                const others = surfaces.filter((one) => one !== surface);
                const next = on ? [...others, surface] : others;
                form.setValue('bedSurfaces', next.length > 0 ? next : undefined);
              }}
            />
          ))}
        </fieldset>
      </div>
    </Panel>
  );
}
