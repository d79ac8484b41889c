import { EVIDENCE_CODES, findTableColumn, type LibraryTable } from '@anvilstone/core/evaluation';
import { useMemo, type ReactNode } from 'react';
import { Link } from 'react-router';
import { useAppSelector } from '../../../sync/store/store.ts';
import { Evidence } from '../../../ui/Reserve.tsx';
import type { Sort, TableColumn } from '../../../ui/table/tableColumn.ts';
import { VirtualTable } from '../../../ui/table/VirtualTable.tsx';
import { columnUnit, priceNumber, priceUnit, propertyNumber } from '../propertyText.ts';
import { familyText, fillerText, PRINTABLE_LABELS, shortFiller, type IndexedGrade } from './gradeFilter.ts';

const ROW_PX = 30;
const CHOOSE_PX = 32;

type Column = TableColumn<IndexedGrade>;

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
  const columns = useMemo(
    (): readonly Column[] => [
      { id: 'choose', title: 'Choose', isUntitled: true, px: CHOOSE_PX, staysAtPx: 0 },
      { id: 'name', title: 'Grade', px: 208, staysAtPx: CHOOSE_PX, sorts: 'rising' },
      { id: 'family', title: 'Family, filler', px: 144, sorts: 'rising', cell: familyCell },
      {
        id: 'price',
        title: 'Price',
        unit: priceUnit(units),
        px: 72,
        isRight: true,
        sorts: 'rising',
        cell: ({ grade: { pricePerKgUsd } }) => (pricePerKgUsd === null ? <Gap /> : priceNumber(pricePerKgUsd, units)),
      },
      ...table.columnIds.map((id, i): Column => {
        const column = findTableColumn(id)!;
        return {
          id,
          title: column.title,
          unit: columnUnit(column, units),
          px: 92,
          shares: true,
          isRight: true,
          sorts: 'rising',
          cell: ({ row }) => {
            const evidence = EVIDENCE_CODES[table.evidence[i]![row]!] ?? null;
            if (evidence === null) return <Gap />;
            return (
              <>
                <span className={evidence === 'D' ? 'text-quiet' : ''}>
                  {propertyNumber(table.values[i]![row]!, column.property, units)}
                </span>{' '}
                <Evidence evidence={evidence} />
              </>
            );
          },
        };
      }),
      { id: 'printable', title: 'Printable here', px: 150, cell: ({ row }) => PRINTABLE_LABELS[table.printable[row]!] },
    ],
    [table, units],
  );
  return (
    <VirtualTable
      label="Grades"
      className="min-h-0 grow"
      columns={columns}
      rows={rows}
      rowPx={() => ROW_PX}
      overscan={12}
      sort={sort}
      onSort={(next) => next && onSort(next)}
    >
      {({ original: indexed }, index) => (
        <Row
          key={indexed.grade.id}
          index={index}
          indexed={indexed}
          columns={columns}
          isChosen={chosenIds.includes(indexed.grade.id)}
          onChoose={onChoose}
        />
      )}
    </VirtualTable>
  );
}

function Row({
  index,
  indexed,
  columns,
  isChosen,
  onChoose,
}: {
  index: number;
  indexed: IndexedGrade;
  columns: readonly Column[];
  isChosen: boolean;
  onChoose: (id: string, on: boolean) => void;
}) {
  const { grade } = indexed;
  return (
    <tr aria-rowindex={index + 2} style={{ height: ROW_PX }} className="group">
      <td className="sticky left-0 z-10 border-b border-line bg-surface px-2 align-middle group-hover:bg-sunken">
        <input
          type="checkbox"
          className="block accent-(--ember)"
          aria-label={`Choose ${grade.name}`}
          checked={isChosen}
          onChange={(event) => onChoose(grade.id, event.target.checked)}
        />
      </td>
      <th
        scope="row"
        style={{ left: CHOOSE_PX }}
        className="sticky z-10 truncate border-b border-line bg-surface px-2 text-left font-semibold group-hover:bg-sunken"
      >
        <Link to={`/grades/${grade.id}`} className="hover:underline" title={`${grade.name}, ${grade.maker}`}>
          {grade.name}
        </Link>
      </th>
      {columns.map(
        ({ id, cell, isRight }) =>
          cell && (
            <td
              key={id}
              className={`truncate border-b border-line px-2 group-hover:bg-sunken ${isRight ? 'text-right' : ''}`}
            >
              {cell(indexed)}
            </td>
          ),
      )}
    </tr>
  );
}

const familyCell = ({ grade }: IndexedGrade): ReactNode => (
  <span title={fillerText(grade)}>
    {familyText(grade)}
    {grade.reinforcementId && <span className="text-quiet"> + {shortFiller(grade)}</span>}
  </span>
);

const Gap = () => <span className="text-xs text-unknown">unknown</span>;
