import type { NamedMigration } from '../migrations/migration.ts';

/** Who may come in, where to, and with what. Secrets are kept as their SHA-256 only, passwords as argon2id. */
export const accounts: NamedMigration = {
  name: '0001-accounts',
  async up(db) {
    await db.raw(`
      create table workspaces (
        id uuid primary key default gen_random_uuid(),
        slug varchar(40) not null unique check (slug ~ '^[a-z0-9][a-z0-9-]*$'),
        title varchar(80) not null,
        schema_name varchar(60) not null unique,
        created_at timestamptz not null default now()
      );
      insert into workspaces (slug, title, schema_name) values ('workshop', 'Workshop', 'public');

      create table accounts (
        id uuid primary key default gen_random_uuid(),
        sign_in varchar(120) not null,
        name varchar(120) not null,
        password_hash text,
        runs_house boolean not null default false,
        closed_at timestamptz,
        created_at timestamptz not null default now()
      );
      create unique index accounts_sign_in on accounts (lower(sign_in));

      create table memberships (
        account_id uuid not null references accounts (id),
        workspace_id uuid not null references workspaces (id),
        role varchar(20) not null check (role in ('viewer', 'engineer', 'approver', 'administrator')),
        primary key (account_id, workspace_id)
      );

      create table credentials (
        id uuid primary key default gen_random_uuid(),
        kind varchar(12) not null check (kind in ('session', 'token', 'invitation')),
        account_id uuid not null references accounts (id),
        secret_sha256 bytea not null unique,
        title varchar(120) not null default '',
        -- Of a token: it can do no more than this, and only there.
        most_role varchar(20),
        workspace_id uuid references workspaces (id),
        created_at timestamptz not null default now(),
        used_at timestamptz not null default now(),
        expires_at timestamptz not null
      );
      create index credentials_account on credentials (account_id, kind);

      create table house_events (
        id bigint generated always as identity primary key,
        at timestamptz not null default clock_timestamp(),
        who text not null,
        account_id uuid,
        what text not null,
        about text not null default ''
      );

      -- Proves who stands at the machine before there is anybody to sign in.
      create table setup_codes (only_one boolean primary key default true check (only_one), code_sha256 bytea not null);

      create table sign_in_attempts (
        key varchar(255) primary key,
        points integer not null default 0,
        expire bigint
      );

      create unlogged table presence (
        tab uuid primary key,
        schema_name varchar(60) not null,
        place varchar(120) not null,
        who varchar(120) not null,
        seen_at timestamptz not null default now()
      );
      create index presence_place on presence (schema_name, place);
    `);
  },
  async down(db) {
    await db.raw(
      'drop table presence, sign_in_attempts, setup_codes, house_events, credentials, memberships, accounts, workspaces',
    );
  },
};
