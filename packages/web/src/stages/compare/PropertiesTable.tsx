import type { Comparison, PropertyCell, PropertyRow } from '@anvilstone/core/decisions';
import { PROPERTY_DEFINITIONS, PROPERTY_GROUPS } from '@anvilstone/core/materials';
import { Link } from 'react-router';
import { useAppSelector } from '../../sync/store/store.ts';
import { differenceText, propertyText } from '../../library/grades/propertyText.ts';
import { Evidence } from '../../ui/Reserve.tsx';
import { FinalistsHead } from './FinalistsHead.tsx';

/** Every property at one condition a row, as the checks use them; what may not be held against the base says why. */
export function PropertiesTable({ comparison }: { comparison: Comparison }) {
  const { finalists, properties } = comparison;
  const base = finalists[0]!;
  return (
    <section
      aria-label="Properties at equal conditions"
      className="overflow-x-auto rounded-md border border-line bg-surface"
    >
      <header className="flex items-baseline justify-between gap-4 border-b border-line px-4 py-2">
        <h2 className="text-sm">Properties at equal conditions</h2>
        <p className="text-xs text-quiet">
          Each row is adjusted to one condition by documented factors; percentages are of {base.name}.
          {finalists.slice(1).map(({ gradeId, letter }) => (
            <Link
              key={gradeId}
              to={`/grades/compare?first=${base.gradeId}&second=${gradeId}`}
              className="ml-2 underline print:hidden"
            >
              {base.letter} and {letter} as reported
            </Link>
          ))}
        </p>
      </header>
      <table className="w-full table-fixed text-sm">
        <FinalistsHead finalists={finalists} first="Property and condition" />
        {PROPERTY_GROUPS.map((group) => {
          const rows = properties.filter(({ property }) => PROPERTY_DEFINITIONS[property].group === group);
          if (rows.length === 0) return null;
          return (
            <tbody key={group}>
              {rows.map((row) => (
                <Row key={row.id} row={row} />
              ))}
            </tbody>
          );
        })}
      </table>
    </section>
  );
}

function Row({ row }: { row: PropertyRow }) {
  return (
    <tr className="border-t border-line align-top">
      <th scope="row" className="px-3 py-1 text-left font-normal">
        {row.title} <span className="text-xs text-quiet">{row.condition}</span>
      </th>
      {row.cells.map((cell, i) => (
        <td key={i} className="px-3 py-1">
          <Cell cell={cell} row={row} />
        </td>
      ))}
    </tr>
  );
}

function Cell({ cell, row }: { cell: PropertyCell; row: PropertyRow }) {
  const units = useAppSelector((state) => state.settings.units);
  if (cell.value === null) return <span className="text-unknown">unknown</span>;
  return (
    <>
      {propertyText(cell.value, row.property, units)} <Evidence evidence={cell.evidence} />
      <AgainstBase cell={cell} />
    </>
  );
}

function AgainstBase({ cell: { against } }: { cell: PropertyCell }) {
  switch (against.kind) {
    case 'percent':
      return <span className="ml-1.5 text-xs text-quiet">{differenceText(against.percent)}</span>;
    case 'kelvin': {
      const kelvin = Math.round(against.kelvin * 10) / 10;
      const text = kelvin === 0 ? 'equal' : `${kelvin > 0 ? '+ ' : '− '}${Math.abs(kelvin)} K`;
      return <span className="ml-1.5 text-xs text-quiet">{text}</span>;
    }
    case 'decades': {
      const decades = Math.round(against.decades * 10) / 10;
      const text = decades === 0 ? 'equal' : `${decades > 0 ? '+ ' : '− '}${Math.abs(decades)} decades`;
      return <span className="ml-1.5 text-xs text-quiet">{text}</span>;
    }
    case 'class':
      return against.equal ? <span className="ml-1.5 text-xs text-quiet">equal</span> : null;
    case 'refused':
      return (
        <span className="block text-xs text-fail">
          ✕ Not comparable: <span className="text-quiet">{against.why}</span>
        </span>
      );
    default:
      return null;
  }
}
