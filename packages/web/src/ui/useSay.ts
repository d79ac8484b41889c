import { inWords } from '@anvilstone/core/foundations';
import type { Statement } from '@anvilstone/schema';
import { useAppSelector } from '../sync/store/store.ts';

/** What the engine says, in words, with its amounts in the reader’s units. */
export function useSay(): (statement: Statement) => string {
  const units = useAppSelector((state) => state.settings.units);
  return (statement) => inWords(statement, units);
}
