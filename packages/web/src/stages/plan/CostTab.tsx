import { atPricePerKgUsd, unitCostUsd, type Cost } from '@anvilstone/core/machines';
import { costPerUse, type MachineChoice } from '@anvilstone/core/making';
import type { Brief } from '@anvilstone/schema';
import { ConsumableFields, LotFields } from '../brief/asks/lotAsks.tsx';
import { useEdit } from '../brief/editBrief.ts';
import { usePartContext } from '../parts/partContext.ts';
import { Button } from '../../ui/Button.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { TableHead } from '../../ui/TableHead.tsx';
import { useSay } from '../../ui/useSay.ts';
import { ConsumablePanel } from './ConsumablePanel.tsx';
import { LotPanel } from './LotPanel.tsx';
import type { PlanTabProps } from './planTab.ts';
import { usePaid } from './usePaid.tsx';

const QUANTITIES = [1, 2, 5, 10, 20, 50, 100] as const;
const usd = (value: number) => (value !== 0 && Math.abs(value) < 0.01 ? '< 0.01' : value.toFixed(2));

/** What one good part costs, every component of it, what the lot takes, and how the cost falls with the lot. */
export function CostTab({ grade, choice }: PlanTabProps) {
  const { brief } = usePartContext();
  const edit = useEdit();
  const { lot = { quantity: 1 }, consumable } = brief.asks;
  const asks = { ...brief.asks, lot };
  const set = (change: Partial<Brief['asks']>) =>
    edit({ ...brief, asks: { ...brief.asks, ...change } }, Object.keys(change).join());
  const { cost } = choice;
  if (!cost)
    return (
      <p className="rounded border border-line bg-surface p-4">
        Mass, print time or price is unknown, so the cost is unknown.
      </p>
    );
  return (
    <div className="grid grid-cols-[17rem_minmax(0,1fr)] narrow:grid-cols-1 gap-4">
      <Panel title="Quantity and use" className="self-start">
        <div className="flex flex-col gap-3 [&>div]:grid-cols-2">
          <LotFields asks={asks} set={set} />
          {consumable ? (
            <ConsumableFields asks={asks} set={set} />
          ) : (
            <Button onClick={() => set({ consumable: { uses: 100, changeOverUsd: 0 } })}>Consumable part</Button>
          )}
          <p className="text-xs text-quiet">Part of the brief: used in the shortlist, the comparison and the record.</p>
        </div>
      </Panel>
      <div className="flex min-w-0 flex-col gap-4">
        <Components cost={cost} choice={choice} />
        <Options choice={choice} cost={cost} grade={grade} />
        <LotPanel grade={grade} choice={choice} cost={cost} />
        <Panel title="Cost by lot size">
          <table className="-mx-3 w-[calc(100%+1.5rem)] text-sm">
            <TableHead
              headings={['Good parts', 'Cost per part, USD', 'Lot, USD', ...(consumable ? ['Cost per use, USD'] : [])]}
            />
            <tbody>
              {QUANTITIES.map((count) => {
                const each = unitCostUsd(cost, count);
                return (
                  <tr key={count} className="border-b border-line last:border-0">
                    <th scope="row" className="px-3 py-1 text-left font-normal">
                      {count}
                    </th>
                    <td className="px-3 py-1 font-semibold">{usd(each)}</td>
                    <td className="px-3 py-1">{usd(each * count)}</td>
                    {consumable && (
                      <td className="px-3 py-1">{costPerUse({ partUsd: each, ...consumable }).toPrecision(3)}</td>
                    )}
                  </tr>
                );
              })}
            </tbody>
          </table>
        </Panel>
        {consumable && <ConsumablePanel grade={grade} one={{ partUsd: cost.totalUsd, ...consumable }} />}
      </div>
    </div>
  );
}

function Components({ cost, choice }: { cost: Cost; choice: MachineChoice }) {
  const say = useSay();
  const { machine, fit, closedExtraUsd, costLines } = choice;
  return (
    <Panel title={`One good part: ${usd(cost.totalUsd)} USD`}>
      {fit.verdict === 'blocker' && (
        <p className="mb-2 text-fail">{machine.name} cannot print it as it is: cost if it could.</p>
      )}
      <table className="-mx-3 w-[calc(100%+1.5rem)] text-sm">
        <TableHead headings={['Component', 'USD', 'Method']} />
        <tbody>
          {costLines.map(({ id, title, usd: value, how }) => (
            <tr key={id} className="border-b border-line last:border-0">
              <th scope="row" className="px-3 py-1 text-left font-normal whitespace-nowrap">
                {title}
              </th>
              <td className="px-3 py-1 text-right font-semibold whitespace-nowrap">{usd(value)}</td>
              <td className="px-3 py-1 text-quiet">{say(how)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {closedExtraUsd !== null && (
        <p className="mt-2 text-sm">
          {machine.name} accepts only its maker’s spools: at the open price of this grade a part would cost{' '}
          <strong>{Math.abs(closedExtraUsd).toFixed(2)} USD</strong> {closedExtraUsd >= 0 ? 'less' : 'more'}.
        </p>
      )}
    </Panel>
  );
}

/** What would change the cost and is not counted in it: a spool bought at another price, upgrades of the machine. */
function Options({ choice, cost, grade }: Pick<PlanTabProps, 'choice' | 'grade'> & { cost: Cost }) {
  const { paid, field } = usePaid(grade);
  const { unlock } = choice;
  const say = useSay();
  if (!field && !unlock) return null;
  const atPaid = paid && atPricePerKgUsd(cost, paid.pricePerKgUsd);
  return (
    <Panel title="Not included">
      <div className="grid grid-cols-2 narrow:grid-cols-1 gap-4 text-sm">
        {field && (
          <div>
            {field}
            {atPaid !== undefined && (
              <p role="status" className="mt-1">
                One good part at that price: <strong>{usd(atPaid)} USD</strong>.
              </p>
            )}
          </div>
        )}
        {unlock && (
          <p>
            {unlock.upgrades.map(({ title }) => say(title)).join('; ')}: about {unlock.priceUsd.toFixed(0)} USD once,{' '}
            <strong>{usd(unlock.priceUsd / cost.quantity)} USD</strong> a part if paid for by this lot alone.
          </p>
        )}
      </div>
    </Panel>
  );
}
