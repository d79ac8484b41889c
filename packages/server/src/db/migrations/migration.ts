import type { Knex } from 'knex';

export interface NamedMigration extends Knex.Migration {
  name: string;
}
