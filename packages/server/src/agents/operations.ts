import { agentRecord, type AgentOfWorkshop } from '@anvilstone/schema';
import { findFamily } from '@anvilstone/core';
import { Type } from '@sinclair/typebox';
import type { Knex } from 'knex';
import type { Operation } from '../http/operation.ts';
import { conflict, invalidInput, notFound } from '../http/problems.ts';
import { requiredRevision } from '../http/query.ts';
import { findAgentRecord, ownAgents, removeAgent, saveAgent } from './repository.ts';

/** Agents of the workshop's own; those of the reference table come with the program and are only read. */
export function agentOperations(db: Knex): Operation[] {
  return [
    {
      id: 'listAgents',
      method: 'get',
      path: '/agents',
      summary: 'Agents of the workshop’s own; one with the id of a reference agent takes its place',
      answer: Type.Array(agentRecord),
      handle: async () => ({ body: await ownAgents(db) }),
    },
    {
      id: 'saveAgent',
      method: 'put',
      path: '/agents/:agentId',
      summary: 'Add (revision 0) or change an agent; a stale revision is refused with the newer one',
      body: agentRecord,
      answer: agentRecord,
      async handle({ params, body }) {
        const { agent, revision } = body as AgentOfWorkshop;
        if (agent.id !== params.agentId)
          throw invalidInput([
            { pointer: '/agent/id', detail: `“${agent.id}” is not the id of the address`, accepted: params.agentId! },
          ]);
        const strangers = Object.keys(agent.ratings).filter((id) => !findFamily(id));
        if (strangers.length > 0)
          throw invalidInput(
            strangers.map((id) => ({ pointer: `/agent/ratings/${id}`, detail: `There is no family “${id}”` })),
          );
        const saved = await saveAgent(db, agent, revision);
        if (!saved) throw conflict('agent', await findAgentRecord(db, agent.id));
        return { body: saved };
      },
    },
    {
      id: 'removeAgent',
      method: 'delete',
      path: '/agents/:agentId',
      summary: 'Remove an agent of the workshop’s own; ?revision= is the one that was read',
      answer: Type.Null(),
      status: 204,
      async handle({ params, query }) {
        const revision = requiredRevision(query);
        const found = await findAgentRecord(db, params.agentId!);
        if (!found) throw notFound('agent', params.agentId!);
        if (!(await removeAgent(db, params.agentId!, revision))) throw conflict('agent', found);
        return { body: undefined };
      },
    },
  ];
}
