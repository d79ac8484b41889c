import {
  printOrder,
  printRecord,
  type Instrument,
  type PrintOrder,
  type PrintProgress,
  type PrintRecord,
  type Stock,
} from '@anvilstone/schema';
import { useState } from 'react';
import { useMachinesQuery } from '../../sync/api/api.ts';
import { useRecordPrintMutation } from '../spools/spoolsApi.ts';
import { newUuid } from '../../sync/address/uuid.ts';
import { Button } from '../../ui/Button.tsx';
import { FormField, RecordForm, useRecordForm } from '../../ui/form/RecordForm.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { Progress } from '../../ui/Progress.tsx';
import { duration } from '../../ui/amount.ts';
import { moment } from '../../ui/when.ts';
import { useBeginPrintMutation, useProgressQuery } from './instrumentsApi.ts';

const AGAIN_MS = 3000;
const OrderField = FormField<PrintOrder>;
const RecordField = FormField<PrintRecord>;

/** How far a print is; when it is over it is written down, which wears the machine and empties the spool. */
export function PrinterPanel({ printer, stock }: { printer: Instrument; stock: Stock }) {
  const { data: progress, error } = useProgressQuery(printer.id, { pollingInterval: AGAIN_MS });
  const [begin, { error: notBegun }] = useBeginPrintMutation();
  const form = useRecordForm<PrintOrder>(printOrder, { job: 'Lamp arm', filamentG: 120, hours: 4 });
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
        <RecordForm form={form} error={notBegun}>
          <div className="mt-3 grid grid-cols-3 narrow:grid-cols-2 items-end gap-2 border-t border-line pt-3">
            <OrderField name="job" label="Print" />
            <OrderField name="filamentG" label="Filament" />
            <OrderField name="hours" label="Lasts" />
            <Button
              className="col-span-3 narrow:col-span-2 justify-self-start"
              disabled={!form.isComplete}
              onClick={() => void begin({ id: printer.id, ...form.entered() }).catch(() => undefined)}
            >
              Print on the simulated printer (1 h in 3 s)
            </Button>
            {notBegun !== undefined && <ProblemNotice error={notBegun} />}
          </div>
        </RecordForm>
      )}
    </Panel>
  );
}

/** Sent twice it counts once: the id is made when the form opens. */
function WriteDown({ progress, stock }: { progress: PrintProgress; stock: Stock }) {
  const { data: machines } = useMachinesQuery();
  const [write, { error, isLoading, isSuccess }] = useRecordPrintMutation();
  const [first] = useState((): PrintRecord => ({
    id: newUuid(),
    machineId: 'workshop-enclosed',
    spoolId: null,
    what: progress.job,
    endedAt: new Date().toISOString(),
    hours: progress.hours,
    massG: progress.filamentG,
    succeeded: progress.state === 'done',
  }));
  const form = useRecordForm<PrintRecord>(printRecord, first);
  if (isSuccess) return <p className="mt-2 text-sm text-pass">Saved.</p>;
  const usable = stock.spools.filter(({ spool }) => !spool.empty);
  const { machineId } = form.values;
  const known = machines?.some(({ machine }) => machine.id === machineId) ? machineId : machines?.[0]?.machine.id;
  return (
    <RecordForm form={form} error={error}>
      <div className="mt-3 grid grid-cols-2 gap-2 border-t border-line pt-3">
        <RecordField
          name="machineId"
          label="Machines"
          options={(machines ?? []).map(({ machine }) => ({ value: machine.id, label: machine.name }))}
        />
        <RecordField
          name="spoolId"
          label="Spool"
          none="not known"
          options={usable.map(({ spool }) => ({ value: spool.id, label: `${spool.id} ${spool.colour}` }))}
        />
        <div className="col-span-2">
          <RecordField name="note" label="Outcome" />
        </div>
        {error !== undefined && <ProblemNotice error={error} />}
        <Button
          look="primary"
          className="justify-self-start"
          disabled={isLoading || known === undefined}
          onClick={() =>
            void write({ ...form.entered(), machineId: known!, endedAt: new Date().toISOString() }).catch(
              () => undefined,
            )
          }
        >
          Save reading
        </Button>
      </div>
    </RecordForm>
  );
}
