import type { Grade } from '@anvilstone/schema';
import { Link } from 'react-router';
import { useAppSelector } from '../../sync/store/store.ts';
import { MoistureMark } from '../../shop/spools/MoistureMark.tsx';
import { useStockQuery } from '../../shop/spools/spoolsApi.ts';
import { amount } from '../../ui/amount.ts';
import { Panel } from '../../ui/Panel.tsx';
import { TableHead } from '../../ui/TableHead.tsx';

/** Spools of a grade in stock: which is dry enough and has enough on it for this part. */
export function StockOfGrade({ grade, massG }: { grade: Grade; massG: number | null }) {
  const units = useAppSelector((state) => state.settings.units);
  const { data: stock } = useStockQuery();
  if (!stock) return null;
  const spools = stock.spools.filter(({ spool }) => spool.gradeId === grade.id && !spool.empty);
  const placeOf = new Map(stock.places.map(({ place }) => [place.id, place.name]));
  return (
    <Panel
      title={
        spools.length === 0
          ? `No spool of ${grade.name} in stock`
          : `${spools.length} spool${spools.length === 1 ? '' : 's'} of ${grade.name} in stock`
      }
      aside={
        <Link to={`/spools/new?grade=${grade.id}`} className="text-sm underline">
          Add one
        </Link>
      }
      className="mb-4"
    >
      {spools.length === 0 ? (
        <p className="text-quiet">
          Below: moisture of a spool after delivery
          {grade.leadTimeDays === undefined ? '' : `; about ${grade.leadTimeDays} days until then`}.
        </p>
      ) : (
        <table className="-mx-3 w-[calc(100%+1.5rem)] text-sm">
          <TableHead headings={['Spool', 'Moisture', 'Left', 'For this part', 'Where']} />
          <tbody>
            {spools.map(({ spool, clock, massG: left }) => (
              <tr key={spool.id} className="border-b border-line last:border-0">
                <th scope="row" className="px-3 py-1 text-left">
                  <Link to={`/spools/${spool.id}`} className="hover:underline">
                    {spool.id}
                  </Link>{' '}
                  <span className="font-normal">{spool.colour}</span>
                </th>
                <td className="px-3 py-1">
                  <MoistureMark clock={clock} />
                </td>
                <td className="px-3 py-1">{amount(left, 'g', units)}</td>
                <td className="px-3 py-1">
                  {massG === null ? (
                    <span className="text-unknown">mass unknown</span>
                  ) : left >= massG ? (
                    <span className="text-pass">enough for {Math.floor(left / massG)}</span>
                  ) : (
                    <span className="text-fail">{amount(massG - left, 'g', units)} short</span>
                  )}
                </td>
                <td className="px-3 py-1">
                  {placeOf.get(spool.placeId ?? '') ?? <span className="text-unknown">unknown location</span>}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </Panel>
  );
}
