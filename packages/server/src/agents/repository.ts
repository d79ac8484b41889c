import type { Agent } from '@anvilstone/schema';
import type { Knex } from 'knex';
import { revisionedTable } from '../db/revisionedTable.ts';

export const agentTable = revisionedTable<Agent>('agents');

/** Agents of the workshop's own, by id. */
export async function ownAgents(db: Knex): Promise<Agent[]> {
  return (await agentTable.all(db)).map(({ document }) => document);
}
