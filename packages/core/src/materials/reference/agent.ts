import type { Agent, AgentRecord } from '@anvilstone/schema';
import file from './data/agents.json' with { type: 'json' };

/** What an agent does to a family: bare, unfilled, lightly loaded. Screening only; unknown never passes. */
export type FamilyRating = AgentRecord;

export const agents = file.agents as unknown as readonly Agent[];
export const agentStatement: string = file.about.statement;
const byId = new Map(agents.map((agent) => [agent.id, agent]));
export const findAgent = (id: string): Agent | undefined => byId.get(id);
