import { goodPartCost, USUAL_SETUP_USD, type GoodPartCost } from '@anvilstone/core/plan';
import { useMemo, useState } from 'react';
import { useBench } from '../parts/bench.ts';
import { Panel } from '../ui/Panel.tsx';
import { QuantityField } from '../ui/QuantityField.tsx';
import { TableHead } from '../ui/TableHead.tsx';
import { ConsumablePanel } from './ConsumablePanel.tsx';
import type { PlanTabProps } from './planTab.ts';
import { usePaid } from './usePaid.tsx';
import { useSay } from '../ui/useSay.ts';

const QUANTITIES = [1, 2, 5, 10, 20, 50, 100] as const;
const usd = (value: number) => (value !== 0 && Math.abs(value) < 0.01 ? '< 0.01' : value.toFixed(2));

/** What one good part costs, every component of it, and how that falls with the batch. */
export function CostTab({ grade, choice }: PlanTabProps) {
  const { library } = useBench();
  const [quantity, setQuantity] = useState(1);
  const [setupUsd, setSetup] = useState(USUAL_SETUP_USD);
  const [supportG, setSupport] = useState(0);
  const [uses, setUses] = useState<number>();
  const [changeOverUsd, setChangeOver] = useState(0);
  const { entry, machine, unlock, strands } = choice;
  const { paid, field: paidField } = usePaid(grade);
  const upgradesUsd = unlock?.priceUsd ?? 0;
  const costAt = useMemo(
    () => (count: number) =>
      goodPartCost(entry, grade, unlock?.machine ?? machine, library.rules, {
        quantity: count,
        setupUsd,
        supportG,
        upgradesUsd,
        changeOverUsd,
        ...(uses === undefined ? {} : { uses }),
        ...(strands ? { strands } : {}),
        ...(paid ? { paid } : {}),
      }),
    [entry, grade, machine, unlock, library, setupUsd, supportG, upgradesUsd, uses, changeOverUsd, strands, paid],
  );
  const cost = costAt(quantity);
  if (!cost)
    return (
      <p className="rounded border border-line bg-surface p-4">
        Its mass, time or price is not known, so neither is its cost. Unknown is not free.
      </p>
    );
  const number = (label: string, value: number, set: (value: number) => void, hint?: string) => (
    <QuantityField
      label={label}
      dimension="ratio"
      value={value}
      bounds={{ minimum: 0, maximum: 1e6 }}
      hint={hint}
      onChange={set}
    />
  );
  return (
    <div className="grid grid-cols-[16rem_minmax(0,1fr)] narrow:grid-cols-1 gap-4">
      <Panel title="The batch" className="self-start">
        <div className="flex flex-col gap-3">
          <QuantityField
            label="Good parts"
            dimension="ratio"
            value={quantity}
            bounds={{ minimum: 1, maximum: 1e6 }}
            onChange={(value) => setQuantity(Math.max(1, Math.round(value)))}
          />
          {paidField}
          {number('Setting up, USD', setupUsd, setSetup, 'once for the batch')}
          {number('Support, g', supportG, setSupport, 'thrown away with each part')}
          <QuantityField
            label="Uses of one part"
            dimension="ratio"
            value={uses}
            bounds={{ exclusiveMinimum: 0, maximum: 1e9 }}
            hint="of a consumable; empty: it is none"
            onChange={setUses}
            onClear={() => setUses(undefined)}
          />
          {uses !== undefined && number('Changing it, USD', changeOverUsd, setChangeOver)}
        </div>
      </Panel>
      <div className="flex min-w-0 flex-col gap-4">
        <Components cost={cost} machineName={machine.name} blocked={choice.fit.verdict === 'blocker' && !unlock} />
        <Panel title="With the batch">
          <table className="-mx-3 w-[calc(100%+1.5rem)] text-sm">
            <TableHead headings={['Good parts', 'One costs, USD', 'All cost, USD', ...(uses ? ['A use, USD'] : [])]} />
            <tbody>
              {QUANTITIES.map((count) => {
                const at = costAt(count)!;
                return (
                  <tr key={count} className="border-b border-line last:border-0">
                    <th scope="row" className="px-3 py-1 text-left font-normal">
                      {count}
                    </th>
                    <td className="px-3 py-1 font-semibold">{usd(at.totalUsd)}</td>
                    <td className="px-3 py-1">{usd(at.totalUsd * count)}</td>
                    {at.perUseUsd !== null && <td className="px-3 py-1">{at.perUseUsd.toPrecision(3)}</td>}
                  </tr>
                );
              })}
            </tbody>
          </table>
        </Panel>
        {uses !== undefined && (
          <ConsumablePanel
            grade={grade}
            one={{ partUsd: cost.totalUsd, changeOverUsd, uses }}
            batch={{ quantity, setupUsd }}
          />
        )}
      </div>
    </div>
  );
}

function Components({ cost, machineName, blocked }: { cost: GoodPartCost; machineName: string; blocked: boolean }) {
  const say = useSay();
  return (
    <Panel title={`One good part: ${usd(cost.totalUsd)} USD`}>
      {blocked && <p className="mb-2 text-fail">This machine cannot print it: the sum is of one that could.</p>}
      <table className="-mx-3 w-[calc(100%+1.5rem)] text-sm">
        <TableHead headings={['Component', 'USD', 'How']} />
        <tbody>
          {cost.components.map(({ id, title, usd: value, how }) => (
            <tr key={id} className="border-b border-line">
              <th scope="row" className="px-3 py-1 text-left font-normal whitespace-nowrap">
                {title}
              </th>
              <td className="px-3 py-1 text-right font-semibold whitespace-nowrap">{usd(value)}</td>
              <td className="px-3 py-1 text-quiet">{say(how)}</td>
            </tr>
          ))}
          <tr>
            <th scope="row" className="px-3 py-1 text-left font-normal">
              Scrap
            </th>
            <td className="px-3 py-1 text-right font-semibold whitespace-nowrap">
              {(100 * cost.scrapShare).toFixed(1)} %
            </td>
            <td className="px-3 py-1 text-quiet">
              {cost.scrapFrom}; what is paid for each print is divided by the share that succeeds
            </td>
          </tr>
        </tbody>
      </table>
      {cost.closedExtraUsd !== null && (
        <p className="mt-2 text-sm">
          {machineName} takes only its maker’s spools: at this grade’s open price a part would cost{' '}
          <strong>{cost.closedExtraUsd.toFixed(2)} USD</strong> {cost.closedExtraUsd >= 0 ? 'less' : 'more'}.
        </p>
      )}
      {cost.perUseUsd !== null && (
        <p className="mt-2 text-sm">
          A use costs <strong>{cost.perUseUsd.toPrecision(3)} USD</strong>, changing the part with it.
        </p>
      )}
      <p className="mt-2 text-xs text-quiet">
        The shortlist counts filament, machine, labour and the house’s scrap; drying, wear, setting up, upgrades and the
        machine’s own scrap come on top here.
      </p>
    </Panel>
  );
}
