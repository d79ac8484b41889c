import { lookAlikes } from '@anvilstone/core/making';
import type { Grade, SpoolInStock, Stock } from '@anvilstone/schema';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { useAppSelector } from '../../sync/store/store.ts';
import { API, hereAddress } from '../../sync/address/place.ts';
import { amount } from '../../ui/amount.ts';
import { buttonLook } from '../../ui/buttonLook.ts';
import { Choice, TextField, Tick } from '../../ui/fields.tsx';
import { TableHead } from '../../ui/TableHead.tsx';
import { moment } from '../../ui/when.ts';
import { Empty } from '../../ui/Empty.tsx';
import { LookAlikesPanel } from './LookAlikesPanel.tsx';
import { MoistureMark } from './MoistureMark.tsx';

const HEADINGS = ['', 'Spool', 'Grade', 'Colour', 'Left', 'Moisture', 'Where', 'Needed dry for'];
const STATES = { any: 'any state', wet: 'too moist', unknown: 'not known', usable: 'usable now' } as const;
type Wanted = keyof typeof STATES;

/** Every spool with what is left, how wet it is and where it lies. */
export function StockTab({ stock, gradeOf }: { stock: Stock; gradeOf: ReadonlyMap<string, Grade> }) {
  const [words, setWords] = useState('');
  const [wanted, setWanted] = useState<Wanted>('any');
  const [withEmpty, setWithEmpty] = useState(false);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const placeOf = new Map(stock.places.map(({ place }) => [place.id, place.name]));
  const shown = stock.spools.filter(
    (one) =>
      (withEmpty || !one.spool.empty) &&
      isWanted(one, wanted) &&
      hasWords(one, gradeOf.get(one.spool.gradeId), placeOf.get(one.spool.placeId ?? ''), words),
  );
  const pairs = useMemo(
    () =>
      lookAlikes(
        stock.spools.map(({ spool }) => spool),
        (id) => gradeOf.get(id),
      ),
    [stock, gradeOf],
  );
  const alikes = new Set(pairs.flatMap(({ spoolIds }) => spoolIds));
  const labels = `${API}/spools/labels.pdf?base=${encodeURIComponent(hereAddress())}${chosen.size > 0 ? `&ids=${[...chosen].join(',')}` : ''}`;
  return (
    <>
      <div className="mb-3 flex flex-wrap items-end gap-3">
        <div className="w-56">
          <TextField label="Find" value={words} onChange={setWords} />
        </div>
        <div className="w-40">
          <Choice
            label="Moisture"
            value={wanted}
            options={(Object.keys(STATES) as Wanted[]).map((value) => ({ value, label: STATES[value] }))}
            onChange={setWanted}
          />
        </div>
        <Tick label="show empty" checked={withEmpty} onChange={setWithEmpty} />
        <span className="grow text-sm text-quiet">
          {shown.length} of {stock.spools.length}
        </span>
        <a href={labels} className={buttonLook()}>
          {chosen.size > 0 ? `${chosen.size} label${chosen.size === 1 ? '' : 's'} (PDF)` : 'All labels (PDF)'}
        </a>
        <Link to="/spools/new" className={buttonLook('primary')}>
          Add a spool
        </Link>
      </div>
      {stock.spools.length === 0 ? (
        <Empty>
          No spools yet. Add one from its label, weigh it and set its location; its moisture is then tracked.
        </Empty>
      ) : (
        <table className="w-full rounded-md border border-line bg-surface text-sm">
          <TableHead headings={HEADINGS} />
          <tbody>
            {shown.map((one) => (
              <SpoolRow
                key={one.spool.id}
                one={one}
                grade={gradeOf.get(one.spool.gradeId)}
                place={placeOf.get(one.spool.placeId ?? '')}
                alike={alikes.has(one.spool.id)}
                chosen={chosen.has(one.spool.id)}
                onChoose={(on) =>
                  setChosen(new Set(on ? [...chosen, one.spool.id] : [...chosen].filter((id) => id !== one.spool.id)))
                }
              />
            ))}
          </tbody>
        </table>
      )}
      {stock.spools.length > 0 && shown.length === 0 && (
        <p className="mt-2 text-quiet">No spool matches. Remove a filter.</p>
      )}
      {pairs.length > 0 && <LookAlikesPanel pairs={pairs} />}
    </>
  );
}

function isWanted({ clock }: SpoolInStock, wanted: Wanted): boolean {
  if (wanted === 'any') return true;
  const state = clock?.state ?? 'unknown';
  return wanted === 'usable' ? state === 'dry' || state === 'use-within' : state === wanted;
}

function hasWords(
  { spool }: SpoolInStock,
  grade: Grade | undefined,
  place: string | undefined,
  words: string,
): boolean {
  const text = [spool.id, spool.lot, spool.colour, spool.note, grade?.name, grade?.maker, grade?.familyId, place]
    .join(' ')
    .toLowerCase();
  return words
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.includes(word));
}

function SpoolRow({
  one: { spool, clock, massG, weighedAt },
  grade,
  place,
  alike,
  chosen,
  onChoose,
}: {
  one: SpoolInStock;
  grade: Grade | undefined;
  place: string | undefined;
  alike: boolean;
  chosen: boolean;
  onChoose: (on: boolean) => void;
}) {
  const units = useAppSelector((state) => state.settings.units);
  const share = Math.min(1, massG / spool.netMassG);
  return (
    <tr className={`border-b border-line last:border-0 hover:bg-sunken ${spool.empty ? 'text-quiet' : ''}`}>
      <td className="pl-3">
        <input
          type="checkbox"
          className="accent-(--ember)"
          aria-label={`Label of ${spool.id}`}
          checked={chosen}
          onChange={(event) => onChoose(event.target.checked)}
        />
      </td>
      <th scope="row" className="px-3 py-1.5 text-left whitespace-nowrap">
        <Link to={`/spools/${spool.id}`} className="font-semibold hover:underline">
          {spool.id}
        </Link>
        {alike && (
          <span className="text-unknown" title="Looks like another spool: see below">
            {' '}
            ≈<span className="sr-only">looks like another spool</span>
          </span>
        )}
      </th>
      <td className="px-3">
        {grade ? grade.name : <span className="text-unknown">{spool.gradeId}: no such grade</span>}
        {spool.supply === 'closed' && <span className="block text-xs text-quiet">closed supply</span>}
      </td>
      <td className="px-3">{spool.colour}</td>
      <td className="px-3 whitespace-nowrap">
        <span className="inline-block h-1.5 w-14 rounded bg-sunken outline outline-line" aria-hidden="true">
          <span className="block h-full rounded bg-line-strong" style={{ width: `${100 * share}%` }} />
        </span>{' '}
        {amount(massG, 'g', units)}
        {weighedAt === null && <span className="text-xs text-quiet"> by label</span>}
      </td>
      <td className="px-3">{spool.empty ? 'empty' : <MoistureMark clock={clock} />}</td>
      <td className="px-3">{place ?? <span className="text-unknown">unknown location</span>}</td>
      <td className="px-3">
        {spool.need && (
          <>
            {spool.need.what} <span className="text-quiet">{moment(Date.parse(spool.need.at))}</span>
          </>
        )}
      </td>
    </tr>
  );
}
