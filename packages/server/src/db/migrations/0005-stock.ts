import type { NamedMigration } from './migration.ts';

/** Spools, where they lie and are dried, what instruments told, and prints that are over. Machines get revisions. */
export const stock: NamedMigration = {
  name: '0005-stock',
  async up(db) {
    await db.raw(`
      alter table machines add column revision integer not null default 1;
      create table spools (id varchar(80) primary key, revision integer not null, document jsonb not null);
      create table places (id varchar(80) primary key, revision integer not null, document jsonb not null);
      create table dryers (id varchar(80) primary key, revision integer not null, document jsonb not null);
      create table dryer_schedule (
        id boolean primary key default true check (id),
        revision integer not null,
        document jsonb not null
      );
      -- A logger numbers its readings: one that is fetched twice, or by two servers, is kept once.
      create table air_readings (
        logger_id varchar(80) not null,
        number bigint not null,
        at timestamptz not null,
        temperature_c real not null,
        humidity_pct real not null,
        primary key (logger_id, number)
      );
      create index air_readings_at on air_readings (logger_id, at);
      create table prints (
        id uuid primary key,
        machine_id varchar(80) not null,
        ended_at timestamptz not null,
        document jsonb not null
      );
      create index prints_machine on prints (machine_id, ended_at desc);
    `);
  },
  async down(db) {
    await db.raw(`
      drop table prints; drop table air_readings; drop table dryer_schedule; drop table dryers; drop table places;
      drop table spools;
      alter table machines drop column revision;
    `);
  },
};
