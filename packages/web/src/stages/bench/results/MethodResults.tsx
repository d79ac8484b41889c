import type { TestMethod } from '@anvilstone/core/evidence';
import type { BuildOrientation } from '@anvilstone/schema';
import { Link } from 'react-router';
import { useAppSelector } from '../../../sync/store/store.ts';
import { ProblemNotice } from '../../../ui/ProblemNotice.tsx';
import { TableHead } from '../../../ui/TableHead.tsx';
import { useLibrary } from '../../../workers/useLibrary.ts';
import { useMethodResultsQuery } from '../benchApi.ts';
import { outcomeText, WAY_WORDS } from '../words.ts';

/** What came out by this method so far, so that this month can be held against the last. */
export function MethodResults({ method }: { method: TestMethod }) {
  const units = useAppSelector((state) => state.settings.units);
  const { data: results, error } = useMethodResultsQuery(method.id);
  const { library } = useLibrary();
  const [outcome] = method.outcomes;
  if (error !== undefined) return <ProblemNotice error={error} />;
  if (!outcome || !results || results.length === 0) return null;
  const show = (value: number) => outcomeText(value, outcome, units);
  return (
    <section aria-label="Results by this method" className="mt-5 border-t border-line pt-3">
      <h3 className="text-sm">Results so far</h3>
      <table className="-mx-3 w-[calc(100%+1.5rem)] text-sm">
        <TableHead headings={['When', 'Grade', outcome.title, 'n', 'Mean within, 95 %', 'Expected', 'Campaign']} />
        <tbody>
          {results.map((one) => (
            <tr key={`${one.campaignId} ${one.armId}`} className="border-b border-line last:border-0">
              <td className="px-3 py-1 whitespace-nowrap">{one.lastAt.slice(0, 10)}</td>
              <th scope="row" className="px-3 py-1 text-left">
                {library?.grades.find(({ id }) => id === one.gradeId)?.name ?? one.gradeId}
                <span className="block text-xs font-normal text-quiet">
                  {WAY_WORDS[one.orientation as BuildOrientation]}
                </span>
              </th>
              <td className="px-3 py-1">{show(one.mean)}</td>
              <td className="px-3 py-1">{one.n}</td>
              <td className="px-3 py-1">
                {one.low === null || one.high === null || one.n < 3 ? (
                  <span className="text-quiet">too few</span>
                ) : (
                  `${show(one.low)} … ${show(one.high)}`
                )}
              </td>
              <td className="px-3 py-1">{one.predicted === null ? '–' : show(one.predicted)}</td>
              <td className="px-3 py-1">
                <Link to={`/bench/${one.campaignId}?show=results`} className="underline">
                  {one.campaignId}
                </Link>
                {one.accepted && <span className="text-pass"> ● in the library</span>}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
