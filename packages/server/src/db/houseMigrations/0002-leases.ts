import type { NamedMigration } from '../migrations/migration.ts';

/** What only one process may do at a time, and until when it has the word of it. */
export const leases: NamedMigration = {
  name: '0002-leases',
  async up(db) {
    await db.raw(`
      create table leases (
        name varchar(120) primary key,
        holder varchar(80) not null,
        held_until timestamptz not null
      )
    `);
  },
  async down(db) {
    await db.raw('drop table leases');
  },
};
