import { findCheck } from '@anvilstone/core/checks';
import { checksTestedBy, findMethod } from '@anvilstone/core/evidence';
import type { BuildOrientation, Grade, MethodResult } from '@anvilstone/schema';
import { Link } from 'react-router';
import { useAppSelector } from '../../../sync/store/store.ts';
import { TableHead } from '../../../ui/TableHead.tsx';
import { usePartResultsQuery } from '../benchApi.ts';
import { outcomeText, wayOf } from '../words.ts';
import { usePartContext } from '../../parts/partContext.ts';

/** Check by check what was predicted and what was measured for this part. */
export function PredictedPanel({ partId, gradeOf }: { partId: string; gradeOf: ReadonlyMap<string, Grade> }) {
  const { data: results } = usePartResultsQuery(partId);
  if (!results || results.length === 0) return null;
  return (
    <section aria-label="Predicted vs measured">
      <h2 className="mb-2 text-sm">Predicted vs measured</h2>
      <table className="w-full rounded-md border border-line bg-surface text-sm">
        <TableHead
          headings={['Affects', 'Grade', 'Test', 'Predicted', 'Measured', 'Measured ÷ predicted', 'Campaign']}
        />
        <tbody>
          {results.map((one) => (
            <ResultRow
              key={`${one.campaignId} ${one.armId}`}
              result={one}
              name={gradeOf.get(one.gradeId)?.name ?? one.gradeId}
            />
          ))}
        </tbody>
      </table>
    </section>
  );
}

function ResultRow({ result, name }: { result: MethodResult; name: string }) {
  const { part } = usePartContext().brief;
  const units = useAppSelector((state) => state.settings.units);
  const method = findMethod(result.methodId);
  const outcome = method?.outcomes.find(({ id }) => id === result.outcomeId);
  if (!method || !outcome) return null;
  const { predicted, mean, low, high, n, checkId } = result;
  const bearsOn = checkId === undefined ? checksTestedBy(method.id) : [checkId];
  const factor = (value: number) => (value / predicted!).toFixed(2);
  return (
    <tr className="border-b border-line align-top last:border-0">
      <th scope="row" className="max-w-60 px-3 py-1.5 text-left font-normal">
        {bearsOn.map((id) => findCheck(id)?.title ?? id).join(', ')}
      </th>
      <td className="px-3 py-1.5">
        {name}
        <span className="block text-xs text-quiet">{wayOf(method, result.orientation as BuildOrientation, part)}</span>
      </td>
      <td className="px-3 py-1.5">
        {method.title}
        <span className="block text-xs text-quiet">{outcome.title}</span>
      </td>
      <td className="px-3 py-1.5">{predicted === null ? 'not known' : outcomeText(predicted, outcome, units)}</td>
      <td className="px-3 py-1.5">
        {outcomeText(mean, outcome, units)}
        <span className="block text-xs text-quiet">n {n}</span>
      </td>
      <td className="px-3 py-1.5">
        {predicted === null ? '–' : factor(mean)}
        {predicted !== null && low !== null && high !== null && n >= 3 && (
          <span className="block text-xs text-quiet">
            {factor(low)} … {factor(high)}
            {low > predicted || high < predicted ? ', significant' : ', not significant'}
          </span>
        )}
        {n < 3 && <span className="block text-xs text-unknown">too few readings</span>}
      </td>
      <td className="px-3 py-1.5">
        <Link to={`/bench/${result.campaignId}?show=results`} className="underline">
          {result.campaignId}
        </Link>
        {result.accepted && <span className="block text-xs text-pass">● in the library</span>}
      </td>
    </tr>
  );
}
