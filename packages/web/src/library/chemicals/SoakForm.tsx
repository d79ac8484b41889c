import { skipToken } from '@reduxjs/toolkit/query';
import { Type } from '@sinclair/typebox';
import { observation, type Agent, type Grade, type Observation } from '@anvilstone/schema';
import { useGradeQuery, useSaveGradeMutation } from '../grades/gradesApi.ts';
import { Button } from '../../ui/Button.tsx';
import { FormField, RecordForm, useRecordForm } from '../../ui/form/RecordForm.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';

const RESULTS = [
  { value: 'resistant', label: 'Resistant: no crack, hardly any change' },
  { value: 'limited', label: 'Limited: swells, softens or fades' },
  { value: 'unsuitable', label: 'Not resistant: cracked, dissolved or crumbled' },
] as const;
const WEEK_H = 168;

type Soak = Observation & { gradeId: string };
const SoakField = FormField<Soak>;
/** A report, and the grade that it belongs to. */
const schema = Type.Object({
  ...observation.properties,
  ...Type.Required(Type.Pick(observation, ['classValue', 'temperatureC', 'durationH', 'count'])).properties,
  gradeId: Type.String({ minLength: 1 }),
});

/** Writes a soak of one's own down with the grade it belongs to; from then on it leads over the table, and says so. */
export function SoakForm({ agent, grades }: { agent: Agent; grades: readonly Grade[] }) {
  const sorted = [...grades].sort((a, b) => a.name.localeCompare(b.name));
  const form = useRecordForm<Soak>(schema, {
    id: 'soak',
    gradeId: '',
    property: 'chemicalResistance',
    classValue: 'resistant',
    unit: '-',
    agentId: agent.id,
    temperatureC: agent.referenceTemperatureC,
    durationH: WEEK_H,
    count: 3,
    source: 'bench',
    specimen: 'printed',
    reference: '',
  });
  const { gradeId } = form.values;
  const { currentData: record } = useGradeQuery(gradeId === '' ? skipToken : gradeId);
  const [save, { error, isLoading, isSuccess, reset }] = useSaveGradeMutation();
  const ready = record !== undefined && form.isComplete;
  const submit = async () => {
    const { grade, revision } = record!;
    const { gradeId: _grade, ...soak } = form.entered();
    const observed: Observation = {
      ...soak,
      id: nextId(grade),
      method: soak.creepStressMPa === undefined ? 'ISO 175' : 'ISO 22088-3',
    };
    await save({ grade: { ...grade, observations: [...grade.observations, observed] }, revision }).unwrap();
    form.resetField('reference');
    form.resetField('note');
  };
  return (
    <Panel title="Record an immersion test">
      <form
        className="grid grid-cols-2 gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          submit().catch(() => undefined); // shown from the mutation's own error
        }}
      >
        <RecordForm form={form}>
          <div className="col-span-2">
            <SoakField
              name="gradeId"
              label="Grade"
              options={[
                { value: '', label: 'Choose …' },
                ...sorted.map(({ id, name }) => ({ value: id, label: name })),
              ]}
              onChanged={reset}
            />
          </div>
          <div className="col-span-2">
            <SoakField name="classValue" label="Outcome" options={RESULTS} />
          </div>
          <SoakField name="temperatureC" label="At" />
          <SoakField name="durationH" label="For" hint="a week counts as lasting" />
          <SoakField name="creepStressMPa" label="Bent to a stress of" hint="empty = not bent" />
          <SoakField name="count" label="Specimens" />
          <div className="col-span-2">
            <SoakField name="reference" label="Reference" />
          </div>
          <div className="col-span-2">
            <SoakField name="note" label="Observed" />
          </div>
        </RecordForm>
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
