import { formatNumber } from '@anvilstone/core/foundations';
import { filamentCost, type Cost } from '@anvilstone/core/machines';
import {
  afterPrintingH,
  latestStart,
  lotNeeds,
  readyOn,
  type LotNeeds,
  type MachineChoice,
} from '@anvilstone/core/making';
import { completeRules, findFamily, findReinforcement } from '@anvilstone/core/materials';
import type { Grade } from '@anvilstone/schema';
import { useState } from 'react';
import { useAppSelector } from '../../sync/store/store.ts';
import { usePartContext } from '../parts/partContext.ts';
import { useStockQuery } from '../../shop/spools/spoolsApi.ts';
import { amount, duration } from '../../ui/amount.ts';
import { Panel } from '../../ui/Panel.tsx';
import { day } from '../../ui/when.ts';

const DAY_H = 24;

/** What the lot of the brief takes: money, machine hours, filament to buy, and when it is ready. */
export function LotPanel({ grade, choice, cost }: { grade: Grade; choice: MachineChoice; cost: Cost }) {
  const { brief, library } = usePartContext();
  const units = useAppSelector((state) => state.settings.units);
  const { data: stock } = useStockQuery();
  const { lot = { quantity: 1 } } = brief.asks;
  const rules = completeRules(library.rules);
  const family = findFamily(grade.familyId);
  const filament =
    family && filamentCost({ grade, family, filler: findReinforcement(grade.reinforcementId) }, choice.machine, rules);
  if (!family || !filament) return null;
  const stockG = (stock?.spools ?? [])
    .filter(({ spool }) => spool.gradeId === grade.id && !spool.empty)
    .reduce((sum, { massG }) => sum + massG, 0);
  const needs = lotNeeds({
    cost,
    quantity: lot.quantity,
    stockG,
    dryingH: filament.dryingH,
    afterH: afterPrintingH(brief, family),
    rules,
  });
  const rows: [string, string, string][] = [
    ['Cost', `${needs.totalUsd.toFixed(2)} USD`, `${needs.partUsd.toFixed(2)} USD a part`],
    ['Prints', `${formatNumber(needs.prints)} on average`, `${(100 * cost.scrapShare).toFixed(1)} % of prints fail`],
    [
      'Machine time',
      `${formatNumber(needs.machineH)} h`,
      `${duration(cost.printTimeH)} a print on ${choice.machine.name}`,
    ],
    ['Filament', amount(needs.filamentG, 'g', units), 'with purge, support and failed prints'],
    [
      'To buy',
      needs.toBuyG > 0
        ? `${amount(needs.toBuyG, 'g', units)}, ${needs.spoolsToBuy} usual spool${needs.spoolsToBuy === 1 ? '' : 's'}`
        : 'nothing',
      stock ? `${amount(stockG, 'g', units)} in stock` : 'stock is not known yet',
    ],
    ['Ready', `${duration(needs.days.total * DAY_H)} after the start`, stepsOf(needs)],
  ];
  return (
    <Panel title={`Lot of ${lot.quantity} good part${lot.quantity === 1 ? '' : 's'}`}>
      <dl className="grid grid-cols-[8rem_minmax(0,14rem)_minmax(0,1fr)] gap-x-3 gap-y-1 text-sm">
        {rows.map(([title, value, how]) => (
          <div key={title} className="contents">
            <dt className="text-quiet">{title}</dt>
            <dd className="font-semibold">{value}</dd>
            <dd className="text-quiet">{how}</dd>
          </div>
        ))}
      </dl>
      <Dates needs={needs} readyBy={lot.readyBy} />
    </Panel>
  );
}

function stepsOf({ days }: LotNeeds): string {
  const { drying, printing, after } = days;
  return [
    `dry ${duration(drying * DAY_H)}`,
    `print ${duration(printing * DAY_H)}`,
    ...(after > 0 ? [`anneal or condition over warm water ${duration(after * DAY_H)}`] : []),
  ].join(', ');
}

function Dates({ needs, readyBy }: { needs: LotNeeds; readyBy: string | undefined }) {
  const [today] = useState(() => new Date().toISOString().slice(0, 10));
  const ready = readyOn(today, needs.days.total);
  if (readyBy === undefined) return <p className="mt-2 text-sm">Started today, ready on {day(ready)}.</p>;
  const start = latestStart(readyBy, needs.days.total);
  const late = start < today;
  return (
    <p role="status" className={`mt-2 text-sm ${late ? 'text-fail' : 'text-pass'}`}>
      {late ? '✕' : '✓'} Ready by {day(readyBy)} needs a start by {day(start)}
      {late ? `; started today, it is ready on ${day(ready)}: use a second machine or move the date.` : '.'}
    </p>
  );
}
