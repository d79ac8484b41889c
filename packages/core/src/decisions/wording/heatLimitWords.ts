import type { EvaluationEntry } from '@anvilstone/schema';
import { formatQuantity, type UnitSystem } from '@anvilstone/core/foundations';

/** What goes first beyond the service temperature limit, in a word or two. */
const LIMITED_BY: Record<NonNullable<EvaluationEntry['ownHeatLimitBy']>, string> = {
  load: 'by load',
  form: 'by form',
  ageing: 'by ageing',
};
const FAILS_EVERYWHERE_C = -80;

/** “59 °C, by form”: the service temperature limit and which of the three it is, which older records do not say; “unknown” without one. */
export function heatLimitWords(
  { ownHeatLimitC, ownHeatLimitBy }: Pick<EvaluationEntry, 'ownHeatLimitC' | 'ownHeatLimitBy'>,
  units: UnitSystem,
): string {
  if (ownHeatLimitC === null) return 'unknown';
  if (ownHeatLimitC <= FAILS_EVERYWHERE_C) return 'fails cold too';
  const limit = formatQuantity(Math.floor(ownHeatLimitC), 'temperature', units);
  return ownHeatLimitBy ? `${limit}, ${LIMITED_BY[ownHeatLimitBy]}` : limit;
}
