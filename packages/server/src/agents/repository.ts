import type { Agent, AgentOfWorkshop } from '@anvilstone/schema';
import type { Knex } from 'knex';

interface Row {
  revision: number;
  document: Agent;
}

/** Agents of the workshop's own, by id. */
export async function ownAgents(db: Knex): Promise<AgentOfWorkshop[]> {
  const rows = await db<Row>('agents').select('revision', 'document').orderBy('id');
  return rows.map(({ revision, document }) => ({ agent: document, revision }));
}

export async function findAgentRecord(db: Knex, id: string): Promise<AgentOfWorkshop | undefined> {
  const row = await db('agents').where({ id }).first<Row | undefined>('revision', 'document');
  return row && { agent: row.document, revision: row.revision };
}

/** Revision 0 adds it. Undefined: the revision is no longer the one that is stored. */
export async function saveAgent(db: Knex, agent: Agent, revision: number): Promise<AgentOfWorkshop | undefined> {
  const document = JSON.stringify(agent);
  const { id } = agent;
  const rows = (await (revision === 0
    ? db('agents').insert({ id, revision: 1, document }).onConflict('id').ignore().returning('revision')
    : db('agents')
        .where({ id, revision })
        .update({ revision: revision + 1, document })
        .returning('revision'))) as { revision: number }[];
  return rows[0] && { agent, revision: rows[0].revision };
}

export async function removeAgent(db: Knex, id: string, revision: number): Promise<boolean> {
  return (await db('agents').where({ id, revision }).delete()) > 0;
}
