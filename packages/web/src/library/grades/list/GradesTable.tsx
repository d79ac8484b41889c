import { EVIDENCE_CODES, findTableColumn, type LibraryTable } from '@anvilstone/core/evaluation';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useRef } from 'react';
import { Link } from 'react-router';
import { useAppSelector } from '../../../sync/store/store.ts';
import { Evidence } from '../../../ui/Reserve.tsx';
import { scrollToEnds } from '../../../ui/scrollToEnds.ts';
import { fillerText, shortFiller, PRINTABLE_LABELS, familyText, type IndexedGrade, type Sort } from './gradeFilter.ts';
import { columnUnit, priceNumber, priceUnit, propertyNumber } from '../propertyText.ts';

const ROW_PX = 30;
const FIXED = [
  { id: 'name', title: 'Grade', width: 'w-52' },
  { id: 'family', title: 'Family, filler', width: 'w-36' },
  { id: 'price', title: 'Price', width: 'w-16', right: true },
] as const;

/** Thousands of rows, of which only those in view are in the page. Numbers carry their evidence; a gap is said. */
export function GradesTable({
  rows,
  table,
  sort,
  chosenIds,
  onSort,
  onChoose,
}: {
  rows: readonly IndexedGrade[];
  table: LibraryTable;
  sort: Sort;
  chosenIds: readonly string[];
  onSort: (sort: Sort) => void;
  onChoose: (id: string, on: boolean) => void;
}) {
  const units = useAppSelector((state) => state.settings.units);
  const scroller = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW_PX,
    overscan: 12,
  });
  const columns = table.columnIds.map((id) => findTableColumn(id)!);
  const shown = virtual.getVirtualItems();
  const above = shown[0]?.start ?? 0;
  const below = virtual.getTotalSize() - (shown.at(-1)?.end ?? 0);
  const span = FIXED.length + columns.length + 2;
  return (
    <div
      ref={scroller}
      className="min-h-0 grow overflow-auto rounded-md border border-line bg-surface"
      tabIndex={0}
      onKeyDown={scrollToEnds}
      role="region"
      aria-label="Grades"
    >
      <table className="min-w-full border-separate border-spacing-0 text-sm" aria-rowcount={rows.length + 1}>
        <thead>
          <tr>
            <th className="sticky top-0 left-0 z-20 w-8 max-w-8 min-w-8 border-b border-line bg-sunken">
              <span className="sr-only">Choose</span>
            </th>
            {FIXED.map(({ id, title, width, ...rest }) => (
              <SortHead
                key={id}
                id={id}
                title={title}
                unit={id === 'price' ? priceUnit(units) : ''}
                sort={sort}
                onSort={onSort}
                right={'right' in rest}
                className={`${width} ${id === 'name' ? 'left-8 z-20' : 'z-10'}`}
              />
            ))}
            {columns.map((column) => (
              <SortHead
                key={column.id}
                id={column.id}
                title={column.title}
                unit={columnUnit(column, units)}
                sort={sort}
                onSort={onSort}
                right
                className="z-10 w-22 max-w-26"
              />
            ))}
            <th
              scope="col"
              className="sticky top-0 z-10 border-b border-line bg-sunken px-2 py-1 text-left align-bottom text-xs font-normal text-quiet"
            >
              Printable here
            </th>
          </tr>
        </thead>
        <tbody>
          {above > 0 && <Spacer height={above} span={span} />}
          {shown.map(({ index }) => {
            const { grade, row } = rows[index]!;
            return (
              <tr key={grade.id} aria-rowindex={index + 2} style={{ height: ROW_PX }} className="group">
                <td className="sticky left-0 z-10 w-8 max-w-8 min-w-8 border-b border-line bg-surface px-2 align-middle group-hover:bg-sunken">
                  <input
                    type="checkbox"
                    className="block accent-(--ember)"
                    aria-label={`Choose ${grade.name}`}
                    checked={chosenIds.includes(grade.id)}
                    onChange={(event) => onChoose(grade.id, event.target.checked)}
                  />
                </td>
                <th
                  scope="row"
                  className="sticky left-8 z-10 max-w-52 truncate border-b border-line bg-surface px-2 text-left font-semibold group-hover:bg-sunken"
                >
                  <Link to={`/grades/${grade.id}`} className="hover:underline" title={`${grade.name}, ${grade.maker}`}>
                    {grade.name}
                  </Link>
                </th>
                <td
                  className="max-w-36 truncate border-b border-line px-2 group-hover:bg-sunken"
                  title={fillerText(grade)}
                >
                  {familyText(grade)}
                  {grade.reinforcementId && <span className="text-quiet"> + {shortFiller(grade)}</span>}
                </td>
                <td className="border-b border-line px-2 text-right group-hover:bg-sunken">
                  {grade.pricePerKgUsd === null ? <Gap /> : priceNumber(grade.pricePerKgUsd, units)}
                </td>
                {columns.map((column, i) => {
                  const evidence = EVIDENCE_CODES[table.evidence[i]![row]!] ?? null;
                  return (
                    <td
                      key={column.id}
                      className="border-b border-line px-2 text-right whitespace-nowrap group-hover:bg-sunken"
                    >
                      {evidence === null ? (
                        <Gap />
                      ) : (
                        <>
                          <span className={evidence === 'D' ? 'text-quiet' : ''}>
                            {propertyNumber(table.values[i]![row]!, column.property, units)}
                          </span>{' '}
                          <Evidence evidence={evidence} />
                        </>
                      )}
                    </td>
                  );
                })}
                <td className="border-b border-line px-2 whitespace-nowrap group-hover:bg-sunken">
                  {PRINTABLE_LABELS[table.printable[row]!]}
                </td>
              </tr>
            );
          })}
          {below > 0 && <Spacer height={below} span={span} />}
        </tbody>
      </table>
    </div>
  );
}

function Spacer({ height, span }: { height: number; span: number }) {
  return (
    <tr aria-hidden="true">
      <td colSpan={span} style={{ height, padding: 0 }} />
    </tr>
  );
}

const Gap = () => <span className="text-xs text-unknown">unknown</span>;

function SortHead({
  id,
  title,
  unit = '',
  right = false,
  sort,
  className,
  onSort,
}: {
  id: string;
  title: string;
  unit?: string;
  right?: boolean;
  sort: Sort;
  className: string;
  onSort: (sort: Sort) => void;
}) {
  const active = sort.by === id;
  const order = active ? (sort.descending ? 'descending' : 'ascending') : 'none';
  return (
    <th
      scope="col"
      aria-sort={order}
      className={`sticky top-0 border-b border-line bg-sunken px-2 py-1 align-bottom text-xs font-normal ${right ? 'text-right' : 'text-left'} ${className}`}
    >
      <button
        type="button"
        className={`${right ? 'text-right' : 'text-left'} ${active ? 'font-semibold text-ink' : 'text-quiet hover:text-ink'}`}
        onClick={() => onSort({ by: id, descending: active ? !sort.descending : false })}
      >
        {title}
        {unit && <span className="block font-normal text-quiet">{unit}</span>}
        {active && <span aria-hidden="true">{sort.descending ? ' ▾' : ' ▴'}</span>}
      </button>
    </th>
  );
}
