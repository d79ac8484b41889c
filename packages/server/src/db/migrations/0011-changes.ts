import type { NamedMigration } from './migration.ts';

/** Tables whose changes are noted: what a record is called by, and which column holds it; without one, only that it came or went. */
const NOTED: readonly [table: string, key: string, document: string][] = [
  ['parts', 'id', 'brief'],
  ['decisions', 'id', ''],
  ['decision_sign_offs', 'id', ''],
  ['received_records', 'id', ''],
  ['agents', 'id', 'document'],
  ['machines', 'id', 'document'],
  ['spools', 'id', 'document'],
  ['places', 'id', 'document'],
  ['dryers', 'id', 'document'],
  ['dryer_schedule', 'id', 'document'],
  ['campaigns', 'id', 'document'],
  ['trials', 'id', 'document'],
  ['attachments', 'id', ''],
  ['installations', 'id', 'document'],
  ['service_findings', 'id', 'document'],
  ['finding_photos', 'id', ''],
  ['part_notices', 'id', ''],
  ['house_rules', 'id', 'rules'],
  ['saved_views', 'part_id,stage,name', 'search'],
  ['stage_marks', 'part_id,stage', 'document'],
];

/**
 * Who changed what and when. A change keeps what was before it; what came of it is what the next one found, or what is there now. The
 * database notes it itself, so that no way of writing can forget to.
 */
export const changes: NamedMigration = {
  name: '0011-changes',
  async up(db) {
    await db.raw(`
      create table changes (
        id bigint generated always as identity primary key,
        at timestamptz not null default clock_timestamp(),
        kind text not null,
        record text not null,
        revision integer,
        action text not null,
        who text not null,
        account_id uuid,
        before jsonb
      );
      create index changes_record on changes (kind, record, id);
      create index changes_at on changes (at);

      create function acting() returns jsonb language sql stable as $$
        select coalesce(nullif(current_setting('anvilstone.actor', true), ''), '{"name":"the server"}')::jsonb
      $$;

      create function note_change() returns trigger language plpgsql set search_path from current as $$
      declare
        was jsonb;
        now jsonb;
        one jsonb;
        named text;
      begin
        -- What an archive brings has its own history with it.
        if current_setting('anvilstone.restoring', true) = 'on' then return null; end if;
        if tg_op <> 'INSERT' then was := to_jsonb(old); end if;
        if tg_op <> 'DELETE' then now := to_jsonb(new); end if;
        if tg_op = 'UPDATE' and was -> tg_argv[1] = now -> tg_argv[1] then return null; end if;
        one := coalesce(now, was);
        select string_agg(one ->> key, '/' order by place) into named
          from unnest(string_to_array(tg_argv[0], ',')) with ordinality as keys (key, place);
        insert into changes (kind, record, revision, action, who, account_id, before) values (
          tg_table_name, named, (one ->> 'revision')::integer,
          case tg_op when 'INSERT' then 'added' when 'UPDATE' then 'changed' else 'removed' end,
          acting() ->> 'name', (acting() ->> 'accountId')::uuid,
          case when tg_argv[1] = '' then null else was -> tg_argv[1] end
        );
        perform pg_notify('anvilstone', json_build_object(
          'schema', tg_table_schema, 'kind', tg_table_name, 'record', named,
          'revision', (one ->> 'revision')::integer, 'who', acting() ->> 'name',
          'tab', acting() ->> 'tab')::text);
        return null;
      end $$;

      -- What was answered to a request that is sent once, however often it comes.
      create table answered_once (
        owner varchar(40) not null,
        key varchar(80) not null,
        request_sha256 char(64) not null,
        status integer not null,
        body text not null,
        headers jsonb not null,
        at timestamptz not null default now(),
        primary key (owner, key)
      );
      create index answered_once_at on answered_once (at);

      -- Nobody knows who made the earlier ones.
      alter table grade_changes add column who text;
      alter table grade_changes alter column who set default (acting() ->> 'name');

      -- A whole library coming in is told once.
      create function tell_grades() returns trigger language plpgsql set search_path from current as $$
      begin
        if (select count(*) from written) > 50 then
          perform pg_notify('anvilstone', json_build_object(
            'schema', tg_table_schema, 'kind', 'grades', 'record', '*', 'who', acting() ->> 'name',
            'tab', acting() ->> 'tab')::text);
        else
          perform pg_notify('anvilstone', json_build_object(
            'schema', tg_table_schema, 'kind', 'grades', 'record', grade_id, 'revision', revision, 'who', who,
            'tab', acting() ->> 'tab')::text)
            from written;
        end if;
        return null;
      end $$;
      create trigger tell_grades after insert on grade_changes referencing new table as written
        for each statement execute function tell_grades();
    `);
    for (const [table, key, document] of NOTED)
      await db.raw(
        `create trigger note_change after insert or update or delete on ?? for each row execute function note_change(${literal(key)}, ${literal(document)})`,
        [table],
      );
  },
  async down(db) {
    await db.raw('drop trigger tell_grades on grade_changes; drop function tell_grades()');
    for (const [table] of NOTED) await db.raw('drop trigger note_change on ??', [table]);
    await db.raw(`
      alter table grade_changes drop column who;
      drop function note_change();
      drop function acting();
      drop table changes, answered_once;
    `);
  },
};

/** Arguments of a trigger cannot be bound. They are the names above. */
const literal = (name: string) => `'${name.replaceAll("'", "''")}'`;
