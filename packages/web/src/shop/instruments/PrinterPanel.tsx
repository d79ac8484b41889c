import type { Instrument, PrintProgress, Stock } from '@anvilstone/schema';
import { useState } from 'react';
import { useMachinesQuery } from '../../sync/api/api.ts';
import { useRecordPrintMutation } from '../spools/spoolsApi.ts';
import { newUuid } from '../../sync/address/uuid.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice, TextField } from '../../ui/fields.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { Progress } from '../../ui/Progress.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { duration } from '../../ui/amount.ts';
import { moment } from '../../ui/when.ts';
import { useBeginPrintMutation, useProgressQuery } from './instrumentsApi.ts';

const AGAIN_MS = 3000;

/** How far a print is; when it is over it is written down, which wears the machine and empties the spool. */
export function PrinterPanel({ printer, stock }: { printer: Instrument; stock: Stock }) {
  const { data: progress, error } = useProgressQuery(printer.id, { pollingInterval: AGAIN_MS });
  const [begin, { error: notBegun }] = useBeginPrintMutation();
  const [job, setJob] = useState('Lamp arm');
  const [filamentG, setFilament] = useState(120);
  const [hours, setHours] = useState(4);
  const over = progress?.state === 'done' || progress?.state === 'failed';
  return (
    <Panel title={printer.name}>
      {error !== undefined && (
        <p role="status" className="mb-2 text-sm text-fail">
          No connection.{' '}
          {progress &&
            `The last one, ${moment(Date.parse(progress.at))}: ${progress.job} at ${progress.donePct.toFixed(0)} %.`}
        </p>
      )}
      {progress?.state === 'idle' && <p className="text-sm text-quiet">Idle.</p>}
      {progress && progress.state !== 'idle' && (
        <>
          <Progress share={progress.donePct / 100} label={progress.job} />
          <p className="mt-1 text-sm text-quiet">
            {progress.state === 'printing' && `${duration(progress.leftH)} left, `}
            {progress.state === 'done' && 'Done, '}
            {progress.state === 'failed' && <span className="text-fail">Failed, </span>}
            {progress.filamentG.toFixed(0)} g used
          </p>
        </>
      )}
      {progress && over && <WriteDown key={`${progress.job} ${progress.state}`} progress={progress} stock={stock} />}
      {printer.behaviour && progress && progress.state !== 'printing' && (
        <div className="mt-3 grid grid-cols-3 narrow:grid-cols-2 items-end gap-2 border-t border-line pt-3">
          <TextField label="Print" value={job} maxLength={120} onChange={setJob} />
          <QuantityField
            label="Filament"
            dimension="mass"
            value={filamentG}
            bounds={{ exclusiveMinimum: 0, maximum: 30000 }}
            onChange={setFilament}
          />
          <QuantityField
            label="Lasts"
            dimension="time"
            value={hours}
            bounds={{ exclusiveMinimum: 0, maximum: 5000 }}
            onChange={setHours}
          />
          <Button
            className="col-span-3 narrow:col-span-2 justify-self-start"
            disabled={job.trim() === ''}
            onClick={() => void begin({ id: printer.id, job: job.trim(), filamentG, hours }).catch(() => undefined)}
          >
            Print on the simulated printer (1 h in 3 s)
          </Button>
          {notBegun !== undefined && <ProblemNotice error={notBegun} />}
        </div>
      )}
    </Panel>
  );
}

/** Sent twice it counts once: the id is made when the form opens. */
function WriteDown({ progress, stock }: { progress: PrintProgress; stock: Stock }) {
  const { data: machines } = useMachinesQuery();
  const [write, { error, isLoading, isSuccess }] = useRecordPrintMutation();
  const [id] = useState(() => newUuid());
  const [machineId, setMachine] = useState('workshop-enclosed');
  const [spoolId, setSpool] = useState('');
  const [note, setNote] = useState('');
  if (isSuccess) return <p className="mt-2 text-sm text-pass">Saved.</p>;
  const usable = stock.spools.filter(({ spool }) => !spool.empty);
  const known = machines?.some(({ machine }) => machine.id === machineId) ? machineId : machines?.[0]?.machine.id;
  return (
    <div className="mt-3 grid grid-cols-2 gap-2 border-t border-line pt-3">
      <Choice
        label="Machines"
        value={known ?? ''}
        options={(machines ?? []).map(({ machine }) => ({ value: machine.id, label: machine.name }))}
        onChange={setMachine}
      />
      <Choice
        label="Spool"
        value={spoolId}
        options={[
          { value: '', label: 'not known' },
          ...usable.map(({ spool }) => ({ value: spool.id, label: `${spool.id} ${spool.colour}` })),
        ]}
        onChange={setSpool}
      />
      <div className="col-span-2">
        <TextField label="Outcome" value={note} maxLength={4000} onChange={setNote} />
      </div>
      {error !== undefined && <ProblemNotice error={error} />}
      <Button
        look="primary"
        className="justify-self-start"
        disabled={isLoading || known === undefined}
        onClick={() =>
          void write({
            id,
            machineId: known!,
            spoolId: spoolId === '' ? null : spoolId,
            what: progress.job,
            endedAt: new Date().toISOString(),
            hours: progress.hours,
            massG: progress.filamentG,
            succeeded: progress.state === 'done',
            ...(note.trim() === '' ? {} : { note: note.trim() }),
          }).catch(() => undefined)
        }
      >
        Save reading
      </Button>
    </div>
  );
}
