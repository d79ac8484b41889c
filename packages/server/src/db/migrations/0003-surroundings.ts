import type { NamedMigration } from './migration.ts';

/** Agents of the workshop's own, and who set which house rules when and why. */
export const surroundings: NamedMigration = {
  name: '0003-surroundings',
  async up(db) {
    await db.raw(`
      create table agents (
        id varchar(80) primary key,
        revision integer not null,
        document jsonb not null
      );
      create table house_rules_changes (
        revision integer primary key,
        rules jsonb not null,
        changed_at timestamptz not null default now(),
        changed_by text not null default '',
        why text not null default ''
      );
      insert into house_rules_changes (revision, rules) select revision, rules from house_rules;
    `);
  },
  async down(db) {
    await db.raw('drop table house_rules_changes; drop table agents;');
  },
};
