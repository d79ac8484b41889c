import { randomBytes } from 'node:crypto';
import type {
  FirstAccount,
  Invitation,
  InvitationAccept,
  Member,
  MemberChange,
  NewMember,
  NewToken,
  OwnAccountChange,
  SignInRequest,
  TokenRequest,
} from '@anvilstone/schema';
import type { Knex } from 'knex';
import { actingAs, currentActor } from '../db/actor.ts';
import { HttpProblem, invalidInput, notFound } from '../http/problems.ts';
import { requireUuid } from '../parts/service.ts';
import { signInAttempts } from './attempts.ts';
import { invite, invited, mayGiveWayIn } from './invitations.ts';
import { hashPassword, isPasswordOf, requireGoodPassword } from './passwords.ts';
import type { Principal, WorkspaceRow } from '../http/principal.ts';
import {
  accountById,
  accountBySignIn,
  addCredential,
  anyAccount,
  credentialsOf,
  members,
  noteEvent,
  setMembership,
  type AccountRow,
} from './repository.ts';
import { digestOf, newSecret } from './secrets.ts';

/** A session that is not used for so long ends, and each ends some day. */
export const SESSION_IDLE_DAYS = 14;
export const SESSION_MOST_DAYS = 90;

/** Signed in: the secret goes into a cookie and is kept nowhere else. */
export interface SignedIn {
  secret: string;
}

