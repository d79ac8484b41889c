import type { NamedMigration } from './migration.ts';

/**
 * Long work: what is asked for, how far it is and what came of it. The queue that hands it to a process holds no more than its id; whether it
 * may be begun is decided here, in one row, so that a message that comes twice does nothing.
 */
export const jobs: NamedMigration = {
  name: '0012-jobs',
  async up(db) {
    await db.raw(`
      create table jobs (
        id uuid primary key default gen_random_uuid(),
        kind varchar(40) not null,
        -- What it is about: there is never more than one open job about the same thing.
        subject varchar(120) not null,
        title text not null,
        input jsonb not null,
        actor jsonb not null,
        state varchar(12) not null default 'waiting'
          check (state in ('waiting', 'running', 'done', 'failed', 'cancelled')),
        progress real not null default 0,
        line text not null default '',
        attempt integer not null default 0,
        failure text,
        result jsonb,
        worker text,
        created_at timestamptz not null default now(),
        queued_at timestamptz not null default now(),
        started_at timestamptz,
        ended_at timestamptz,
        -- By the database’s clock, so that no other clock can make a living process look dead.
        beat_at timestamptz
      );
      create unique index jobs_open on jobs (subject) where state in ('waiting', 'running');
      create index jobs_created on jobs (created_at);

      create function tell_job() returns trigger language plpgsql set search_path from current as $$
      begin
        perform pg_notify('anvilstone', json_build_object(
          'schema', tg_table_schema, 'kind', 'jobs', 'record', new.id)::text);
        return null;
      end $$;
      create trigger tell_new_job after insert on jobs for each row execute function tell_job();
      create trigger tell_job after update on jobs for each row
        when ((old.state, old.progress, old.line) is distinct from (new.state, new.progress, new.line))
        execute function tell_job();

      -- Imports were done by the server that took them in. What is under way now belongs to one that is gone.
      update imports set state = 'failed', failure = 'The server was replaced while it was at work. Nothing was changed; choose the file again.'
        where state in ('reading', 'committing');
    `);
  },
  async down(db) {
    await db.raw('drop table jobs; drop function tell_job()');
  },
};
