import { formatNumber as f } from '@anvilstone/core/foundations';
import type { LoopReport } from '@anvilstone/core/shapes';
import { useAppSelector } from '../../../sync/store/store.ts';
import { amount } from '../../../ui/amount.ts';
import { Panel } from '../../../ui/Panel.tsx';
import { TableHead } from '../../../ui/TableHead.tsx';
import { useSay } from '../../../ui/useSay.ts';

/** What each loop bears by its two legs, and why it cannot be laid where it cannot. */
export function LoopFacts({ loops }: { loops: readonly LoopReport[] }) {
  const units = useAppSelector((state) => state.settings.units);
  const say = useSay();
  return (
    <Panel title="Loop capacity">
      <table className="-mx-3 w-[calc(100%+1.5rem)] text-sm">
        <TableHead headings={['Loop', 'Bears', '× load', 'Stretches', 'Retained after bending', 'Pack', 'Strand']} />
        <tbody>
          {loops.map((loop, i) => (
            <tr key={i} className="border-b border-line last:border-0">
              <th scope="row" className="px-3 py-1 text-left font-normal">
                {loop.name}
              </th>
              {loop.problems.length > 0 ? (
                <td colSpan={6} className="px-3 py-1 text-fail">
                  Cannot be laid: {loop.problems.map(say).join('; ')}.
                </td>
              ) : (
                <>
                  <td className="px-3 py-1 font-semibold whitespace-nowrap">{amount(loop.bearsN, 'N', units)}</td>
                  <td className={`px-3 py-1 ${loop.reserve !== null && loop.reserve < 1 ? 'text-fail' : ''}`}>
                    {loop.reserve === null ? '–' : f(loop.reserve, 3)}
                  </td>
                  <td className="px-3 py-1 whitespace-nowrap">
                    {loop.stretchMm === null ? '–' : amount(loop.stretchMm, 'mm', units)}
                  </td>
                  <td className="px-3 py-1 whitespace-nowrap">{f(100 * loop.bendFactor, 2)} %</td>
                  <td className="px-3 py-1 whitespace-nowrap">
                    {amount(loop.packWidthMm, 'mm', units)} × {amount(loop.packHeightMm, 'mm', units)}
                  </td>
                  <td className="px-3 py-1">
                    {amount(loop.massG, 'g', units)}, {amount(loop.costUsd, 'USD', units)}
                  </td>
                </>
              )}
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-2 text-xs text-quiet">
        Strength along the strand on two legs, less what the innermost bend takes; no safety factor. What brings the
        pull in (the pin, the wall it bears on, the bond of the ends) is not in it: keep the pin’s own check, and prove
        it on the bench. Loops are not part of the plies and not in the input deck.
      </p>
    </Panel>
  );
}
