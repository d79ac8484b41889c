import { Link } from 'react-router';
import { useStockQuery } from '../../../shop/spools/spoolsApi.ts';
import { moment } from '../../../ui/when.ts';

/** What has to go into a dryer before it can be printed, soonest first; nothing when nobody waits. */
export function SpoolsToDry() {
  const { data: stock } = useStockQuery();
  if (!stock) return null;
  const nowMs = Date.parse(stock.at);
  const planned = new Set(stock.schedule.schedule.runs.flatMap(({ loads }) => loads));
  const waiting = stock.spools
    .flatMap(({ spool, clock }) => {
      const wet = clock?.state === 'wet' || clock?.state === 'unknown';
      return spool.need && wet && !spool.empty ? [{ ...spool, need: spool.need }] : [];
    })
    .sort((a, b) => Date.parse(a.need.at) - Date.parse(b.need.at));
  if (waiting.length === 0) return null;
  return (
    <p className="mb-3 rounded border border-unknown bg-unknown-ground px-3 py-2 text-sm text-unknown">
      <Link to="/spools?show=dryers" className="font-semibold underline">
        {waiting.length === 1 ? '1 spool to dry' : `${waiting.length} spools to dry`}
      </Link>
      :{' '}
      {waiting
        .map(
          ({ id, need }) =>
            `${id} by ${moment(Date.parse(need.at), nowMs)} for ${need.what}${planned.has(id) ? ' (planned)' : ''}`,
        )
        .join('; ')}
      .
    </p>
  );
}
