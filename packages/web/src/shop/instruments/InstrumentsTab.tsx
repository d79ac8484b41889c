import type { Instrument, Misbehaviour, Stock } from '@anvilstone/schema';
import { Choice } from '../../ui/fields.tsx';
import { Button } from '../../ui/Button.tsx';
import { Loading } from '../../ui/Loading.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { TableHead } from '../../ui/TableHead.tsx';
import { moment } from '../../ui/when.ts';
import { AirPanel } from './AirPanel.tsx';
import { useBehaveMutation, useFetchLogMutation, useInstrumentsQuery } from './instrumentsApi.ts';
import { PlacesPanel } from './PlacesPanel.tsx';
import { PrinterPanel } from './PrinterPanel.tsx';

const AGAIN_MS = 3000;
const STATES = {
  answers: { mark: '●', word: 'answers', look: 'text-pass' },
  silent: { mark: '✕', word: 'silent', look: 'text-fail' },
  nonsense: { mark: '!', word: 'implausible', look: 'text-fail' },
  'not-asked': { mark: '–', word: 'not read yet', look: 'text-quiet' },
} as const;
const BEHAVIOURS: readonly { value: Misbehaviour; label: string }[] = [
  { value: 'well', label: 'normal' },
  { value: 'off', label: 'dead' },
  { value: 'drops-out', label: 'disconnects halfway' },
  { value: 'drifts', label: 'drifts' },
  { value: 'nonsense', label: 'sends invalid data' },
];
const KINDS = {
  scale: 'scale',
  'humidity-logger': 'humidity logger',
  supplier: 'price list',
  printer: 'printer',
  'force-gauge': 'force gauge',
  'displacement-gauge': 'displacement gauge',
  thermometer: 'thermometer',
} as const;

/** How every instrument does, what the logger saw, and what the printer is at. */
export function InstrumentsTab({ stock }: { stock: Stock }) {
  const { data: instruments, error } = useInstrumentsQuery(undefined, { pollingInterval: AGAIN_MS });
  const loggers = instruments?.filter(({ kind }) => kind === 'humidity-logger') ?? [];
  const printers = instruments?.filter(({ kind }) => kind === 'printer') ?? [];
  return (
    <div className="flex flex-col gap-4">
      {error !== undefined && <ProblemNotice error={error} />}
      {!instruments && !error && <Loading what="the instruments" />}
      {instruments?.length === 0 && (
        <p className="text-quiet">No instruments: weigh and read by hand, and enter the values.</p>
      )}
      {instruments && instruments.length > 0 && (
        <Panel title="Instruments">
          <table className="-mx-3 w-[calc(100%+1.5rem)] text-sm">
            <TableHead
              headings={['Instrument', 'State', 'Last valid reading', 'Rejected', 'Simulated behaviour', '']}
            />
            <tbody>
              {instruments.map((one) => (
                <InstrumentRow key={one.id} instrument={one} />
              ))}
            </tbody>
          </table>
          <p className="mt-2 text-xs text-quiet">
            Simulated instruments use the same line protocol as real ones. Make one misbehave: saved readings stay, and
            implausible readings are rejected.
          </p>
        </Panel>
      )}
      {loggers.map((one) => (
        <AirPanel key={one.id} logger={one} />
      ))}
      <div className="grid grid-cols-2 narrow:grid-cols-1 items-start gap-4">
        {printers.map((one) => (
          <PrinterPanel key={one.id} printer={one} stock={stock} />
        ))}
        <PlacesPanel places={stock.places} loggers={loggers} />
      </div>
    </div>
  );
}

function InstrumentRow({ instrument }: { instrument: Instrument }) {
  const { id, kind, name, address, state, problem, lastGoodAt, refusedCount, behaviour } = instrument;
  const [behave, { error }] = useBehaveMutation();
  const [fetchLog, { isLoading }] = useFetchLogMutation();
  const { mark, word, look } = STATES[state];
  return (
    <tr className="border-b border-line align-top last:border-0">
      <th scope="row" className="px-3 py-2 text-left">
        {name}
        <span className="block text-xs font-normal text-quiet">
          {KINDS[kind]}, {address}
        </span>
      </th>
      <td className="max-w-80 px-3 py-2">
        <span className={look}>
          <span aria-hidden="true">{mark} </span>
          {word}
        </span>
        {state !== 'answers' && problem && <span className="block text-xs">{problem}.</span>}
        {error !== undefined && <ProblemNotice error={error} />}
      </td>
      <td className="px-3 py-2 whitespace-nowrap">{lastGoodAt === null ? '–' : moment(Date.parse(lastGoodAt))}</td>
      <td className="px-3 py-2">{refusedCount}</td>
      <td className="px-3 py-2">
        {behaviour && (
          <Choice
            label={<span className="sr-only">How {name} behaves</span>}
            value={behaviour}
            options={BEHAVIOURS}
            onChange={(next) => void behave({ id, behaviour: next }).catch(() => undefined)}
          />
        )}
      </td>
      <td className="px-3 py-2">
        {kind === 'humidity-logger' && (
          <Button disabled={isLoading} onClick={() => void fetchLog(id).catch(() => undefined)}>
            Read now
          </Button>
        )}
      </td>
    </tr>
  );
}