export function accountService(installation: Knex) {
  const attempts = signInAttempts(installation);

  async function newSession(db: Knex, account: AccountRow, title: string): Promise<SignedIn> {
    const secret = newSecret();
    await addCredential(db, {
      kind: 'session',
      accountId: account.id,
      digest: digestOf(secret),
      days: SESSION_IDLE_DAYS,
      title: title.slice(0, 120),
    });
    return { secret };
  }

  const memberOf = async (db: Knex, workspace: WorkspaceRow, id: string): Promise<Member> => {
    requireUuid('account', id);
    const [found] = await members(db, workspace.id, { id });
    if (!found) throw notFound('account', id);
    return found;
  };

  return {
    anyAccount: () => anyAccount(installation),

    /** Prints-once code that proves who stands at the machine; the one before it is no longer good. */
    async newSetupCode(): Promise<string> {
      const code = randomBytes(9).toString('base64url');
      await installation('setup_codes')
        .insert({ code_sha256: digestOf(code) })
        .onConflict('only_one')
        .merge();
      return code;
    },

    /** @throws HttpProblem 409: there is one already; 422: the setup code is wrong */
    async makeFirst(asked: FirstAccount, needsCode: boolean, title: string): Promise<SignedIn> {
      // Looked at before the costly part, which strangers could ask for at will, and again once nobody else can come between.
      if (await anyAccount(installation)) throw notFirst();
      if (needsCode && !(await isSetupCode(installation, asked.setupCode ?? ''))) throw wrongCode();
      requireGoodPassword('/password', asked.password, asked);
      const passwordHash = await hashPassword(asked.password);
      return installation.transaction(async (trx) => {
        await trx.raw('lock table accounts in exclusive mode');
        if (await anyAccount(trx)) throw notFirst();
        if (needsCode && !(await isSetupCode(trx, asked.setupCode ?? ''))) throw wrongCode();
        const [account] = (await trx('accounts')
          .insert({ sign_in: asked.signIn, name: asked.name.trim(), password_hash: passwordHash, runs_house: true })
          .returning('*')) as AccountRow[];
        for (const { id } of (await trx('workspaces').select('id')) as { id: string }[])
          await setMembership(trx, account!.id, id, 'administrator');
        await trx('setup_codes').delete();
        await actingAs({ name: account!.name, accountId: account!.id }, () =>
          noteEvent(trx, 'made the first account', account!.sign_in),
        );
        return newSession(trx, account!, title);
      });
    },

    /** @throws HttpProblem 401: name and password do not belong together; 429: too many wrong ones */
    async signIn(
      { signIn, password }: SignInRequest,
      address: string,
      title: string,
      before?: Principal,
    ): Promise<SignedIn> {
      await attempts.begin(address, signIn);
      const account = await accountBySignIn(installation, signIn);
      const fits = await isPasswordOf(account?.closed_at ? null : account?.password_hash, password);
      if (!account || !fits) {
        throw new HttpProblem(
          401,
          'wrong-password',
          'That does not fit',
          'The name and the password do not belong together.',
        );
      }
      await attempts.right(address, signIn);
      // The cookie is replaced: what it opened until now must not stay open without anybody knowing.
      if (before?.kind === 'session' && before.credentialId)
        await installation('credentials').where({ id: before.credentialId }).delete();
      return newSession(installation, account, title);
    },
    async signOut(credentialId: string): Promise<void> {
      await installation('credentials').where({ id: credentialId }).delete();
    },

    async add(workspace: WorkspaceRow, asked: NewMember, by: Principal): Promise<Invitation> {
      return installation.transaction(async (trx) => {
        const known = await accountBySignIn(trx, asked.signIn);
        if (known?.closed_at)
          throw invalidInput([{ pointer: '/signIn', detail: `“${asked.signIn}” is closed; open it again instead` }]);
        const account =
          known ??
          (
            (await trx('accounts')
              .insert({ sign_in: asked.signIn, name: asked.name.trim() })
              .returning('*')) as AccountRow[]
          )[0]!;
        await setMembership(trx, account.id, workspace.id, asked.role);
        await noteEvent(trx, `invited as ${asked.role} into ${workspace.title}`, asked.signIn);
        const wants = account.password_hash === null && (await mayGiveWayIn(trx, by, workspace, account));
        const way = wants ? await invite(trx, account.id) : { secret: null, expiresAt: null };
        return { member: await memberOf(trx, workspace, account.id), ...way };
      });
    },
    async inviteAgain(workspace: WorkspaceRow, id: string, by: Principal): Promise<Invitation> {
      return installation.transaction(async (trx) => {
        const member = await memberOf(trx, workspace, id);
        if (member.role === null && !by.isInstallationAdmin) throw notFound('account', id);
        if (!(await mayGiveWayIn(trx, by, workspace, (await accountById(trx, id))!)))
          throw new HttpProblem(
            403,
            'not-allowed',
            'Your role does not reach this',
            `${member.name} belongs to more than this workspace: it takes somebody who administers the whole installation.`,
          );
        await noteEvent(trx, 'made a new way in for', member.signIn);
        return { member, ...(await invite(trx, id)) };
      });
    },
    async look(secret: string) {
      const { sign_in: signIn, name } = await invited(installation, secret);
      return { signIn, name };
    },
    async accept({ secret, password }: InvitationAccept, title: string): Promise<SignedIn> {
      const { sign_in: signIn, name } = await invited(installation, secret);
      requireGoodPassword('/password', password, { signIn, name });
      const passwordHash = await hashPassword(password);
      return installation.transaction(async (trx) => {
        const account = await invited(trx, secret);
        // Whoever was in with the lost password is out, and so are the programs that they may have let in.
        await trx('credentials').where({ account_id: account.id }).delete();
        await trx('accounts').where({ id: account.id }).update({ password_hash: passwordHash });
        await actingAs({ name: account.name, accountId: account.id }, () =>
          noteEvent(trx, 'took up an invitation', account.sign_in),
        );
        return newSession(trx, account, title);
      });
    },

    async change(workspace: WorkspaceRow, id: string, asked: MemberChange, by: Principal): Promise<Member> {
      return installation.transaction(async (trx) => {
        await oneAfterTheOther(trx);
        const before = await memberOf(trx, workspace, id);
        if (before.role === null && !by.isInstallationAdmin) throw notFound('account', id);
        if (asked.role !== undefined && before.isInstallationAdmin && !by.isInstallationAdmin)
          throw new HttpProblem(
            403,
            'not-allowed',
            'Your role does not reach this',
            `${before.name} administers the installation: what they may do here is settled by somebody who does too.`,
          );
        if ((asked.isInstallationAdmin !== undefined || asked.isClosed !== undefined) && !by.isInstallationAdmin)
          throw new HttpProblem(
            403,
            'not-allowed',
            'Your role does not reach this',
            'Closing accounts, and who looks after the installation, is settled by somebody who does.',
          );
        if (asked.role !== undefined) {
          await setMembership(trx, id, workspace.id, asked.role);
          await noteEvent(
            trx,
            asked.role === null ? `took out of ${workspace.title}` : `made ${asked.role} in ${workspace.title}`,
            before.signIn,
          );
        }
        if (asked.role !== undefined) await requireAdministrator(trx, workspace);
        if (asked.isInstallationAdmin !== undefined) {
          await trx('accounts').where({ id }).update({ runs_house: asked.isInstallationAdmin });
          await noteEvent(
            trx,
            asked.isInstallationAdmin
              ? 'lets look after the installation'
              : 'no longer lets look after the installation',
            before.signIn,
          );
        }
        if (asked.isClosed !== undefined) {
          await trx('accounts')
            .where({ id })
            .update({ closed_at: asked.isClosed ? trx.fn.now() : null });
          if (asked.isClosed) await trx('credentials').where({ account_id: id }).delete();
          await noteEvent(trx, asked.isClosed ? 'closed the account of' : 'opened the account again of', before.signIn);
        }
        const [left] = (await trx('accounts').where({ runs_house: true }).whereNull('closed_at').count('* as n')) as {
          n: string;
        }[];
        if (Number(left?.n) === 0)
          throw new HttpProblem(
            409,
            'last-one',
            'Nobody would be left',
            'Somebody has to look after the installation: let another account do it first.',
          );
        return memberOf(trx, workspace, id);
      });
    },

    /** @throws HttpProblem 422: it is not theirs now, or the new one is weak; 429: too many wrong ones */
    async changeOwn(
      accountId: string,
      credentialId: string | undefined,
      asked: OwnAccountChange,
      address: string,
    ): Promise<void> {
      const account = await accountById(installation, accountId);
      if (!account) throw notFound('account', accountId);
      if (asked.password) {
        // Whoever sits down at somebody's page must not be able to try what theirs is.
        await attempts.begin(address, account.sign_in);
        if (!(await isPasswordOf(account.password_hash, asked.password.now)))
          throw invalidInput([{ pointer: '/password/now', detail: 'This is not your password' }]);
        await attempts.right(address, account.sign_in);
        requireGoodPassword('/password/next', asked.password.next, { signIn: account.sign_in, name: account.name });
        const next = await hashPassword(asked.password.next);
        await installation('accounts').where({ id: accountId }).update({ password_hash: next });
        // Everywhere else one is signed out, and tokens end: that is what it is mostly changed for.
        await installation('credentials')
          .where({ account_id: accountId })
          .whereNot('id', credentialId ?? null)
          .delete();
        await noteEvent(installation, 'changed their password', account.sign_in);
      }
      if (asked.name !== undefined) {
        await installation('accounts').where({ id: accountId }).update({ name: asked.name.trim() });
        await noteEvent(installation, `is called ${asked.name.trim()} now`, account.sign_in);
      }
    },

    async newToken(principal: Principal & { accountId: string }, asked: TokenRequest): Promise<NewToken> {
      const secret = newSecret();
      const made = await addCredential(installation, {
        kind: 'token',
        accountId: principal.accountId,
        digest: digestOf(secret),
        days: asked.days,
        title: asked.title,
        mostRole: asked.mostRole,
        workspaceId: principal.workspace!.id,
      });
      await noteEvent(installation, `made a token, at most ${asked.mostRole}`, asked.title);
      const all = await credentialsOf(installation, principal.accountId, principal.credentialId);
      return { credential: all.find(({ id }) => id === made.id)!, secret };
    },
    /**
     * Makes an account administer the installation again, open, with a new way in; for whoever stands at the machine.
     * @throws HttpProblem 404: there is none of that name
     */
    async recover(signIn: string): Promise<string> {
      return installation.transaction(async (trx) => {
        const account = await accountBySignIn(trx, signIn);
        if (!account) throw notFound('account', signIn);
        await trx('accounts').where({ id: account.id }).update({ runs_house: true, closed_at: null });
        await noteEvent(trx, 'let back in from the machine’s console', account.sign_in);
        return (await invite(trx, account.id)).secret;
      });
    },
    async removeCredential(accountId: string, id: string): Promise<void> {
      requireUuid('credential', id);
      if ((await installation('credentials').where({ id, account_id: accountId }).delete()) === 0)
        throw notFound('credential', id);
      await noteEvent(installation, 'ended a session or token', currentActor().name);
    },
  };
}
export type AccountService = ReturnType<typeof accountService>;

