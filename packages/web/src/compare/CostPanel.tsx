import { costParts, costPerUseUsd, drawBarChart, drawingSvg, type Comparison } from '@anvilstone/core';
import { useAddress } from '../app/useAddress.ts';
import { DrawingView } from '../charts/DrawingView.tsx';
import { saveFile } from '../charts/saveFile.ts';
import { Button } from '../ui/Button.tsx';
import { Panel } from '../ui/Panel.tsx';
import { QuantityField } from '../ui/QuantityField.tsx';

/** What a part is paid for, and what one use of it costs when it wears out and has to be changed. */
export function CostPanel({ comparison }: { comparison: Comparison }) {
  const { finalists, cost } = comparison;
  const [search, setAddress] = useAddress();
  const uses = positive(search.get('uses'));
  const changeOverUsd = positive(search.get('change')) ?? 0;
  const drawing = drawBarChart(cost);
  const set = (key: string, value: number | null) => setAddress({ [key]: value === null ? null : String(value) }, true);
  const cell = 'px-1 py-1 text-right';
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
            {[...cost.parts, 'Total', ...(uses ? ['A use'] : [])].map((title) => (
              <th key={title} scope="col" className="px-1 font-normal">
                {title}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {finalists.map((finalist) => {
            const parts = costParts(finalist);
            const perUse = uses ? costPerUseUsd(finalist, uses, changeOverUsd) : null;
            return (
              <tr key={finalist.gradeId} className="border-t border-line">
                <th scope="row" className="py-1 text-left font-normal">
                  {finalist.letter} {finalist.name}
                </th>
                {parts ? (
                  <>
                    <td className={cell}>{parts.filamentUsd.toFixed(2)}</td>
                    <td className={cell}>{parts.machineUsd.toFixed(2)}</td>
                    <td className={cell}>{parts.labourUsd.toFixed(2)}</td>
                    <td className={cell}>{parts.scrapUsd.toFixed(2)}</td>
                    <td className={`${cell} font-semibold`}>{parts.totalUsd.toFixed(2)}</td>
                  </>
                ) : (
                  <td colSpan={5} className={`${cell} text-unknown`}>
                    price or mass unknown
                  </td>
                )}
                {uses && <td className={cell}>{perUse === null ? 'unknown' : perUse.toPrecision(3)}</td>}
              </tr>
            );
          })}
        </tbody>
      </table>
      <div className="mt-3 grid grid-cols-2 gap-3 print:hidden">
        <QuantityField
          label="Uses that one part lasts"
          dimension="ratio"
          value={uses ?? undefined}
          bounds={{ minimum: 1, maximum: 1e9 }}
          onChange={(value) => set('uses', value)}
          onClear={() => set('uses', null)}
          hint="for jaws, pads and other parts that wear"
        />
        <QuantityField
          label="Cost of changing it"
          dimension="money"
          value={changeOverUsd}
          bounds={{ minimum: 0, maximum: 1e6 }}
          onChange={(value) => set('change', value)}
        />
      </div>
    </Panel>
  );
}

function positive(text: string | null): number | null {
  const value = Number(text);
  return text !== null && Number.isFinite(value) && value > 0 ? value : null;
}
