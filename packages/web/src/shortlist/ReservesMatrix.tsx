import { findCheck, MERIT_CRITERIA, type Chance, type Merit, type UnitSystem, formatReserve } from '@anvilstone/core';
import type { CheckResult, Grade, GradeEvaluation } from '@anvilstone/schema';
import { useVirtualizer } from '@tanstack/react-virtual';
import { memo, useEffect, useMemo, useRef } from 'react';
import { useAppSelector } from '../app/store.ts';
import { useBench } from '../parts/bench.ts';
import { amount } from '../ui/amount.ts';
import { Evidence, Reserve, statusWords } from '../ui/Reserve.tsx';
import { Term } from '../ui/Term.tsx';
import { TERMS } from '../ui/terms.ts';
import type { Shortlist } from '../workers/leaders.ts';
import { rejectionReasons } from '@anvilstone/core';
import { percent } from './percent.ts';
import { SortHead, type Sort } from './SortHead.tsx';
import type { Chances } from './useChances.ts';
import { useSay } from '../ui/useSay.ts';

/** Every row is as high as the tallest, so that thousands can be scrolled without measuring one. */
const ROW_PX = 64;
const GROUP_PX = 30;
/** Rank, grade, cost and chance; the checks share what is left. Fixed, so that scrolling lays no table out anew. */
const LEFT_COLUMNS_PX = [36, 216, 124, 62];
const CHECK_PX = 79;
const MOST_PRINTED = 250;

type Line =
  { kind: 'group'; title: string; count: number } | { kind: 'row'; id: string; place: number; was: number | undefined };

/** Grades × checks. The governing cell of each row is the warm one; every cell opens its working. */
export function ReservesMatrix({
  shortlist,
  evaluations,
  chances,
  sort,
  pinnedIds,
  openId,
  onSort,
  onPin,
  onOpen,
  onLook,
  whole = false,
}: {
  shortlist: Shortlist;
  evaluations: ReadonlyMap<string, GradeEvaluation>;
  chances: Chances;
  sort: Sort | null;
  pinnedIds: readonly string[];
  openId: string | null;
  onSort: (sort: Sort | null) => void;
  onPin: (gradeId: string) => void;
  onOpen: (gradeId: string, checkId?: string) => void;
  /** Which rows are in sight, so that they are evaluated. */
  onLook: (ids: readonly string[]) => void;
  /** Every row up to a number that paper bears, as for printing. */
  whole?: boolean;
}) {
  const { library } = useBench();
  const grades = useMemo(() => new Map(library.grades.map((grade) => [grade.id, grade])), [library]);
  const machines = useMemo(() => new Map(library.machines.map((machine) => [machine.id, machine.name])), [library]);
  const lines = useMemo(() => linesOf(shortlist), [shortlist]);
  const scroller = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count: lines.length,
    getScrollElement: () => scroller.current,
    estimateSize: (index) => (lines[index]?.kind === 'group' ? GROUP_PX : ROW_PX),
    overscan: 4,
  });
  useEffect(() => virtual.measure(), [lines, virtual]);
  const inView = virtual.getVirtualItems();
  const first = whole ? 0 : (inView[0]?.index ?? 0);
  const last = whole ? Math.min(lines.length, MOST_PRINTED) - 1 : (inView.at(-1)?.index ?? 0);
  const shown = whole ? lines.slice(0, MOST_PRINTED).map((_, index) => ({ index })) : inView;
  useEffect(() => {
    onLook(lines.slice(first, last + 1).flatMap((line) => (line.kind === 'row' ? [line.id] : [])));
  }, [lines, first, last, onLook]);
  const { checkIds } = shortlist;
  const span = checkIds.length + 4;
  const above = whole ? 0 : (inView[0]?.start ?? 0);
  const below = whole ? 0 : virtual.getTotalSize() - (inView.at(-1)?.end ?? 0);
  return (
    <div
      ref={scroller}
      className="max-h-[calc(100vh-18.5rem)] min-h-80 overflow-auto rounded-md border border-line bg-surface print:max-h-none print:overflow-visible print:border-0"
      tabIndex={0}
      role="region"
      aria-label="Reserves"
    >
      <table
        className="w-full table-fixed text-sm"
        style={{ minWidth: LEFT_COLUMNS_PX.reduce((a, b) => a + b) + checkIds.length * CHECK_PX }}
        aria-rowcount={lines.length + 1}
      >
        <colgroup>
          {LEFT_COLUMNS_PX.map((width, i) => (
            <col key={i} style={{ width }} />
          ))}
          {checkIds.map((id) => (
            <col key={id} />
          ))}
        </colgroup>
        <thead>
          <tr className="sticky top-0 z-20 bg-surface text-left align-bottom text-xs text-quiet shadow-[0_1px_0_var(--line-strong)]">
            <th scope="col" className="w-8 px-2 py-2 font-normal">
              <span className="sr-only">Rank</span>
            </th>
            <th scope="col" className="sticky left-0 z-10 bg-surface px-2 py-2 font-normal">
              Grade and way up
            </th>
            <SortHead id="cost" title="One part" sort={sort} onSort={onSort} right startsRising />
            <th scope="col" className="px-1.5 py-2 text-right font-normal">
              <Term means={TERMS.chance}>Chance</Term>
            </th>
            {checkIds.map((id) => (
              <SortHead
                key={id}
                id={id}
                title={findCheck(id)?.title ?? id}
                means={findCheck(id)?.asks}
                sort={sort}
                onSort={onSort}
              />
            ))}
          </tr>
        </thead>
        <tbody>
          <Spacer height={above} span={span} />
          {shown.map(({ index }) => {
            const line = lines[index]!;
            if (line.kind === 'group')
              return (
                <tr key={`group ${line.title}`} style={{ height: GROUP_PX }} className="border-b border-line bg-sunken">
                  <th scope="rowgroup" colSpan={span} className="px-2 text-left text-xs font-semibold">
                    <span className="sticky left-2">
                      {line.title} <span className="font-normal text-quiet">({line.count})</span>
                    </span>
                  </th>
                </tr>
              );
            const evaluation = evaluations.get(line.id);
            return (
              <MatrixRow
                key={line.id}
                index={index}
                gradeId={line.id}
                place={line.place}
                was={line.was}
                merit={shortlist.merits?.get(line.id)}
                evaluation={evaluation}
                chance={evaluation && chances.get(`${line.id} ${evaluation.best.orientation}`)}
                chanceIsOut={evaluation !== undefined && !chances.has(`${line.id} ${evaluation.best.orientation}`)}
                cells={checkIds.length}
                grade={grades.get(line.id)}
                machine={machines.get(evaluation?.best.machineId ?? '')}
                isOpen={openId === line.id}
                isPinned={pinnedIds.includes(line.id)}
                onOpen={onOpen}
                onPin={onPin}
              />
            );
          })}
          <Spacer height={below} span={span} />
        </tbody>
      </table>
      {shown.length < lines.length && (
        <p className="mt-2 hidden text-xs text-quiet print:block">
          {shown.length} of {lines.length} rows, as they stood on the screen; “Print the whole list” prints every one.
        </p>
      )}
      {lines.length === 0 && <p className="p-4 text-quiet">No grade has these words in its name, maker or family.</p>}
    </div>
  );
}

