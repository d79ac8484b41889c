import type { NamedMigration } from './migration.ts';

/** Campaigns, their trials with every reading, what is attached to them, and parts whose answer they moved. */
export const bench: NamedMigration = {
  name: '0006-bench',
  async up(db) {
    await db.raw(`
      create table campaigns (id varchar(80) primary key, revision integer not null, document jsonb not null);
      create table trials (
        id varchar(80) primary key,
        campaign_id varchar(80) generated always as (document ->> 'campaignId') stored
          references campaigns (id) on delete restrict,
        revision integer not null,
        document jsonb not null
      );
      create index trials_campaign on trials (campaign_id);
      -- One run at a time of a trial: what a server needs to go on with it where another left off.
      create table trial_runs (
        trial_id varchar(80) primary key references trials (id) on delete cascade,
        begun_at timestamptz not null,
        document jsonb not null
      );
      -- A gauge numbers its readings: one that is fetched twice, or by two servers, is kept once.
      create table trial_readings (
        trial_id varchar(80) not null references trials (id) on delete cascade,
        channel varchar(12) not null,
        number bigint not null,
        s double precision not null,
        value double precision not null,
        over boolean not null default false,
        primary key (trial_id, channel, number)
      );
      -- A curve out of a file, whole: four columns of doubles, little-endian, one after the other, then a byte a reading.
      create table trial_curves (
        trial_id varchar(80) primary key references trials (id) on delete cascade,
        readings integer not null,
        columns bytea not null
      );
      create table attachments (
        id uuid primary key,
        campaign_id varchar(80) not null references campaigns (id) on delete cascade,
        at timestamptz not null,
        document jsonb not null,
        content bytea not null
      );
      create index attachments_campaign on attachments (campaign_id, at);
      create table part_notices (
        id uuid primary key,
        part_id uuid not null references parts (id) on delete cascade,
        at timestamptz not null,
        document jsonb not null
      );
      create index part_notices_part on part_notices (part_id, at);
    `);
  },
  async down(db) {
    await db.raw(`
      drop table part_notices; drop table attachments; drop table trial_curves; drop table trial_readings;
      drop table trial_runs; drop table trials; drop table campaigns;
    `);
  },
};
