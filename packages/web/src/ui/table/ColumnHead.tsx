import type { Header } from '@tanstack/react-table';
import { Term } from '../Term.tsx';
import type { features } from './tableColumn.ts';

const ORDERS = { asc: 'ascending', desc: 'descending', none: 'none' } as const;

/**
 * A heading. One that sorts is pressed once for the likelier way and again for the other; where there is an order that nobody
 * asked for, a third time leads back to it.
 */
export function ColumnHead<T extends object>({ header }: { header: Header<typeof features, T> }) {
  const { column } = header;
  const { title, means, unit, isRight, isUntitled, staysAtPx } = column.columnDef.meta!.column;
  const order = column.getIsSorted() || 'none';
  const side = isRight ? 'text-right' : 'text-left';
  const look = `sticky top-0 border-b border-line-strong bg-sunken px-2 py-1.5 align-bottom text-xs font-normal text-quiet ${side} ${staysAtPx === undefined ? 'z-10' : 'z-20'}`;
  const place = staysAtPx === undefined ? {} : { left: staysAtPx };
  if (!column.getCanSort())
    return (
      <th scope="col" className={look} style={place}>
        {isUntitled ? <span className="sr-only">{title}</span> : means ? <Term means={means}>{title}</Term> : title}
      </th>
    );
  return (
    <th scope="col" aria-sort={ORDERS[order]} className={look} style={place}>
      <button
        type="button"
        title={means}
        className={`${side} hover:text-ink ${order === 'none' ? '' : 'font-semibold text-ink'}`}
        onClick={column.getToggleSortingHandler()}
      >
        {title}
        {unit && <span className="block font-normal text-quiet">{unit}</span>}
        {order !== 'none' && <span aria-hidden="true">{order === 'desc' ? ' ↓' : ' ↑'}</span>}
      </button>
    </th>
  );
}
