import type { BarChart } from '../drawing/barChart.ts';
import type { Finalist } from './finalist.ts';

/** What a good part is paid for: filament with purge, machine, labour, and the prints that fail. */
export interface CostParts {
  filamentUsd: number;
  machineUsd: number;
  labourUsd: number;
  scrapUsd: number;
  totalUsd: number;
}

export function costParts({ cost }: Finalist): CostParts | null {
  if (!cost) return null;
  const { filamentUsd, machineUsd, labourUsd, totalUsd } = cost;
  return { filamentUsd, machineUsd, labourUsd, totalUsd, scrapUsd: totalUsd - filamentUsd - machineUsd - labourUsd };
}

/** Cost of one use, USD: the part and its change-over over the uses it lasts. Null where the cost is not known. */
export function costPerUseUsd(finalist: Finalist, uses: number, changeOverUsd: number): number | null {
  return finalist.cost === null ? null : (finalist.cost.totalUsd + changeOverUsd) / uses;
}

export function costChart(finalists: readonly Finalist[]): BarChart {
  return {
    id: 'cost-of-one-part',
    title: 'Cost of one good part',
    unit: 'USD',
    parts: ['Filament', 'Machine time', 'Labour', 'Failed prints'],
    bars: finalists.map((finalist) => {
      const parts = costParts(finalist);
      return {
        letter: finalist.letter,
        name: finalist.name,
        values: parts ? [parts.filamentUsd, parts.machineUsd, parts.labourUsd, parts.scrapUsd] : [],
      };
    }),
  };
}
