import { agents as reference } from '@anvilstone/core/materials';
import type { Agent } from '@anvilstone/schema';
import { useOwnAgentsQuery } from './agentsApi.ts';

export interface ListedAgent {
  agent: Agent;
  /** 0: of the reference table. */
  revision: number;
  /** Takes the place of a reference agent of the same id. */
  corrects: boolean;
}

/** Own agents first, then those of the reference table that none of them replaces. */
export function useAgents(): { listed: ListedAgent[] | undefined; error: unknown } {
  const { data, error } = useOwnAgentsQuery();
  if (!data) return { listed: undefined, error };
  const own = data.map(({ agent, revision }) => ({
    agent,
    revision,
    corrects: reference.some(({ id }) => id === agent.id),
  }));
  const replaced = new Set(data.map(({ agent }) => agent.id));
  const rest = reference
    .filter(({ id }) => !replaced.has(id))
    .map((agent) => ({ agent, revision: 0, corrects: false }));
  return { listed: [...own, ...rest], error: undefined };
}
