import { useTable, type ColumnDef, type Row, type SortingState } from '@tanstack/react-table';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useMemo, useRef, type ReactNode } from 'react';
import { scrollToEnds } from '../scrollToEnds.ts';
import { ColumnHead } from './ColumnHead.tsx';
import { features, type Sort, type TableColumn } from './tableColumn.ts';

const MOST_PRINTED = 250;

/**
 * Thousands of rows under headings that sort, of which only those in sight are in the page. The order of the rows is the
 * caller's; every row has a height that is known before it is drawn.
 */
export function VirtualTable<T extends object>({
  label,
  columns,
  rows,
  rowPx,
  sort,
  onSort,
  mayUnsort = false,
  onLook,
  whole = false,
  overscan = 8,
  className,
  children,
  empty,
}: {
  label: string;
  columns: readonly TableColumn<T>[];
  rows: readonly T[];
  rowPx: (row: T) => number;
  sort: Sort | null;
  /** Null: back to the order that nobody asked for. */
  onSort: (sort: Sort | null) => void;
  mayUnsort?: boolean;
  /** Which rows are in sight. */
  onLook?: (rows: readonly T[]) => void;
  /** Every row up to a number that paper bears, as for printing. */
  whole?: boolean;
  overscan?: number;
  /** Of the box that scrolls. */
  className: string;
  /** One row, a `tr`. */
  children: (row: Row<typeof features, T>, index: number) => ReactNode;
  empty?: ReactNode;
}) {
  const definitions = useMemo(
    () =>
      columns.map((column): ColumnDef<typeof features, T> => ({
        id: column.id,
        header: column.title,
        // The library sorts only what has a value; here the caller does.
        accessorFn: (row) => row,
        enableSorting: column.sorts !== undefined,
        sortDescFirst: column.sorts === 'falling',
        meta: { column },
      })),
    [columns],
  );
  const sorting: SortingState = sort ? [{ id: sort.by, desc: sort.descending }] : [];
  const table = useTable({
    features,
    columns: definitions,
    data: rows as T[],
    manualSorting: true,
    enableMultiSort: false,
    enableSortingRemoval: mayUnsort,
    state: { sorting },
    onSortingChange: (next) => {
      const [first] = typeof next === 'function' ? next(sorting) : next;
      onSort(first ? { by: first.id, descending: first.desc } : null);
    },
  });
  const { rows: all } = table.getRowModel();
  const scroller = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: (index) => rowPx(rows[index]!),
    overscan,
  });
  useEffect(() => virtual.measure(), [rows, virtual]);
  const inView = virtual.getVirtualItems();
  const first = whole ? 0 : (inView[0]?.index ?? 0);
  const last = whole ? Math.min(rows.length, MOST_PRINTED) - 1 : (inView.at(-1)?.index ?? -1);
  useEffect(() => onLook?.(rows.slice(first, last + 1)), [rows, first, last, onLook]);
  const above = whole ? 0 : (inView[0]?.start ?? 0);
  const below = whole ? 0 : virtual.getTotalSize() - (inView.at(-1)?.end ?? 0);
  return (
    <div
      ref={scroller}
      className={`overflow-auto rounded-md border border-line bg-surface print:max-h-none print:overflow-visible print:border-0 ${className}`}
      tabIndex={0}
      onKeyDown={scrollToEnds}
      role="region"
      aria-label={label}
    >
      <table
        className="w-full table-fixed border-separate border-spacing-0 text-sm"
        style={{ minWidth: columns.reduce((sum, { px }) => sum + px, 0) }}
        aria-rowcount={rows.length + 1}
      >
        {/* Fixed widths, so that scrolling lays no table out anew. */}
        <colgroup>
          {columns.map(({ id, px, shares = false }) => (
            <col key={id} style={shares ? {} : { width: px }} />
          ))}
        </colgroup>
        <thead>
          <tr>
            {table.getFlatHeaders().map((header) => (
              <ColumnHead key={header.id} header={header} />
            ))}
          </tr>
        </thead>
        <tbody>
          <Spacer height={above} span={columns.length} />
          {all.slice(first, last + 1).map((row, i) => children(row, first + i))}
          <Spacer height={below} span={columns.length} />
        </tbody>
      </table>
      {whole && last + 1 < rows.length && (
        <p className="mt-2 hidden text-xs text-quiet print:block">
          {last + 1} of {rows.length} rows, as they stood on the screen; “Print the whole list” prints every one.
        </p>
      )}
      {rows.length === 0 && empty}
    </div>
  );
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
