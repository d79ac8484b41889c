import type { NamedMigration } from './migration.ts';

/** What each settled stage of a part rested on. */
export const stages: NamedMigration = {
  name: '0010-stages',
  async up(db) {
    await db.raw(`
      create table stage_marks (
        part_id uuid not null references parts (id) on delete cascade,
        stage varchar(20) not null,
        document jsonb not null,
        primary key (part_id, stage)
      );
    `);
  },
  async down(db) {
    await db.raw('drop table stage_marks');
  },
};
