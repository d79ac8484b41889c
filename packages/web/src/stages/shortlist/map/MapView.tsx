import { mapAxes } from '@anvilstone/core/evaluation';

import { useMemo, useState } from 'react';
import { useAppSelector } from '../../../sync/store/store.ts';
import type { SetAddress } from '../../../sync/address/useAddress.ts';
import { usePartContext } from '../../parts/partContext.ts';
import { Button } from '../../../ui/Button.tsx';
import { Choice } from '../../../ui/fields.tsx';
import { Loading } from '../../../ui/Loading.tsx';
import { StatusMark } from '../../../ui/Reserve.tsx';

import { useAnswer } from '../../../workers/useAnswer.ts';
import { GradeMapChart } from './GradeMapChart.tsx';
import { axisTitle, axisValue } from './mapScale.ts';

const ROWS = 100;

/** Two things held against each other for every grade; what is brushed, or else the whole, stands in the table beside it. */
export function MapView({
  ids,
  checkIds,
  xId,
  yId,
  pinnedIds,
  onAxes,
  onOpen,
  onPin,
}: {
  /** The grades to be drawn, in the shortlist’s order. */
  ids: readonly string[];
  checkIds: readonly string[];
  xId: string | undefined;
  yId: string | undefined;
  pinnedIds: readonly string[];
  onAxes: SetAddress;
  onOpen: (gradeId: string) => void;
  onPin: (gradeIds: readonly string[]) => void;
}) {
  const { brief, library } = usePartContext();
  const units = useAppSelector((state) => state.settings.units);
  const { value: map } = useAnswer(library, 'map', [brief, xId, yId]);
  const [brushed, setBrushed] = useState<ReadonlySet<string> | null>(null);
  const [at, setAt] = useState<string | null>(null);
  const names = useMemo(() => new Map(library.grades.map(({ id, name }) => [id, name])), [library]);
  const wanted = useMemo(() => new Set(ids), [ids]);
  const points = useMemo(() => (map?.points ?? []).filter(({ gradeId }) => wanted.has(gradeId)), [map, wanted]);
  if (!map) return <Loading what="the map" />;
  const options = mapAxes(brief, checkIds).map(({ id, title }) => ({ value: id, label: title }));
  // The map may still be of the axes before.
  const chosen = (id: string | undefined, shown: string) => options.find(({ value }) => value === id)?.value ?? shown;
  const [x, y] = [chosen(xId, map.x.id), chosen(yId, map.y.id)];
  const byId = new Map(points.map((point) => [point.gradeId, point]));
  const rows = ids.flatMap((id) => {
    const point = byId.get(id);
    return point && (!brushed || brushed.has(id)) ? [point] : [];
  });
  const missing = map.withoutNumber.filter((id) => wanted.has(id)).length;
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_25rem] narrow:grid-cols-1 gap-3">
      <section aria-label="Map" className="rounded-md border border-line bg-surface p-3">
        <div className="flex items-end gap-3">
          <div className="w-52">
            <Choice label="Vertical axis" value={y} options={options} onChange={(id) => onAxes({ y: id })} />
          </div>
          <div className="w-52">
            <Choice label="Horizontal axis" value={x} options={options} onChange={(id) => onAxes({ x: id })} />
          </div>
          {/* Of what was asked for last: the map may not have been drawn since. */}
          <Button
            look="quiet"
            onClick={() => onAxes((newest) => ({ x: newest.get('y') ?? y, y: newest.get('x') ?? x }))}
          >
            Swap
          </Button>
          <p className="grow pb-1 text-right text-xs text-quiet">
            {missing > 0 && `${missing} without a value are not shown.`}
          </p>
        </div>
        <GradeMapChart
          map={{ ...map, points }}
          names={names}
          pinnedIds={pinnedIds}
          brushed={brushed}
          at={at}
          onAt={setAt}
          onBrush={setBrushed}
          onOpen={onOpen}
        />
        <p className="mt-1 text-xs text-quiet">
          Ringed: passing and not dominated. Drag to select, or use the arrow keys: Space selects, Enter opens, Escape
          clears.
        </p>
      </section>
      <section
        aria-label="Grades on the map"
        className="flex max-h-[calc(100vh-17rem)] flex-col rounded-md border border-line bg-surface"
      >
        <div className="flex items-center gap-2 border-b border-line px-3 py-2 text-sm">
          <p role="status" className="grow">
            {brushed ? `${rows.length} selected of ${points.length}` : `All ${points.length}`}
          </p>
          {brushed && rows.length > 0 && (
            <Button onClick={() => onPin(rows.map(({ gradeId }) => gradeId))} disabled={rows.length > 20}>
              Pin {rows.length === 1 ? 'it' : 'these'}
            </Button>
          )}
          {brushed && (
            <Button look="quiet" onClick={() => setBrushed(null)}>
              Clear
            </Button>
          )}
        </div>
        <div className="grow overflow-auto" tabIndex={0} role="region" aria-label="Values">
          <table className="w-full text-sm">
            <thead>
              <tr className="sticky top-0 border-b border-line bg-surface text-left text-xs text-quiet">
                <th scope="col" className="px-3 py-1.5 font-normal">
                  Grade
                </th>
                <th scope="col" className="px-2 py-1.5 text-right font-normal">
                  {axisTitle(map.x, units)}
                </th>
                <th scope="col" className="px-3 py-1.5 text-right font-normal">
                  {axisTitle(map.y, units)}
                </th>
              </tr>
            </thead>
            <tbody>
              {rows.slice(0, ROWS).map((point) => (
                <tr
                  key={point.gradeId}
                  className={`border-b border-line last:border-0 ${at === point.gradeId ? 'bg-ember-ground' : 'hover:bg-sunken'}`}
                  onMouseEnter={() => setAt(point.gradeId)}
                  onMouseLeave={() => setAt(null)}
                >
                  <th scope="row" className="px-3 py-1 text-left font-normal">
                    <button
                      type="button"
                      className="text-left font-semibold hover:underline"
                      onClick={() => onOpen(point.gradeId)}
                    >
                      {names.get(point.gradeId)}
                    </button>
                    <span className="flex items-center gap-1 text-xs text-quiet">
                      <StatusMark status={point.status} />
                      {point.status === 'pass' ? 'passes' : point.status === 'fail' ? 'fails' : 'unknown'}
                      {point.undominated && ', not dominated'}
                    </span>
                  </th>
                  <td className="px-2 py-1 text-right whitespace-nowrap">{axisValue(map.x, point.x, units)}</td>
                  <td className="px-3 py-1 text-right whitespace-nowrap">{axisValue(map.y, point.y, units)}</td>
                </tr>
              ))}
            </tbody>
          </table>
          {rows.length > ROWS && (
            <p className="p-3 text-xs text-quiet">The first {ROWS} are shown; select a region to see others.</p>
          )}
        </div>
      </section>
    </div>
  );
}
