import { findCheck } from '@anvilstone/core/checks';
import { builtAs } from '@anvilstone/core/shapes';
import type { GradeEvaluation } from '@anvilstone/schema';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useMemo, useRef } from 'react';
import { usePartContext } from '../../parts/partContext.ts';
import { Term } from '../../../ui/Term.tsx';
import { scrollToEnds } from '../../../ui/scrollToEnds.ts';
import { TERMS } from '../../../ui/terms.ts';
import type { Shortlist } from '../../../workers/leaders.ts';
import { MatrixRow, ROW_PX } from './MatrixRow.tsx';
import { SortHead, type Sort } from './SortHead.tsx';
import type { Chances } from '../confidence/useChances.ts';

const GROUP_PX = 30;
/** Rank, grade, cost and chance; the checks share what is left. Fixed, so that scrolling lays no table out anew. */
const LEFT_COLUMNS_PX = [36, 212, 122, 74];
const CHECK_PX = 79;
const MOST_PRINTED = 250;

type Line =
  | { kind: 'group'; title: string; count: number }
  | { kind: 'row'; id: string; place: number; was: number | undefined };

/** Grades × checks. The governing cell of each row is the warm one; every cell opens its working. */
export function ReservesMatrix({
  shortlist,
  evaluations,
  chances,
  sort,
  pinnedIds,
  decidedId,
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
  /** What was decided last. */
  decidedId?: string | undefined;
  openId: string | null;
  onSort: (sort: Sort | null) => void;
  onPin: (gradeId: string) => void;
  onOpen: (gradeId: string, checkId?: string) => void;
  /** Which rows are in sight, so that they are evaluated. */
  onLook: (ids: readonly string[]) => void;
  /** Every row up to a number that paper bears, as for printing. */
  whole?: boolean;
}) {
  const { brief, library } = usePartContext();
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
      onKeyDown={scrollToEnds}
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
              Grade and orientation
            </th>
            <SortHead id="cost" title="Cost per part" sort={sort} onSort={onSort} right startsRising />
            <th scope="col" className="px-1.5 py-2 text-right font-normal">
              <Term means={TERMS.chance}>Probability</Term>
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
                built={evaluation && builtAs(brief.part, evaluation.best.orientation)}
                chance={evaluation && chances.get(`${line.id} ${evaluation.best.orientation}`)}
                chanceIsOut={evaluation !== undefined && !chances.has(`${line.id} ${evaluation.best.orientation}`)}
                cells={checkIds.length}
                grade={grades.get(line.id)}
                machine={machines.get(evaluation?.best.machineId ?? '')}
                isOpen={openId === line.id}
                isPinned={pinnedIds.includes(line.id)}
                isDecided={decidedId === line.id}
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
