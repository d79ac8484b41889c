import { skipToken } from '@reduxjs/toolkit/query';
import { testParameters, type Agent, type Grade, type Observation } from '@anvilstone/schema';
import { useState } from 'react';
import { useGradeQuery, useSaveGradeMutation } from '../grades/gradesApi.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice, Field, controlLook, TextField } from '../../ui/fields.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { QuantityField, type Bounds } from '../../ui/QuantityField.tsx';

const RESULTS = [
  { value: 'resistant', label: 'Resistant: no crack, hardly any change' },
  { value: 'limited', label: 'Limited: swells, softens or fades' },
  { value: 'unsuitable', label: 'Not resistant: cracked, dissolved or crumbled' },
] as const;
const WEEK_H = 168;

/** Writes a soak of one's own down with the grade it belongs to; from then on it leads over the table, and says so. */
export function SoakForm({ agent, grades }: { agent: Agent; grades: readonly Grade[] }) {
  const sorted = [...grades].sort((a, b) => a.name.localeCompare(b.name));
  const [gradeId, setGradeId] = useState('');
  const [result, setResult] = useState<(typeof RESULTS)[number]['value']>('resistant');
  const [temperatureC, setTemperatureC] = useState(agent.referenceTemperatureC);
  const [durationH, setDurationH] = useState(WEEK_H);
  const [bentMPa, setBentMPa] = useState<number>();
  const [count, setCount] = useState(3);
  const [reference, setReference] = useState('');
  const [note, setNote] = useState('');
  const { currentData: record } = useGradeQuery(gradeId === '' ? skipToken : gradeId);
  const [save, { error, isLoading, isSuccess, reset }] = useSaveGradeMutation();
  const ready = record !== undefined && reference.trim() !== '';
  const soak = (): Observation => ({
    id: nextId(record!.grade),
    property: 'chemicalResistance',
    classValue: result,
    unit: '-',
    agentId: agent.id,
    temperatureC,
    durationH,
    ...(bentMPa === undefined ? {} : { creepStressMPa: bentMPa }),
    count: Math.round(count),
    source: 'bench',
    specimen: 'printed',
    method: bentMPa === undefined ? 'ISO 175' : 'ISO 22088-3',
    reference: reference.trim(),
    ...(note.trim() === '' ? {} : { note: note.trim() }),
  });
  return (
    <Panel title="Record an immersion test">
      <form
        className="grid grid-cols-2 gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          const { grade, revision } = record!;
          save({ grade: { ...grade, observations: [...grade.observations, soak()] }, revision })
            .unwrap()
            .then(() => {
              setReference('');
              setNote('');
            })
            .catch(() => undefined); // shown from the mutation's own error
        }}
      >
        <div className="col-span-2">
          <Field label="Grade">
            {(ids) => (
              <select
                {...ids}
                className={controlLook}
                value={gradeId}
                onChange={(event) => {
                  reset();
                  setGradeId(event.target.value);
                }}
              >
                <option value="">Choose …</option>
                {sorted.map(({ id, name }) => (
                  <option key={id} value={id}>
                    {name}
                  </option>
                ))}
              </select>
            )}
          </Field>
        </div>
        <div className="col-span-2">
          <Choice label="Outcome" value={result} options={RESULTS} onChange={setResult} />
        </div>
        <QuantityField label="At" dimension="temperature" value={temperatureC} onChange={setTemperatureC} />
        <QuantityField
          label="For"
          dimension="time"
          value={durationH}
          bounds={testParameters.durationH as Bounds}
          hint="a week counts as lasting"
          onChange={setDurationH}
        />
        <QuantityField
          label="Bent to a stress of"
          dimension="stress"
          value={bentMPa}
          bounds={testParameters.creepStressMPa as Bounds}
          hint="empty = not bent"
          onChange={setBentMPa}
          onClear={() => setBentMPa(undefined)}
        />
        <QuantityField
          label="Specimens"
          dimension="ratio"
          value={count}
          bounds={{ minimum: 1, maximum: 1000 }}
          onChange={setCount}
        />
        <div className="col-span-2">
          <TextField label="Reference" value={reference} maxLength={200} onChange={setReference} />
        </div>
        <div className="col-span-2">
          <TextField label="Observed" value={note} maxLength={400} onChange={setNote} />
        </div>
        <p className="col-span-2 text-xs text-unknown">{agent.handlingCaution} Bent strips can snap: shield them.</p>
        <div className="col-span-2 flex items-center gap-3">
          <Button look="primary" type="submit" disabled={!ready || isLoading}>
            Record
          </Button>
          <span role="status" className="text-xs text-quiet">
            {isSuccess ? 'Recorded with the grade.' : ready ? '' : 'A grade and a reference are needed.'}
          </span>
        </div>
      </form>
      {error !== undefined && <ProblemNotice error={error} />}
    </Panel>
  );
}

function nextId({ observations }: Grade): string {
  const taken = new Set(observations.map(({ id }) => id));
  let number = 1;
  while (taken.has(`soak-${number}`)) number += 1;
  return `soak-${number}`;
}
