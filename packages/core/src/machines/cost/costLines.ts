import type { Statement } from '@anvilstone/schema';
import { countWords, formatNumber as f, say, grams } from '@anvilstone/core/foundations';
import { DRYER_HOUR_USD, NOZZLE_USD, type Cost, type CostInput } from './cost.ts';
import { NOZZLE_LIFE_G } from '../fit/handlingFindings.ts';
import { scrapSource } from './scrap.ts';

/** What a chart joins the components to. */
export const COST_GROUPS = ['Filament', 'Machine', 'Labour and set-up', 'Failed prints'] as const;

/** Every component of the cost of a good part, in the order in which it is shown, with its group. */
export const COST_COMPONENTS = [
  { id: 'filament', title: 'Filament', group: 0, usd: (cost: Cost) => cost.filamentUsd },
  { id: 'strands', title: 'Strands', group: 0, usd: (cost: Cost) => cost.strandUsd ?? 0 },
  { id: 'machine', title: 'Machine time', group: 1, usd: (cost: Cost) => cost.machineUsd },
  { id: 'drying', title: 'Drying', group: 0, usd: (cost: Cost) => cost.dryingUsd },
  { id: 'nozzle', title: 'Nozzle wear', group: 1, usd: (cost: Cost) => cost.nozzleUsd },
  { id: 'labour', title: 'Labour', group: 2, usd: (cost: Cost) => cost.labourUsd },
  { id: 'scrap', title: 'Failed prints', group: 3, usd: (cost: Cost) => cost.scrapUsd },
  { id: 'setup', title: 'Set-up', group: 2, usd: (cost: Cost) => cost.setupUsd },
] as const;
export type CostComponentId = (typeof COST_COMPONENTS)[number]['id'];

/** Where a price per kilogram is from. */
export const PRICE_SOURCES = { list: 'list price', family: 'typical of its family', closed: 'closed supply' } as const;
export type PriceSource = keyof typeof PRICE_SOURCES;

export interface CostLine {
  id: CostComponentId;
  title: string;
  usd: number;
  how: Statement;
}

/** The components that are there, each with its arithmetic. They add up to the total. */
export function costLines(cost: Cost, input: CostInput, priceFrom: PriceSource): CostLine[] {
  const how = howOf(cost, input, priceFrom);
  return COST_COMPONENTS.filter(({ id }) => id !== 'strands' || cost.strandUsd !== undefined).map(
    ({ id, title, usd }) => ({ id, title, usd: usd(cost), how: how[id] }),
  );
}

function howOf(cost: Cost, input: CostInput, priceFrom: PriceSource): Record<CostComponentId, Statement> {
  const { fibre, filament, machine, rules, lot, failShare = 0 } = input;
  const { filamentG, printTimeH, scrapShare, quantity } = cost;
  const printedG = Math.max(0, input.massG - (fibre?.massG ?? 0));
  const supportG = lot?.supportG ?? 0;
  const hourUsd = rules.machineHourUsd ?? machine.hourlyRateUsd;
  const nozzleUsd = NOZZLE_USD[machine.nozzleMaterial];
  return {
    filament: say`${grams(printedG)}${supportG > 0 ? say` and ${grams(supportG)} of support` : ''}, ${f(100 * rules.purgeShare)} % purge, ${f(filament.pricePerKgUsd)} USD/kg (${PRICE_SOURCES[priceFrom]})`,
    strands: say`${grams(fibre?.massG ?? 0)} of continuous fibre, with what cuts lose`,
    machine: `${f(printTimeH)} h at ${f(hourUsd)} USD/h`,
    drying: say`${grams(filamentG)} of a usual spool, which is dried for ${f(filament.dryingH)} h at ${DRYER_HOUR_USD} USD/h`,
    nozzle: filament.abrasive
      ? say`${grams(filamentG)} of abrasive filament through a ${machine.nozzleMaterial} nozzle of ${nozzleUsd} USD that lasts ${grams(NOZZLE_LIFE_G[machine.nozzleMaterial])}`
      : 'this filament does not wear the nozzle',
    labour: 'for each print, company rule',
    scrap: `${f(100 * scrapShare)} % of prints fail: ${scrapSource(machine, rules.scrapShare)}${
      failShare > 0 ? `; ${f(100 * failShare, 2)} % for want of warm air round it` : ''
    }`,
    setup: `${f(cost.setupUsd * quantity)} USD over ${countWords(quantity)} part${quantity === 1 ? '' : 's'}`,
  };
}
