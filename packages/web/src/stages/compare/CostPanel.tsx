import { costRows, type Comparison } from '@anvilstone/core/decisions';
import { drawBarChart, drawingSvg } from '@anvilstone/core/foundations';
import { costPerUse } from '@anvilstone/core/making';
import { DrawingView } from '../../charts/DrawingView.tsx';
import { saveFile } from '../../charts/saveFile.ts';
import { usePartContext } from '../parts/partContext.ts';
import { Button } from '../../ui/Button.tsx';
import { Panel } from '../../ui/Panel.tsx';

/** What a good part costs, component by component, and what one use of it costs where it is used up. */
export function CostPanel({ comparison }: { comparison: Comparison }) {
  const { finalists, cost } = comparison;
  const { consumable, lot } = usePartContext().brief.asks;
  const drawing = drawBarChart(cost);
  const quantity = lot?.quantity ?? 1;
  const row = (title: string, values: readonly (number | null)[], strong = false) => (
    <tr key={title} className="border-t border-line">
      <th scope="row" className={`py-1 text-left ${strong ? 'font-semibold' : 'font-normal'}`}>
        {title}
      </th>
      {values.map((value, i) => (
        <td key={finalists[i]!.gradeId} className={`px-1 py-1 text-right ${strong ? 'font-semibold' : ''}`}>
          {value === null ? <span className="text-unknown">unknown</span> : shown(value)}
        </td>
      ))}
    </tr>
  );
  const totals = finalists.map(({ entry }) => entry.costUsd);
  return (
    <Panel
      title="Cost of one good part"
      aside={
        <Button
          look="quiet"
          className="print:hidden"
          aria-label="Save “Cost of one good part” as SVG"
          onClick={() => saveFile(`${cost.id}.svg`, 'image/svg+xml', drawingSvg(drawing))}
        >
          SVG
        </Button>
      }
    >
      <DrawingView drawing={drawing} />
      <table className="mt-2 w-full text-sm">
        <thead>
          <tr className="text-right text-xs text-quiet">
            <th scope="col" className="text-left font-normal">
              USD
            </th>
            {finalists.map(({ gradeId, letter, name }) => (
              <th key={gradeId} scope="col" title={name} className="px-1 font-normal">
                {letter}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {costRows(finalists).map(({ title, usd }) => row(title, usd))}
          {row('Total', totals, true)}
          {quantity > 1 &&
            row(
              `Lot of ${quantity}`,
              totals.map((total) => total && total * quantity),
            )}
          {consumable &&
            row(
              'Cost per use, replacement included',
              totals.map((partUsd) => partUsd && costPerUse({ partUsd, ...consumable })),
            )}
        </tbody>
      </table>
      <p className="mt-2 text-xs text-quiet">
        A lot of {quantity}, as the brief says. Uses of a consumable are stated there too.
      </p>
    </Panel>
  );
}

const shown = (usd: number) => (usd !== 0 && Math.abs(usd) < 0.1 ? usd.toPrecision(2) : usd.toFixed(2));
