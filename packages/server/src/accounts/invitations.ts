import type { Knex } from 'knex';
import type { Principal, WorkspaceRow } from '../http/principal.ts';
import { HttpProblem } from '../http/problems.ts';
import { accountById, addCredential, type AccountRow } from './repository.ts';
import { digestOf, newSecret } from './secrets.ts';

const INVITATION_DAYS = 7;

/** A way in for somebody, in the place of any earlier one. The secret is kept nowhere. */
export async function invite(db: Knex, accountId: string) {
  const secret = newSecret();
  await db('credentials').where({ account_id: accountId, kind: 'invitation' }).delete();
  const made = await addCredential(db, {
    kind: 'invitation',
    accountId,
    digest: digestOf(secret),
    days: INVITATION_DAYS,
  });
  return { secret, expiresAt: made.expires_at.toISOString() };
}

/** Whose it is. @throws HttpProblem 404: it was taken up, ran out, or never was */
export async function invited(db: Knex, secret: string): Promise<AccountRow> {
  const row = (await db('credentials')
    .where({ kind: 'invitation', secret_sha256: digestOf(secret) })
    .where('expires_at', '>', db.fn.now())
    .first('account_id')) as { account_id: string } | undefined;
  const account = row && (await accountById(db, row.account_id));
  if (!account || account.closed_at)
    throw new HttpProblem(
      404,
      'no-invitation',
      'This invitation is not good any more',
      'It was taken up, ran out, or was replaced by a newer one. Ask for another.',
    );
  return account;
}

/** Whoever gives somebody a new way in could take it themselves: so nobody does beyond the workspaces that they look after. */
export async function mayGiveWayIn(
  installation: Knex,
  by: Principal,
  workspace: WorkspaceRow,
  account: AccountRow,
): Promise<boolean> {
  if (by.isInstallationAdmin) return true;
  if (account.runs_house) return false;
  const elsewhere = (await installation('memberships')
    .where({ account_id: account.id })
    .whereNot('workspace_id', workspace.id)
    .first('role')) as { role: string } | undefined;
  return elsewhere === undefined;
}
