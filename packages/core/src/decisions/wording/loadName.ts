import type { Brief, LoadCombination } from '@anvilstone/schema';
import { featureOfLoad } from '@anvilstone/core/shapes';

type Loads = Pick<Brief, 'loadCases' | 'combinations' | 'features'>;

/** What loads that act at the same time are called: their own name, else “A + B”. */
export const combinationName = ({ name, loadIds }: LoadCombination, { loadCases }: Pick<Brief, 'loadCases'>): string =>
  name ?? loadIds.map((id) => loadCases.find((load) => load.id === id)?.name ?? id).join(' + ');

/** The name of a load, or of loads that act at the same time. Undefined: the brief has neither. */
export function loadName(brief: Loads, id: string | null): string | undefined {
  const feature = featureOfLoad(brief, id);
  const { loadCases, combinations = [] } = feature ?? brief;
  const combination = combinations.find((one) => one.id === id);
  const name = combination
    ? combinationName(combination, { loadCases })
    : loadCases.find((load) => load.id === id)?.name;
  return feature && name !== undefined ? `${feature.name}: ${name}` : name;
}
