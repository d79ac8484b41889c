import { machineRecord } from '@anvilstone/schema';
import type { Knex } from 'knex';
import type { Operation } from '../http/operation.ts';
import { recordOperations } from '../http/recordOperations.ts';
import { machineTable } from './repository.ts';
import { printOperations } from './prints.ts';

export const machineOperations = (db: Knex): Operation[] => [
  ...recordOperations(db, {
    name: 'machine',
    path: 'machines',
    plural: 'Machines',
    record: machineRecord,
    table: machineTable,
    issues: (_, machine) => {
      const { prints, failedPrints } = machine.condition ?? {};
      return (failedPrints ?? 0) > (prints ?? Infinity)
        ? [
            {
              pointer: '/machine/condition/failedPrints',
              detail: `${failedPrints} prints failed of ${prints}`,
              accepted: 'no more than were started',
            },
          ]
        : [];
    },
  }),
  ...printOperations(db),
];