function linesOf({ ids, places, otherPlaces, groups }: Shortlist): Line[] {
  const starts = new Map(groups.map((group) => [group.from, group]));
  return ids.flatMap((id, index): Line[] => {
    const group = starts.get(index);
    const row: Line = { kind: 'row', id, place: places[index]!, was: otherPlaces[index] };
    return group ? [{ kind: 'group', title: group.title, count: group.count }, row] : [row];
  });
}

/** Holds the place of the rows that are out of sight. */
function Spacer({ height, span }: { height: number; span: number }) {
  if (height <= 0) return null;
  return (
    <tr aria-hidden="true" className="print:hidden">
      <td colSpan={span} style={{ height, padding: 0 }} />
    </tr>
  );
}

/** Scrolling touches no row that stays: thousands of cells would else be made anew at each frame. */
const MatrixRow = memo(function MatrixRow({
  index,
  gradeId,
  place,
  was,
  merit,
  evaluation,
  chance,
  chanceIsOut,
  cells,
  grade,
  machine,
  isOpen,
  isPinned,
  onOpen,
  onPin,
}: {
  index: number;
  gradeId: string;
  place: number;
  /** Place in the school before; undefined: none to compare with. */
  was: number | undefined;
  merit: Merit | undefined;
  evaluation: GradeEvaluation | undefined;
  /** Undefined: not known, or not worked out yet. */
  chance: Chance | undefined;
  chanceIsOut: boolean;
  cells: number;
  grade: Grade | undefined;
  machine: string | undefined;
  isOpen: boolean;
  isPinned: boolean;
  onOpen: (gradeId: string, checkId?: string) => void;
  onPin: (gradeId: string) => void;
}) {
  const units = useAppSelector((state) => state.settings.units);
  const best = evaluation?.best;
  const say = useSay();
  const why = !best || best.status === 'pass' ? [] : rejectionReasons(best).map(say);
  const name = grade?.name ?? gradeId;
  return (
    <tr
      aria-rowindex={index + 2}
      style={{ height: ROW_PX }}
      className={`border-b border-line last:border-0 ${isOpen ? 'bg-ember-ground' : 'hover:bg-sunken'}`}
    >
      <td className="px-1 text-center text-quiet">
        {place > 0 ? place : ''}
        <Moved place={place} was={was} />
        <button
          type="button"
          aria-pressed={isPinned}
          aria-label={isPinned ? `Unpin ${name}` : `Pin ${name} to the top`}
          title={isPinned ? 'Unpin' : 'Pin to the top'}
          className={`block w-full print:hidden ${isPinned ? 'text-ember' : 'text-quiet hover:text-ink'}`}
          onClick={() => onPin(gradeId)}
        >
          <svg
            viewBox="0 0 14 14"
            aria-hidden="true"
            className="mx-auto size-3.5 fill-none stroke-current stroke-[1.4]"
          >
            <path d="M4 1.5h6M5 1.5v4L3 8h8L9 5.5v-4M7 8v4.5" className={isPinned ? 'fill-current' : ''} />
          </svg>
        </button>
      </td>
      <th
        scope="row"
        className={`sticky left-0 z-10 max-w-56 print:static px-2 text-left font-normal ${isOpen ? 'bg-ember-ground' : 'bg-surface'}`}
      >
        <button
          type="button"
          className="block max-w-full truncate text-left font-semibold hover:underline"
          onClick={() => onOpen(gradeId)}
        >
          {name}
        </button>
        <span className="block truncate text-xs text-quiet">
          {best ? `${best.orientation}${machine ? `, ${machine}` : ''}` : '…'}
          {merit && best?.status === 'pass' && (
            <span title={meritWords(merit)}> · merit {Math.round(100 * merit.total)}</span>
          )}
        </span>
        {why.length > 0 && (
          <span
            className={`block truncate text-xs ${best!.status === 'unknown' ? 'text-unknown' : 'text-fail'}`}
            title={why.join('\n')}
          >
            {why[0]}
            {why.length > 1 ? ` (+${why.length - 1})` : ''}
          </span>
        )}
      </th>
      {best ? (
        <>
          <td className="px-2 text-right text-xs whitespace-nowrap text-quiet">
            <span className="text-sm text-ink">
              {best.costUsd === null ? 'cost unknown' : amount(best.costUsd, 'USD', units)}
            </span>
            <span className="block">
              {best.massG === null ? 'mass unknown' : amount(best.massG, 'g', units)} ·{' '}
              {heldTo(best.ownHeatLimitC, units)}
            </span>
          </td>
          <ChanceCell chance={chance} isOut={chanceIsOut} />
          {best.checks.map((check) => (
            <Cell
              key={check.checkId}
              check={check}
              governs={check.checkId === best.governingCheckId}
              onOpen={() => onOpen(gradeId, check.checkId)}
            />
          ))}
        </>
      ) : (
        <td colSpan={cells + 2} className="px-2 text-xs text-quiet">
          Working it out …
        </td>
      )}
    </tr>
  );
});

