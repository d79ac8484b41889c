import type { NamedMigration } from './migration.ts';

/** Words of everything that is looked for by words, kept up to date by the database itself. Grades have had theirs from the start. */
export const search: NamedMigration = {
  name: '0009-search',
  async up(db) {
    await db.raw(`
      alter table parts add column search tsvector
        generated always as (jsonb_to_tsvector('english'::regconfig, brief, '["string"]')) stored;
      create index parts_search on parts using gin (search);

      alter table decisions add column search tsvector generated always as (
        to_tsvector('english'::regconfig,
          number::text || ' ' || grade_name || ' ' || decided_by || ' ' || reasons
          || ' ' || coalesce(frozen ->> 'openRisks', '')
          || ' ' || coalesce(frozen #>> '{grounds,limits}', '')
          || ' ' || coalesce(frozen #>> '{brief,title}', ''))
      ) stored;
      create index decisions_search on decisions using gin (search);

      alter table installations add column search tsvector generated always as (
        to_tsvector('english'::regconfig,
          coalesce(document ->> 'mark', '') || ' ' || coalesce(document ->> 'place', '')
          || ' ' || coalesce(document ->> 'note', '') || ' ' || coalesce(document ->> 'installedBy', ''))
      ) stored;
      create index installations_search on installations using gin (search);

      alter table service_findings add column search tsvector generated always as (
        to_tsvector('english'::regconfig,
          coalesce(document ->> 'text', '') || ' ' || coalesce(document ->> 'lesson', '')
          || ' ' || replace(coalesce(document ->> 'modeId', ''), '-', ' ') || ' ' || coalesce(document ->> 'state', ''))
      ) stored;
      create index service_findings_search on service_findings using gin (search);

      alter table campaigns add column search tsvector generated always as (
        to_tsvector('english'::regconfig,
          id || ' ' || coalesce(document ->> 'title', '') || ' ' || coalesce(document ->> 'place', '')
          || ' ' || coalesce(document ->> 'note', ''))
      ) stored;
      create index campaigns_search on campaigns using gin (search);
    `);
  },
  async down(db) {
    for (const table of ['campaigns', 'service_findings', 'installations', 'decisions', 'parts'])
      await db.raw('alter table ?? drop column search', [table]);
  },
};
