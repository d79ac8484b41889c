import type { NamedMigration } from './migration.ts';

/** Parts with revisions, the library, and decisions that the database itself refuses to change. */
export const initial: NamedMigration = {
  name: '0001-initial',
  async up(db) {
    await db.schema.createTable('parts', (table) => {
      table.uuid('id').primary();
      table.integer('revision').notNullable();
      table.jsonb('brief').notNullable();
      table.timestamp('created_at', { useTz: true }).notNullable().defaultTo(db.fn.now());
      table.timestamp('updated_at', { useTz: true }).notNullable().defaultTo(db.fn.now());
    });
    for (const name of ['grades', 'machines']) {
      await db.schema.createTable(name, (table) => {
        table.string('id', 80).primary();
        table.jsonb('document').notNullable();
      });
    }
    await db.schema.createTable('decisions', (table) => {
      table.uuid('id').primary();
      table.specificType('number', 'integer generated always as identity').notNullable().unique();
      table.uuid('part_id').notNullable().references('parts.id');
      table.integer('part_revision').notNullable();
      table.timestamp('decided_at', { useTz: true }).notNullable();
      table.string('decided_by', 120).notNullable();
      table.string('grade_id', 80).notNullable();
      table.string('grade_name', 200).notNullable();
      table.string('orientation', 2).notNullable();
      table.text('reasons').notNullable();
      table.jsonb('frozen').notNullable();
      table.index(['part_id']);
    });
    await db.raw(`
      create function refuse_change() returns trigger language plpgsql as $$
      begin
        raise exception 'Decisions are frozen: % is refused', tg_op;
      end $$;
      create trigger decisions_are_frozen before update or delete on decisions
        for each row execute function refuse_change();
    `);
    await db.schema.createTable('workshop_facts', (table) => {
      table.string('key', 80).primary();
      table.jsonb('value').notNullable();
    });
  },
  async down(db) {
    await db.schema.dropTable('workshop_facts');
    await db.schema.dropTable('decisions');
    await db.raw('drop function refuse_change()');
    await db.schema.dropTable('machines');
    await db.schema.dropTable('grades');
    await db.schema.dropTable('parts');
  },
};
