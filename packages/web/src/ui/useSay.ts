import { inUnits } from '@anvilstone/core/decisions';
import { useAppSelector } from '../sync/store/store.ts';

/** The engine’s own sentences, with their amounts in the reader’s units. */
export function useSay(): (sentence: string) => string {
  const units = useAppSelector((state) => state.settings.units);
  return (sentence) => inUnits(sentence, units);
}
