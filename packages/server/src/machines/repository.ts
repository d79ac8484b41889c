import type { Machine } from '@anvilstone/schema';
import type { Knex } from 'knex';
import { revisionedTable } from '../db/revisionedTable.ts';

export const machineTable = revisionedTable<Machine>('machines');

export async function machinesAtHand(db: Knex): Promise<Machine[]> {
  return (await machineTable.all(db)).map(({ document }) => document);
}