/** Where it stood in the school before, when that is another place. */
function Moved({ place, was }: { place: number; was: number | undefined }) {
  if (was === undefined || was === place) return null;
  const better = place > 0 && (was === 0 || place < was);
  return (
    <span
      className="block text-[0.6875rem] leading-tight whitespace-nowrap"
      title={was === 0 ? 'no place before' : `was ${was}`}
    >
      <span aria-hidden="true">{better ? '▲' : '▼'}</span>
      <span className="sr-only">was </span>
      {was === 0 ? '–' : was}
    </span>
  );
}

const meritWords = ({ scores }: Merit) =>
  MERIT_CRITERIA.map(({ id, title }) => `${title} ${Math.round(100 * scores[id])}`).join(', ');

/** In how many draws of scattering properties and loads every check is met. */
function ChanceCell({ chance, isOut }: { chance: Chance | undefined; isOut: boolean }) {
  if (!chance) return <td className="px-1.5 text-right text-xs text-quiet">{isOut ? '…' : 'unknown'}</td>;
  return (
    <td
      className="px-1.5 text-right whitespace-nowrap"
      title={`Between ${percent(chance.low)} and ${percent(chance.high)} (95 %), ${chance.draws} draws`}
    >
      {percent(chance.all)}
    </td>
  );
}

/** The part's own heat limit in three words. */
function heldTo(limitC: number | null, units: UnitSystem): string {
  if (limitC === null) return 'heat unknown';
  return limitC <= -80 ? 'fails cold too' : `to ${amount(Math.floor(limitC), '°C', units)}`;
}

function Cell({ check, governs, onOpen }: { check: CheckResult; governs: boolean; onOpen: () => void }) {
  const say = useSay();
  const why = check.reason ?? check.gaps[0];
  const said =
    check.reserve === null
      ? statusWords(check.status, check.evidence)
      : `reserve ${formatReserve(check.reserve)}, ${statusWords(check.status, check.evidence)}`;
  const title = findCheck(check.checkId)?.title ?? check.checkId;
  return (
    <td className="px-0.5 py-1">
      <button
        type="button"
        aria-label={`${title}: ${said}${governs ? ', governs' : ''}. Show working`}
        title={why && say(why)}
        className={`inline-flex items-center gap-1 rounded border px-1 py-1 ${governs ? 'border-ember bg-ember-ground font-semibold' : 'border-transparent hover:border-line-strong'}`}
        onClick={onOpen}
      >
        <Reserve reserve={check.reserve} status={check.status} evidence={check.evidence} />
        <Evidence evidence={check.evidence} />
      </button>
    </td>
  );
}
