import type { NamedMigration } from './migration.ts';

/** A restore takes frozen records out row by row, so that whoever reads meanwhile is not kept waiting as by a truncation. */
export const restoring: NamedMigration = {
  name: '0013-restoring',
  async up(db) {
    await db.raw(`
      create or replace function refuse_change() returns trigger language plpgsql as $$
      begin
        if tg_op = 'DELETE' and current_setting('anvilstone.restoring', true) = 'on' then return old; end if;
        raise exception 'Decisions are frozen: % is refused', tg_op;
      end $$;
    `);
  },
  async down(db) {
    await db.raw(`
      create or replace function refuse_change() returns trigger language plpgsql as $$
      begin
        raise exception 'Decisions are frozen: % is refused', tg_op;
      end $$;
    `);
  },
};
