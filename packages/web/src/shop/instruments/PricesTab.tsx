import type { PriceLine, PriceListPreview } from '@anvilstone/schema';
import { useRef, useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { TableHead } from '../../ui/TableHead.tsx';
import type { Workshop } from '../../workers/workshop.ts';
import {
  useInstrumentsQuery,
  useLazySupplierListQuery,
  usePreviewPriceListMutation,
  useTakePricesMutation,
} from './instrumentsApi.ts';

const usable = ({ gradeId, problem, pricePerKgUsd, supply }: PriceLine) =>
  gradeId !== null && problem === undefined && pricePerKgUsd !== null && supply === 'open';
const changes = (line: PriceLine) =>
  usable(line) && (line.beforeUsd === null || Math.abs(line.pricePerKgUsd! - line.beforeUsd) >= 0.01);

const sureOf = (lines: readonly PriceLine[]): ReadonlySet<number> =>
  new Set(lines.filter((line) => changes(line) && line.doubt === undefined).map(({ line }) => line));

/** A supplier’s list held against the library before anything is changed; the prices that were ticked are taken over. */
export function PricesTab({ library }: { library: Workshop }) {
  const { data: instruments } = useInstrumentsQuery();
  const [fetchList, fetched] = useLazySupplierListQuery();
  const [readList, read] = usePreviewPriceListMutation();
  // A list that is fetched again is another one, even with as many lines: what was ticked in the last one is not ticked in it.
  const [shown, setShown] = useState<{ number: number; preview: PriceListPreview }>();
  const setPreview = (preview: PriceListPreview) => setShown((last) => ({ number: (last?.number ?? 0) + 1, preview }));
  const file = useRef<HTMLInputElement>(null);
  const error = fetched.error ?? read.error;
  return (
    <div className="flex flex-col gap-3">
      <div className="flex flex-wrap items-center gap-2">
        {instruments
          ?.filter(({ kind }) => kind === 'supplier')
          .map(({ id, name }) => (
            <Button
              key={id}
              look="primary"
              disabled={fetched.isFetching}
              onClick={() => {
                read.reset();
                void fetchList(id)
                  .unwrap()
                  .then(setPreview)
                  .catch(() => undefined);
              }}
            >
              Fetch: {name}
            </Button>
          ))}
        <Button onClick={() => file.current?.click()}>Read a CSV file</Button>
        <input
          ref={file}
          type="file"
          accept=".csv,text/csv,text/plain"
          className="sr-only"
          aria-label="A supplier’s list as CSV"
          tabIndex={-1}
          onChange={(event) => {
            const chosen = event.target.files?.[0];
            event.target.value = '';
            if (!chosen) return;
            void chosen
              .text()
              .then((text) => readList(text).unwrap())
              .then(setPreview)
              .catch(() => undefined);
          }}
        />
      </div>
      {error !== undefined && <ProblemNotice error={error} />}
      {!shown && (
        <p className="text-sm text-quiet">
          The list needs columns for name, spool price in USD and spool content. Grades are matched by full name.
          Nothing changes until you apply it.
        </p>
      )}
      {shown && <Preview key={shown.number} preview={shown.preview} library={library} />}
    </div>
  );
}

function Preview({ preview: { source, lines }, library }: { preview: PriceListPreview; library: Workshop }) {
  const [ticked, setTicked] = useState<ReadonlySet<number>>(() => sureOf(lines));
  const [take, { error, data, isLoading }] = useTakePricesMutation();
  const tickAll = () => setTicked(sureOf(lines));
  const chosen = lines.filter(({ line }) => ticked.has(line));
  const names = new Map(library.grades.map(({ id, name }) => [id, name]));
  const strangers = lines.filter(({ gradeId, problem }) => gradeId === null && problem === undefined).length;
  return (
    <Panel
      title={`${source}: ${lines.length} articles, ${lines.filter(changes).length} with another price, ${strangers} not in the library`}
      aside={
        <Button
          look="primary"
          disabled={chosen.length === 0 || isLoading || data !== undefined}
          onClick={() =>
            void take({
              source,
              prices: chosen.map(({ gradeId, gradeRevision, pricePerKgUsd }) => ({
                gradeId: gradeId!,
                gradeRevision: gradeRevision!,
                pricePerKgUsd: pricePerKgUsd!,
              })),
            }).catch(() => undefined)
          }
        >
          Apply {chosen.length} price{chosen.length === 1 ? '' : 's'}
        </Button>
      }
    >
      {error !== undefined && <ProblemNotice error={error}>Fetch the list again.</ProblemNotice>}
      {data && (
        <p role="status" className="mb-2 text-pass">
          {data.changed} price{data.changed === 1 ? '' : 's'} applied. Every shortlist uses them; the old prices are in
          each grade’s history.
        </p>
      )}
      <p className="mb-2 flex gap-2 text-sm">
        <Button onClick={tickAll}>Select all without issues</Button>
        <Button look="quiet" onClick={() => setTicked(new Set())}>
          Select none
        </Button>
      </p>
      <table className="-mx-3 w-[calc(100%+1.5rem)] text-sm">
        <TableHead headings={['', 'Article', 'Supplier’s name', 'Spool', 'USD/kg', 'Current', 'Issues']} />
        <tbody>
          {lines.map((line) => (
            <tr key={line.line} className="border-b border-line last:border-0">
              <td className="pl-3">
                <input
                  type="checkbox"
                  className="accent-(--ember)"
                  aria-label={`Apply the price of ${line.name}`}
                  disabled={!usable(line) || data !== undefined}
                  checked={ticked.has(line.line)}
                  onChange={(event) => {
                    const next = new Set(ticked);
                    if (event.target.checked) next.add(line.line);
                    else next.delete(line.line);
                    setTicked(next);
                  }}
                />
              </td>
              <td className="px-3 py-1 text-quiet">{line.article}</td>
              <th scope="row" className="px-3 py-1 text-left font-normal">
                {line.gradeId === null ? line.name : (names.get(line.gradeId) ?? line.name)}
              </th>
              <td className="px-3 py-1 whitespace-nowrap">
                {line.spoolUsd === null ? '?' : line.spoolUsd.toFixed(2)} USD for{' '}
                {line.spoolG === null ? '?' : `${line.spoolG} g`}
              </td>
              <td className="px-3 py-1 font-semibold">
                {line.pricePerKgUsd === null ? '–' : line.pricePerKgUsd.toFixed(2)}
              </td>
              <td className="px-3 py-1">
                {line.beforeUsd === null ? <span className="text-quiet">–</span> : line.beforeUsd.toFixed(2)}
                {line.beforeUsd !== null && line.pricePerKgUsd !== null && changes(line) && (
                  <span className={`text-xs ${line.pricePerKgUsd > line.beforeUsd ? 'text-fail' : 'text-pass'}`}>
                    {' '}
                    {line.pricePerKgUsd > line.beforeUsd ? '+' : '−'}
                    {Math.abs(100 * (line.pricePerKgUsd / line.beforeUsd - 1)).toFixed(1)} %
                  </span>
                )}
              </td>
              <td className="px-3 py-1">
                {line.problem && <span className="text-fail">{line.problem}</span>}
                {line.doubt && <span className="text-unknown">{line.doubt}</span>}
                {line.gradeId === null && !line.problem && <span className="text-quiet">not in the library</span>}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </Panel>
  );
}
