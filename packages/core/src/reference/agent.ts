import file from './data/agents.json' with { type: 'json' };

export type AgentRating = 'resistant' | 'limited' | 'unsuitable' | 'unknown';
export interface FamilyRating {
  rating: AgentRating;
  /** Known to craze or crack under tension in this agent, even where the unstressed rating is better. */
  stressCrack: boolean;
  /** Highest agent temperature the rating holds for, °C; absent: no statement beyond the reference temperature. */
  maxTemperatureC?: number;
  note?: string;
}

/** A chemical agent and what it does to the bare, unfilled, lightly loaded families. Screening only; unknown never passes. */
export interface Agent {
  id: string;
  name: string;
  examples: readonly string[];
  referenceTemperatureC: number;
  handlingCaution: string;
  ratings: Readonly<Record<string, FamilyRating>>;
}

export const agents = file.agents as unknown as readonly Agent[];
export const agentStatement: string = file.about.statement;
const byId = new Map(agents.map((agent) => [agent.id, agent]));
export const findAgent = (id: string): Agent | undefined => byId.get(id);
