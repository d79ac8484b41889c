import type { EvaluationEntry } from '@anvilstone/schema';
import { formatQuantity, type UnitSystem } from '@anvilstone/core/foundations';

const FAILS_EVERYWHERE_C = -80;

/** “59 °C, by form”: the service temperature limit and which of the three it is, which older records do not say; “unknown” without one. */
export function heatLimitWords(
  { ownHeatLimitC, ownHeatLimitBy }: Pick<EvaluationEntry, 'ownHeatLimitC' | 'ownHeatLimitBy'>,
  units: UnitSystem,
): string {
  if (ownHeatLimitC === null) return 'unknown';
  if (ownHeatLimitC <= FAILS_EVERYWHERE_C) return 'fails cold too';
  const limit = formatQuantity(Math.floor(ownHeatLimitC), 'temperature', units);
  return ownHeatLimitBy ? `${limit}, by ${ownHeatLimitBy}` : limit;
}

/** The same where there is little room: “limit 59 °C, ageing”. */
export function heatLimitLabel(
  entry: Pick<EvaluationEntry, 'ownHeatLimitC' | 'ownHeatLimitBy'>,
  units: UnitSystem,
): string {
  const words = heatLimitWords(entry, units);
  const { ownHeatLimitC, ownHeatLimitBy } = entry;
  if (ownHeatLimitC === null) return `heat ${words}`;
  if (ownHeatLimitC <= FAILS_EVERYWHERE_C) return words;
  const limit = heatLimitWords({ ownHeatLimitC }, units);
  return ownHeatLimitBy ? `limit ${limit}, ${ownHeatLimitBy}` : `limit ${limit}`;
}
