import type { Credential, AccountEvent, Member, Role } from '@anvilstone/schema';
import type { Knex } from 'knex';
import { currentActor } from '../db/actor.ts';
import type { WorkspaceRow } from '../http/principal.ts';

export interface AccountRow {
  id: string;
  sign_in: string;
  name: string;
  password_hash: string | null;
  runs_house: boolean;
  closed_at: Date | null;
}

export interface Presented {
  credentialId: string;
  kind: 'session' | 'token';
  accountId: string;
  name: string;
  isInstallationAdmin: boolean;
  mostRole: Role | null;
  /** Of a token: the one workspace that it opens. */
  onlyWorkspaceId: string | null;
  isStale: boolean;
  workspace: WorkspaceRow | null;
  role: Role | null;
}

const WORKSPACE = ['id', 'slug', 'title', 'schema_name as schemaName'] as const;

/** Whose secret it is and what they are in a workspace, in one question: it is asked with every request. */
export async function findPresented(installation: Knex, digest: Buffer, slug: string): Promise<Presented | undefined> {
  const { rows } = await installation.raw<{ rows: (Presented & WorkspaceRow & { workspaceId: string | null })[] }>(
    `select c.id as "credentialId", c.kind, a.id as "accountId", a.name, a.runs_house as "isInstallationAdmin",
       c.most_role as "mostRole", c.workspace_id as "onlyWorkspaceId",
       c.used_at < now() - interval '1 minute' as "isStale",
       w.id as "workspaceId", w.slug, w.title, w.schema_name as "schemaName", m.role
     from credentials c
     join accounts a on a.id = c.account_id and a.closed_at is null
     left join workspaces w on w.slug = ?
     left join memberships m on m.account_id = a.id and m.workspace_id = w.id
     where c.secret_sha256 = ? and c.kind in ('session', 'token') and c.expires_at > now()`,
    [slug, digest],
  );
  const [row] = rows;
  if (!row) return undefined;
  const { workspaceId, slug: found, title, schemaName, ...rest } = row;
  return { ...rest, workspace: workspaceId ? { id: workspaceId, slug: found, title, schemaName } : null };
}

/** Whether what somebody came in with still lets them in, to this workspace. */
export async function stillOpens(installation: Knex, credentialId: string, workspaceId: string): Promise<boolean> {
  const { rows } = await installation.raw<{ rows: unknown[] }>(
    `select 1 from credentials c
     join accounts a on a.id = c.account_id and a.closed_at is null
     join memberships m on m.account_id = a.id and m.workspace_id = ?
     where c.id = ? and c.expires_at > now()`,
    [workspaceId, credentialId],
  );
  return rows.length > 0;
}

/** A session goes on for as long as it is used, up to its longest. */
export async function noteUse(
  installation: Knex,
  credentialId: string,
  idleDays: number,
  mostDays: number,
): Promise<void> {
  await installation.raw(
    `update credentials set used_at = now(), expires_at = case kind
       when 'session' then least(now() + make_interval(days => ?), created_at + make_interval(days => ?))
       else expires_at end
     where id = ?`,
    [idleDays, mostDays, credentialId],
  );
}

export const workspaceBySlug = (installation: Knex, slug: string) =>
  installation('workspaces')
    .where({ slug })
    .first(...WORKSPACE) as unknown as Promise<WorkspaceRow | undefined>;

export const allWorkspaces = (installation: Knex) =>
  installation('workspaces')
    .orderBy('created_at')
    .select(...WORKSPACE) as unknown as Promise<WorkspaceRow[]>;

/** Those that somebody belongs to, with their role. */
export async function workspacesOf(installation: Knex, accountId: string): Promise<(WorkspaceRow & { role: Role })[]> {
  return (await installation('memberships')
    .join('workspaces', 'workspaces.id', 'memberships.workspace_id')
    .where({ account_id: accountId })
    .orderBy('workspaces.created_at')
    .select('id', 'slug', 'title', 'schema_name as schemaName', 'role')) as (WorkspaceRow & { role: Role })[];
}

export async function anyAccount(installation: Knex): Promise<boolean> {
  return (await installation('accounts').first('id')) !== undefined;
}

export const accountBySignIn = (installation: Knex, signIn: string) =>
  installation<AccountRow>('accounts').whereRaw('lower(sign_in) = lower(?)', [signIn]).first();
