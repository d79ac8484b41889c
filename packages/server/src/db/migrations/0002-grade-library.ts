import type { NamedMigration } from './migration.ts';

/** Grades with revisions, history and columns to search by; house rules; files on their way in. */
export const gradeLibrary: NamedMigration = {
  name: '0002-grade-library',
  async up(db) {
    // The document stays the one place where a grade is written; the columns to search by follow it by themselves.
    // Documents and search words are moved out of the row, so that lists read some pages and not some thousand.
    await db.raw(`
      -- What a grade is found by: its name and what belongs to it, and where its numbers come from.
      create function grade_words(document jsonb) returns tsvector language sql immutable parallel safe as $$
        select to_tsvector('simple',
          coalesce(document ->> 'name', '') || ' ' || coalesce(document ->> 'maker', '') || ' ' ||
          coalesce(document ->> 'familyId', '') || ' ' || coalesce(document ->> 'reinforcementId', '') || ' ' ||
          coalesce((document -> 'colours')::text, '') || ' ' || coalesce(document ->> 'note', '') || ' ' ||
          coalesce((
            select string_agg(distinct words, ' ')
            from jsonb_array_elements(document -> 'observations') as one(report),
              lateral (values (report ->> 'reference'), (report ->> 'note')) as texts(words)
          ), ''))
      $$;
      alter table grades set (toast_tuple_target = 128);
      alter table grades
        add column revision integer not null default 1,
        add column updated_at timestamptz not null default now(),
        add column name text generated always as (document ->> 'name') stored,
        add column maker text generated always as (document ->> 'maker') stored,
        add column family_id text generated always as (document ->> 'familyId') stored,
        add column reinforcement_id text generated always as (document ->> 'reinforcementId') stored,
        add column price_per_kg_usd double precision
          generated always as ((document ->> 'pricePerKgUsd')::double precision) stored,
        add column observation_count integer generated always as (jsonb_array_length(document -> 'observations')) stored,
        add column search tsvector generated always as (grade_words(document)) stored;
      create index grades_search on grades using gin (search);
      create index grades_name on grades (lower(name), id);
      create index grades_maker on grades (lower(maker), id);
      create index grades_family on grades (family_id, id);
      create index grades_price on grades (price_per_kg_usd, id);
      create index grades_evidence on grades (observation_count, id);

      create table grade_changes (
        id bigint generated always as identity primary key,
        grade_id varchar(80) not null,
        revision integer not null,
        action text not null,
        at timestamptz not null default now(),
        document jsonb
      );
      create index grade_changes_grade on grade_changes (grade_id, id);
      insert into grade_changes (grade_id, revision, action, document)
        select id, revision, 'delivered', document from grades;

      create table house_rules (
        id boolean primary key default true check (id),
        revision integer not null,
        rules jsonb not null
      );

      create table imports (
        id uuid primary key,
        file_name text not null,
        file bytea,
        settings jsonb not null,
        state text not null,
        progress real not null default 0,
        plan jsonb,
        rows bytea,
        writes text,
        library_version bigint,
        failure text,
        created_at timestamptz not null default now(),
        updated_at timestamptz not null default now()
      );
      create index imports_created on imports (created_at);
      -- Short-lived and large: compressing them takes longer than it saves.
      alter table imports alter column file set storage external;
      alter table imports alter column rows set storage external;
      alter table imports alter column writes set storage external;
    `);
  },
  async down(db) {
    await db.raw(`
      drop table imports;
      drop table house_rules;
      drop table grade_changes;
      alter table grades
        drop column revision, drop column updated_at, drop column name, drop column maker, drop column family_id,
        drop column reinforcement_id, drop column price_per_kg_usd, drop column observation_count, drop column search;
      drop function grade_words(jsonb);
    `);
  },
};
