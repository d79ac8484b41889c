import type { NamedMigration } from './migration.ts';

/** Parts in service, what was found of them, and photos of it. */
export const service: NamedMigration = {
  name: '0008-service',
  async up(db) {
    await db.raw(`
      -- Text becomes a uuid without a look at any setting, so a generated column may do it.
      create table installations (
        id varchar(80) primary key,
        revision integer not null,
        document jsonb not null,
        part_id uuid generated always as ((document ->> 'partId')::uuid) stored references parts (id) on delete restrict
      );
      create index installations_part on installations (part_id);
      create table service_findings (
        id varchar(80) primary key,
        revision integer not null,
        document jsonb not null,
        installation_id varchar(80) generated always as (document ->> 'installationId') stored
          references installations (id) on delete restrict
      );
      create index service_findings_installation on service_findings (installation_id);
      create table finding_photos (
        id uuid primary key,
        finding_id varchar(80) not null references service_findings (id) on delete cascade,
        at timestamptz not null,
        document jsonb not null,
        content bytea not null
      );
      create index finding_photos_finding on finding_photos (finding_id, at);
    `);
  },
  async down(db) {
    await db.raw('drop table finding_photos; drop table service_findings; drop table installations;');
  },
};
