import { findCheck, freeSize, type Sized } from '@anvilstone/core';
import { useMemo, useState } from 'react';
import { useAppSelector } from '../app/store.ts';
import { useEdit } from '../brief/editBrief.ts';
import { useBench } from '../parts/bench.ts';
import { amount, duration } from '../ui/amount.ts';
import { Button } from '../ui/Button.tsx';
import { Progress } from '../ui/Progress.tsx';
import { TableHead } from '../ui/TableHead.tsx';
import { useSized } from './useSized.ts';

const ROWS = 60;
type SizedRow = Extract<Sized, { ok: true }>;

/** Every grade at the smallest size that passes every check: what it then weighs, costs and takes, or what blocks it. */
export function SizedTable({ ids }: { ids: readonly string[] }) {
  const { brief, library } = useBench();
  const [stopped, setStopped] = useState(false);
  const [shown, setShown] = useState(ROWS);
  const { title, drawnMm, sized, done, impossible, failure } = useSized(brief, library, ids, stopped);
  const units = useAppSelector((state) => state.settings.units);
  const names = useMemo(() => new Map(library.grades.map(({ id, name }) => [id, name])), [library]);
  const rows = sized
    .filter((one) => one.ok)
    .sort((a, b) => (a.entry.costUsd ?? Infinity) - (b.entry.costUsd ?? Infinity) || a.sizeMm - b.sizeMm);
  const blocked = sized.filter((one) => !one.ok);
  if (impossible)
    return (
      <p className="rounded border border-line bg-surface p-4">
        A measured section belongs to one size, so nothing can grow by itself. Choose a section with dimensions in the
        brief.
      </p>
    );
  if (failure) return <p className="text-fail">{failure}</p>;
  return (
    <>
      <div className="mb-2 flex items-center gap-4 text-sm">
        <p className="grow">
          {title !== '' && (
            <>
              <strong>{title}</strong> grows or shrinks from the drawn {amount(drawnMm, 'mm', units)}, everything else
              stays, until every check just passes; between a fifth and five times of it is sought.
            </>
          )}
        </p>
        {!done && (
          <>
            <Progress share={sized.length / Math.max(1, ids.length)} label={`${sized.length} of ${ids.length} sized`} />
            <Button onClick={() => setStopped(!stopped)}>{stopped ? 'Go on' : 'Stop'}</Button>
          </>
        )}
      </div>
      <div
        className="max-h-[calc(100vh-17rem)] overflow-auto rounded-md border border-line bg-surface"
        tabIndex={0}
        role="region"
        aria-label="Sized to pass"
      >
        <table className="w-full text-sm">
          <TableHead
            headings={[
              'Grade and way up',
              title || 'Size',
              'Mass',
              'Cost',
              'Print time',
              'Height in the print',
              'Then governs',
              'Into the brief',
            ]}
          />
          <tbody>
            {rows.slice(0, shown).map((row) => (
              <Row key={row.gradeId} row={row} name={names.get(row.gradeId) ?? row.gradeId} drawnMm={drawnMm} />
            ))}
            {blocked.slice(0, Math.max(0, shown - rows.length)).map(
              (one) =>
                !one.ok && (
                  <tr key={one.gradeId} className="border-t border-line">
                    <th scope="row" className="px-3 py-1.5 text-left font-semibold">
                      {names.get(one.gradeId)}
                      <span className="block text-xs font-normal text-quiet">{one.orientation}</span>
                    </th>
                    <td colSpan={7} className="px-3 py-1.5 text-fail">
                      Cannot be sized. <span className="text-quiet">{one.why}</span>
                    </td>
                  </tr>
                ),
            )}
          </tbody>
        </table>
        {sized.length > shown && (
          <div className="border-t border-line p-3 text-center">
            <Button onClick={() => setShown(shown + ROWS)}>Show more of {sized.length}</Button>
          </div>
        )}
      </div>
    </>
  );
}

function Row({ row, name, drawnMm }: { row: SizedRow; name: string; drawnMm: number }) {
  const { brief } = useBench();
  const edit = useEdit();
  const units = useAppSelector((state) => state.settings.units);
  const { entry, sizeMm, atSmallest, heightMm } = row;
  const governs = entry.governingCheckId ? findCheck(entry.governingCheckId)?.title : undefined;
  const percent = Math.round(100 * (sizeMm / drawnMm - 1));
  return (
    <tr className="border-t border-line">
      <th scope="row" className="px-3 py-1.5 text-left font-semibold">
        {name}
        <span className="block text-xs font-normal text-quiet">{entry.orientation}</span>
      </th>
      <td className="px-3 py-1.5 whitespace-nowrap">
        {atSmallest ? 'at most ' : ''}
        {amount(sizeMm, 'mm', units)}
        <span className="block text-xs text-quiet">
          {percent === 0 ? 'as drawn' : `${percent > 0 ? '+' : '−'}${Math.abs(percent)} %`}
        </span>
      </td>
      <td className="px-3 py-1.5 whitespace-nowrap">
        {entry.massG === null ? 'unknown' : amount(entry.massG, 'g', units)}
      </td>
      <td className="px-3 py-1.5 whitespace-nowrap">
        {entry.costUsd === null ? 'unknown' : amount(entry.costUsd, 'USD', units)}
      </td>
      <td className="px-3 py-1.5 whitespace-nowrap">{entry.printTimeH ? duration(entry.printTimeH) : 'unknown'}</td>
      <td className="px-3 py-1.5 whitespace-nowrap">{amount(heightMm, 'mm', units)}</td>
      <td className="px-3 py-1.5">{atSmallest ? 'nothing yet' : governs}</td>
      <td className="px-3 py-1.5 text-right">
        <Button
          look="quiet"
          title="Writes it into the brief; undo takes it back"
          aria-label={`Take the size of ${name}`}
          onClick={() => {
            // A little more than just enough, in steps that can be drawn.
            const drawn = Math.ceil(sizeMm * 10) / 10;
            edit({ ...brief, part: freeSize(brief.part)!.with(drawn) }, 'sized');
          }}
        >
          Take this size
        </Button>
      </td>
    </tr>
  );
}