/** Two who put each other out at the same moment must not both find the other still there. */
const oneAfterTheOther = (trx: Knex.Transaction) =>
  trx.raw(`select id from accounts where runs_house order by id for update`);

/** @throws HttpProblem 409: nobody is left who administers it */
async function requireAdministrator(trx: Knex.Transaction, workspace: WorkspaceRow): Promise<void> {
  const left: unknown = await trx('memberships')
    .join('accounts', 'accounts.id', 'memberships.account_id')
    .where({ workspace_id: workspace.id, role: 'administrator' })
    .whereNull('closed_at')
    .first('accounts.id');
  if (left === undefined)
    throw new HttpProblem(
      409,
      'last-one',
      'Nobody would be left',
      `Somebody has to administer ${workspace.title}: make another account its administrator first.`,
    );
}

async function isSetupCode(installation: Knex, code: string): Promise<boolean> {
  return (
    (await installation('setup_codes')
      .where({ code_sha256: digestOf(code) })
      .first('only_one')) !== undefined
  );
}

const notFirst = () =>
  new HttpProblem(409, 'not-first', 'There is an account already', 'Ask its owner for an invitation.');
const wrongCode = () =>
  invalidInput([
    {
      pointer: '/setupCode',
      detail: 'This is not the code that the server has printed',
      accepted: 'the newest code in the server’s output',
    },
  ]);
