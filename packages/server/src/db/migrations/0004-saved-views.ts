import type { NamedMigration } from './migration.ts';

/** Views of a part's shortlist and comparison, kept under a name. */
export const savedViews: NamedMigration = {
  name: '0004-saved-views',
  async up(db) {
    await db.raw(`
      create table saved_views (
        part_id uuid not null references parts (id) on delete cascade,
        stage varchar(20) not null,
        name text not null,
        search text not null,
        primary key (part_id, stage, name)
      );
    `);
  },
  async down(db) {
    await db.raw('drop table saved_views;');
  },
};
