import { PageHeading } from '../../ui/PageHeading.tsx';
import { BED_SURFACES, type Machine, type MachineRecord } from '@anvilstone/schema';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { useMachinesQuery } from '../../sync/api/api.ts';
import { HistoryButton } from '../../team/history/HistoryButton.tsx';
import { Button } from '../../ui/Button.tsx';
import { ConfirmRemoval } from '../../ui/ConfirmRemoval.tsx';
import { Choice, TextArea, TextField, Tick } from '../../ui/fields.tsx';
import { freshId } from '../../ui/freshId.ts';
import { Loading } from '../../ui/Loading.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { SaveProblem } from '../../ui/SaveProblem.tsx';
import { ConditionFields } from './ConditionFields.tsx';
import { MachineNumber, OptionalMachineNumber } from './MachineNumber.tsx';
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

function Editor({ record }: { record: MachineRecord }) {
  const navigate = useNavigate();
  const [machine, setMachine] = useState(record.machine);
  const [revision, setRevision] = useState(record.revision);
  const [save, { error, isLoading, reset }] = useSaveMachineMutation();
  const [remove, { error: notRemoved }] = useRemoveMachineMutation();
  const change = (next: Partial<Machine>) => setMachine({ ...machine, ...next });
  const optional = <K extends keyof Machine>(key: K, value: Machine[K] | undefined) => {
    const { [key]: _before, ...rest } = machine;
    setMachine((value === undefined ? rest : { ...rest, [key]: value }) as Machine);
  };
  const field = { machine, change, optional };
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
              record={machine.id}
              title={record.machine.name}
              onPutBack={() => void navigate('/machines')}
            />
            <ConfirmRemoval
              name={record.machine.name}
              error={notRemoved}
              onRemove={() =>
                void remove({ id: machine.id, revision })
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
      <div className="grid grid-cols-3 narrow:grid-cols-2 items-start gap-4">
        <Panel title="Identity">
          <div className="grid grid-cols-2 gap-3">
            <div className="col-span-2">
              <TextField label="Name" value={machine.name} maxLength={200} onChange={(name) => change({ name })} />
            </div>
            <Choice
              label="Enclosure"
              value={machine.enclosure}
              options={[
                { value: 'open', label: 'open frame' },
                { value: 'enclosed', label: 'enclosed' },
                { value: 'heated', label: 'heated chamber' },
              ]}
              onChange={(enclosure) =>
                change({
                  enclosure,
                  maximumChamberC: enclosure === 'heated' ? (machine.maximumChamberC ?? 70) : null,
                })
              }
            />
            {machine.enclosure === 'heated' ? (
              <MachineNumber {...field} name="maximumChamberC" label="Chamber up to" dimension="temperature" />
            ) : (
              <span />
            )}
            {(['x', 'y', 'z'] as const).map((axis) => (
              <MachineNumber
                key={axis}
                machine={machine.buildVolumeMm}
                change={(next) => change({ buildVolumeMm: { ...machine.buildVolumeMm, ...next } })}
                name={axis}
                label={`Builds, ${axis === 'z' ? 'up' : axis}`}
                dimension="length"
              />
            ))}
            <MachineNumber {...field} name="hourlyRateUsd" label="Hourly rate" dimension="money" />
            <Choice
              label="Exhaust"
              value={machine.ventilation ?? ''}
              options={[
                { value: '', label: 'not stated' },
                { value: 'none', label: 'into the room' },
                { value: 'filter', label: 'filtered' },
                { value: 'extracted', label: 'ducted outside' },
              ]}
              onChange={(air) => optional('ventilation', air === '' ? undefined : air)}
            />
            <OptionalMachineNumber
              {...field}
              name="ownPlasticC"
              label="Own plastic parts soften at"
              dimension="temperature"
            />
            <div className="col-span-2">
              <ClosedSupply machine={machine} optional={optional} />
            </div>
            <div className="col-span-2">
              <TextArea
                label="Remarks"
                rows={2}
                value={machine.note ?? ''}
                onChange={(note) => optional('note', note === '' ? undefined : note)}
              />
            </div>
          </div>
        </Panel>
        <Panel title="Hot end and drive">
          <div className="grid grid-cols-2 gap-3">
            <MachineNumber {...field} name="maximumNozzleC" label="Nozzle up to" dimension="temperature" />
            <OptionalMachineNumber {...field} name="sensorLimitC" label="Sensor holds to" dimension="temperature" />
            <Choice
              label="Hot end"
              value={machine.hotEndLining}
              options={[
                { value: 'all-metal', label: 'all metal' },
                { value: 'ptfe', label: 'PTFE-lined' },
              ]}
              onChange={(hotEndLining) => change({ hotEndLining })}
            />
            <Choice
              label="Nozzle"
              value={machine.nozzleMaterial}
              options={[
                { value: 'brass', label: 'brass' },
                { value: 'hardened', label: 'hardened' },
              ]}
              onChange={(nozzleMaterial) => change({ nozzleMaterial })}
            />
            <MachineNumber {...field} name="nozzleDiameterMm" label="Nozzle bore" dimension="length" />
            <MachineNumber {...field} name="volumetricFlowMm3PerS" label="Sustained flow, mm³/s" dimension="ratio" />
            <Choice
              label="Drive"
              value={machine.extruder}
              options={[
                { value: 'direct', label: 'direct' },
                { value: 'remote', label: 'Bowden tube' },
              ]}
              onChange={(extruder) => change({ extruder })}
            />
            <OptionalMachineNumber {...field} name="filamentDiameterMm" label="Filament diameter" dimension="length" />
            <div className="col-span-2">
              <Tick
                label="Lays continuous strands"
                checked={machine.laysFibre ?? false}
                onChange={(on) => optional('laysFibre', on ? true : undefined)}
              />
            </div>
          </div>
        </Panel>
        <Panel title="Bed">
          <div className="grid grid-cols-2 gap-3">
            <MachineNumber {...field} name="maximumBedC" label="Bed up to" dimension="temperature" />
            <OptionalMachineNumber {...field} name="supplyW" label="Supply, W" dimension="ratio" />
            <div className="col-span-2 flex flex-col gap-1">
              <Tick
                label="Bed heated from the mains (wired by a licensed person)"
                checked={machine.mainsBed ?? false}
                onChange={(on) => optional('mainsBed', on ? true : undefined)}
              />
              <Tick
                label="Release agent available"
                checked={machine.releaseAgent ?? false}
                onChange={(on) => optional('releaseAgent', on ? true : undefined)}
              />
            </div>
            <fieldset className="col-span-2">
              <legend className="mb-1 text-xs text-quiet">Bed surfaces available</legend>
              {BED_SURFACES.map((surface) => {
                const has = machine.bedSurfaces?.includes(surface) ?? false;
                const others = (machine.bedSurfaces ?? []).filter((one) => one !== surface);
                return (
                  <Tick
                    key={surface}
                    label={surface}
                    checked={has}
                    onChange={(on) =>
                      optional('bedSurfaces', on ? [...others, surface] : others.length > 0 ? others : undefined)
                    }
                  />
                );
              })}
            </fieldset>
          </div>
        </Panel>
        <ConditionFields machine={machine} onChange={(condition) => change({ condition })} />
      </div>
      <SaveProblem<MachineRecord>
        error={error}
        onTakeNewer={(newer) => {
          reset();
          setMachine(newer.machine);
          setRevision(newer.revision);
        }}
      />
      <div className="mt-4 flex items-center gap-3">
        <Button
          look="primary"
          disabled={isLoading || machine.name.trim() === ''}
          onClick={() =>
            void save({ machine, revision })
              .unwrap()
              .then(() => navigate(`/machines?machine=${machine.id}`))
              .catch(() => undefined)
          }
        >
          Save it
        </Button>
        {machine.name.trim() === '' && <span className="text-xs text-quiet">Enter a name.</span>}
      </div>
    </main>
  );
}

function ClosedSupply({
  machine,
  optional,
}: {
  machine: Machine;
  optional: (key: 'closedSupply', value: Machine['closedSupply'] | undefined) => void;
}) {
  const closed = machine.closedSupply;
  return (
    <div className="flex items-end gap-3">
      <Tick
        label="Only its maker’s spools"
        checked={closed !== undefined}
        onChange={(on) => optional('closedSupply', on ? { pricePerKgUsd: 100 } : undefined)}
      />
      {closed && (
        <MachineNumber
          machine={closed}
          change={(next) => optional('closedSupply', { ...closed, ...next })}
          name="pricePerKgUsd"
          label="at, USD/kg"
          dimension="money"
        />
      )}
    </div>
  );
}
