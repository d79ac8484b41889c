import { machine } from '@anvilstone/schema';
import { Type } from '@sinclair/typebox';
import type { Knex } from 'knex';
import type { Operation } from '../http/operation.ts';
import { machineTable } from './repository.ts';

export function machineOperations(db: Knex): Operation[] {
  return [
    {
      id: 'listMachines',
      method: 'get',
      path: '/machines',
      summary: 'Machines of the workshop',
      answer: Type.Array(machine),
      handle: async () => ({ body: await machineTable.all(db) }),
    },
  ];
}
