import { agentRecord } from '@anvilstone/schema';
import { findFamily } from '@anvilstone/core/materials';
import type { Knex } from 'knex';
import type { Operation } from '../http/operation.ts';
import { recordOperations } from '../http/recordOperations.ts';
import { agentTable } from './repository.ts';

/** Agents of the workshop's own; those of the reference table come with the program and are only read. */
export const agentOperations = (db: Knex): Operation[] =>
  recordOperations(db, {
    name: 'agent',
    path: 'chemicals',
    plural: 'Agents',
    record: agentRecord,
    table: agentTable,
    issues: (_, { ratings }) =>
      Object.keys(ratings)
        .filter((id) => !findFamily(id))
        .map((id) => ({ pointer: `/agent/ratings/${id}`, detail: `There is no family “${id}”` })),
  });
