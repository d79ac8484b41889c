import { findCheck } from '@anvilstone/core/checks';
import { builtAs } from '@anvilstone/core/shapes';
import type { GradeEvaluation } from '@anvilstone/schema';
import { useCallback, useMemo } from 'react';
import { usePartContext } from '../../parts/partContext.ts';
import type { Sort, TableColumn } from '../../../ui/table/tableColumn.ts';
import { VirtualTable } from '../../../ui/table/VirtualTable.tsx';
import { TERMS } from '../../../ui/terms.ts';
import type { Shortlist } from '../../../workers/leaders.ts';
import { MatrixRow, ROW_PX } from './MatrixRow.tsx';
import type { Chances } from '../confidence/useChances.ts';

const GROUP_PX = 30;

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
  const { checkIds } = shortlist;
  const columns = useMemo(
    (): readonly TableColumn<Line>[] => [
      { id: 'rank', title: 'Rank', isUntitled: true, px: 36 },
      { id: 'grade', title: 'Grade and orientation', px: 212, staysAtPx: 0 },
      { id: 'cost', title: 'Cost per part', px: 122, isRight: true, sorts: 'rising' },
      { id: 'chance', title: 'Probability', means: TERMS.chance, px: 74, isRight: true },
      ...checkIds.map((id): TableColumn<Line> => {
        const { title = id, asks } = findCheck(id) ?? {};
        return { id, title, means: asks, px: 79, shares: true, sorts: 'falling' };
      }),
    ],
    [checkIds],
  );
  const look = useCallback(
    (inSight: readonly Line[]) => onLook(inSight.flatMap((line) => (line.kind === 'row' ? [line.id] : []))),
    [onLook],
  );
  return (
    <VirtualTable
      label="Reserves"
      className="max-h-[calc(100vh-18.5rem)] min-h-80"
      columns={columns}
      rows={lines}
      rowPx={({ kind }) => (kind === 'group' ? GROUP_PX : ROW_PX)}
      overscan={4}
      sort={sort}
      onSort={onSort}
      mayUnsort
      onLook={look}
      whole={whole}
      empty={<p className="p-4 text-quiet">No grade has these words in its name, maker or family.</p>}
    >
      {({ original: line }, index) => {
        if (line.kind === 'group')
          return (
            <tr key={`group ${line.title}`} style={{ height: GROUP_PX }} className="bg-sunken">
              <th
                scope="rowgroup"
                colSpan={columns.length}
                className="border-b border-line px-2 text-left text-xs font-semibold"
              >
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
      }}
    </VirtualTable>
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
