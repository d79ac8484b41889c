import type { Knex } from 'knex';
import { initial } from './0001-initial.ts';

export interface NamedMigration extends Knex.Migration {
  name: string;
}

/** In order; never edit one that has been released, add the next. */
export const migrations: readonly NamedMigration[] = [initial];
