import type { Brief, LoadCombination } from '@anvilstone/schema';

type Loads = Pick<Brief, 'loadCases' | 'combinations'>;

/** What loads that act at the same time are called: their own name, else “A + B”. */
export const combinationName = ({ name, loadIds }: LoadCombination, { loadCases }: Loads): string =>
  name ?? loadIds.map((id) => loadCases.find((load) => load.id === id)?.name ?? id).join(' + ');

/** The name of a load, or of loads that act at the same time. Undefined: the brief has neither. */
export function loadName(brief: Loads, id: string | null): string | undefined {
  const combination = brief.combinations?.find((one) => one.id === id);
  return combination ? combinationName(combination, brief) : brief.loadCases.find((load) => load.id === id)?.name;
}
