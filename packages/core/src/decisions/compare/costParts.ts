import type { BarChart } from '@anvilstone/core/foundations';
import { COST_COMPONENTS, COST_GROUPS } from '@anvilstone/core/machines';
import type { Finalist } from './finalist.ts';

/** One component of the cost, and what each finalist pays for it, USD; null: its cost is not known. */
export interface CostRow {
  id: string;
  title: string;
  usd: readonly (number | null)[];
}

/** The components that at least one finalist pays for; each finalist’s add up to the cost of a good part. */
export function costRows(finalists: readonly Finalist[]): CostRow[] {
  return COST_COMPONENTS.map(({ id, title, usd }) => ({
    id,
    title,
    usd: finalists.map(({ cost }) => cost && usd(cost)),
  })).filter(({ usd }) => usd.some((amount) => amount !== null && amount > 0));
}

export function costChart(finalists: readonly Finalist[]): BarChart {
  return {
    id: 'cost-of-one-part',
    title: 'Cost of one good part',
    unit: 'USD',
    parts: COST_GROUPS,
    bars: finalists.map(({ letter, name, cost }) => ({
      letter,
      name,
      values: cost
        ? COST_GROUPS.map((_, group) =>
            COST_COMPONENTS.filter((one) => one.group === group).reduce((sum, { usd }) => sum + usd(cost), 0),
          )
        : [],
    })),
  };
}
