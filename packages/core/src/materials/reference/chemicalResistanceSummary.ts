import type { Agent, AgentRecord, FluidContact } from '@anvilstone/schema';
import { families, type Family } from './family.ts';

export type ResistanceGroup = 'resistant' | 'limited' | 'unsuitable' | 'unknown';

/** What a table says of all model families in a fluid, at its temperature and strength. */
export interface ChemicalResistanceSummary {
  groups: Record<ResistanceGroup, Family[]>;
  /** Crack in it under tension, among those that stand it or stand it for a while. */
  cracking: Family[];
}

const TOLERANCE_K = 5;

/**
 * How a family stands in an agent at a temperature: its rating, or unknown where the rating speaks of cooler or weaker
 * fluid only. A bad rating stays bad in weaker and cooler fluid, since nothing says otherwise.
 */
export function ratingAt(
  row: AgentRecord | undefined,
  agent: Agent,
  at: Pick<FluidContact, 'temperatureC' | 'strength'>,
): ResistanceGroup {
  if (!row || row.rating === 'unknown') return 'unknown';
  if (row.rating === 'unsuitable') return 'unsuitable';
  const warmest = row.maxTemperatureC ?? agent.referenceTemperatureC;
  if (at.temperatureC > warmest + TOLERANCE_K || at.strength === 'stronger') return 'unknown';
  return row.rating;
}

export function chemicalResistanceSummary(
  agent: Agent,
  at: Pick<FluidContact, 'temperatureC' | 'strength'>,
): ChemicalResistanceSummary {
  const groups: ChemicalResistanceSummary['groups'] = { resistant: [], limited: [], unsuitable: [], unknown: [] };
  const cracking: Family[] = [];
  for (const family of families) {
    if (family.morphology === 'support') continue;
    const row = agent.ratings[family.id];
    const group = ratingAt(row, agent, at);
    groups[group].push(family);
    if (row?.stressCrack && group !== 'unsuitable') cracking.push(family);
  }
  return { groups, cracking };
}