export const accountById = (installation: Knex, id: string) =>
  installation<AccountRow>('accounts').where({ id }).first();

export async function setMembership(
  installation: Knex,
  accountId: string,
  workspaceId: string,
  role: Role | null,
): Promise<void> {
  const key = { account_id: accountId, workspace_id: workspaceId };
  if (role === null) await installation('memberships').where(key).delete();
  else
    await installation('memberships')
      .insert({ ...key, role })
      .onConflict(['account_id', 'workspace_id'])
      .merge();
}

interface MemberRow extends AccountRow {
  role: Role | null;
  last_seen_at: Date | null;
}

/** Everybody, or only those of the workspace; without it only themselves. */
export async function members(
  installation: Knex,
  workspaceId: string,
  { everybody, id }: { everybody?: boolean; id?: string } = {},
): Promise<Member[]> {
  const query = installation('accounts')
    .leftJoin('memberships', (join) =>
      join.on('memberships.account_id', 'accounts.id').andOnVal('memberships.workspace_id', workspaceId),
    )
    .orderBy('accounts.name')
    .select(
      'accounts.*',
      'memberships.role',
      installation.raw('(select max(used_at) from credentials where account_id = accounts.id) as last_seen_at'),
    );
  if (id !== undefined) void query.where('accounts.id', id);
  else if (!everybody) void query.whereNotNull('memberships.role');
  return ((await query) as MemberRow[]).map((row) => ({
    id: row.id,
    signIn: row.sign_in,
    name: row.name,
    role: row.role,
    isInstallationAdmin: row.runs_house,
    hasPassword: row.password_hash !== null,
    isClosed: row.closed_at !== null,
    lastSeenAt: row.last_seen_at?.toISOString() ?? null,
  }));
}

interface CredentialRow {
  id: string;
  kind: 'session' | 'token';
  title: string;
  most_role: Role | null;
  slug: string | null;
  created_at: Date;
  used_at: Date;
  expires_at: Date;
}

export async function credentialsOf(installation: Knex, accountId: string, thisId?: string): Promise<Credential[]> {
  const rows = (await installation('credentials')
    .leftJoin('workspaces', 'workspaces.id', 'credentials.workspace_id')
    .where({ account_id: accountId })
    .whereIn('kind', ['session', 'token'])
    .where('expires_at', '>', installation.fn.now())
    .orderBy('credentials.created_at', 'desc')
    .select('credentials.*', 'workspaces.slug')) as CredentialRow[];
  return rows.map((row) => ({
    id: row.id,
    kind: row.kind,
    title: row.title,
    mostRole: row.most_role,
    workspace: row.slug,
    isThis: row.id === thisId,
    createdAt: row.created_at.toISOString(),
    usedAt: row.used_at.toISOString(),
    expiresAt: row.expires_at.toISOString(),
  }));
}

export async function addCredential(
  installation: Knex,
  row: {
    kind: 'session' | 'token' | 'invitation';
    accountId: string;
    digest: Buffer;
    days: number;
    title?: string;
    mostRole?: Role;
    workspaceId?: string;
  },
): Promise<{ id: string; expires_at: Date }> {
  // Those that opened nothing any more are no use to anybody.
  await installation('credentials').where('expires_at', '<', installation.raw(`now() - interval '30 days'`)).delete();
  const rows = (await installation('credentials')
    .insert({
      kind: row.kind,
      account_id: row.accountId,
      secret_sha256: row.digest,
      title: row.title ?? '',
      most_role: row.mostRole ?? null,
      workspace_id: row.workspaceId ?? null,
      expires_at: installation.raw('now() + make_interval(days => ?)', [row.days]),
    })
    .returning(['id', 'expires_at'])) as { id: string; expires_at: Date }[];
  return rows[0]!;
}

/** Of what was done with accounts and workspaces. */
export async function noteEvent(installation: Knex, what: string, about = ''): Promise<void> {
  const { name, accountId } = currentActor();
  await installation('house_events').insert({ who: name, account_id: accountId ?? null, what, about });
}

export async function accountEvents(installation: Knex, most: number): Promise<AccountEvent[]> {
  const rows = (await installation('house_events')
    .orderBy('id', 'desc')
    .limit(most)
    .select('at', 'who', 'what', 'about')) as {
    at: Date;
    who: string;
    what: string;
    about: string;
  }[];
  return rows.map(({ at, ...rest }) => ({ at: at.toISOString(), ...rest }));
}
