import {
  credential,
  firstAccount,
  accountEvent,
  invitation,
  invitationAccept,
  invitationLook,
  invitedPerson,
  member,
  memberChange,
  newMember,
  newToken,
  newWorkspace,
  ownAccountChange,
  session,
  signInRequest,
  tokenRequest,
  workspace,
  type FirstAccount,
  type InvitationAccept,
  type MemberChange,
  type NewMember,
  type NewWorkspace,
  type OwnAccountChange,
  type Session,
  type SignInRequest,
  type TokenRequest,
} from '@anvilstone/schema';
import { Type } from '@sinclair/typebox';
import type { Knex } from 'knex';
import type { Operation } from '../http/operation.ts';
import type { Reply } from '../http/reply.ts';
import { noWorkspace, type Principal, type WorkspaceRow } from '../http/principal.ts';
import { HttpProblem } from '../http/problems.ts';
import type { WorkspaceService } from '../workspaces/service.ts';
import { sessionCookie, type ExposurePolicy } from './authenticate.ts';
import { credentialsOf, accountEvents, members } from './repository.ts';
import type { AccountService, SignedIn } from './service.ts';

const MOST_EVENTS = 500;

/** Signing in, accounts, workspaces and tokens: what belongs to no workspace’s own tables. */
export function accessOperations(
  installation: Knex,
  exposurePolicy: ExposurePolicy,
  accounts: AccountService,
  workspaces: WorkspaceService,
): Operation[] {
  const signedIn = ({ secret }: SignedIn): Reply => ({
    status: 204,
    body: undefined,
    headers: { 'Set-Cookie': sessionCookie(exposurePolicy, secret) },
  });

  async function sessionOf(principal: Principal): Promise<Session> {
    const { kind, workspace: here, role } = principal;
    const nobodyYet = kind === 'nobody' && !(await accounts.anyAccount());
    return {
      state: kind === 'open' ? 'open' : kind !== 'nobody' ? 'signed-in' : nobodyYet ? 'first-account' : 'sign-in',
      name: kind === 'nobody' || kind === 'open' ? null : principal.name,
      accountId: principal.accountId ?? null,
      role,
      isInstallationAdmin: principal.isInstallationAdmin,
      workspace: here && { slug: here.slug, title: here.title, role },
      workspaces: await workspaces.list(principal),
      needsSetupCode: nobodyYet && exposurePolicy.isReachable,
      isEncrypted: exposurePolicy.isEncrypted || !exposurePolicy.isReachable,
    };
  }

  return [
    {
      id: 'getSession',
      method: 'get',
      path: '/session',
      summary: 'Who one is here, and which workspaces are open to one',
      needs: 'anyone',
      answer: session,
      handle: async ({ principal }) => ({ body: await sessionOf(principal) }),
    },
    {
      id: 'signIn',
      method: 'post',
      path: '/session',
      summary: 'Sign in; wrong attempts are counted and soon refused',
      needs: 'anyone',
      body: signInRequest,
      answer: Type.Null(),
      status: 204,
      handle: async ({ body, from, principal }) =>
        signedIn(await accounts.signIn(body as SignInRequest, from.address, from.program, principal)),
    },
    {
      id: 'signOut',
      method: 'delete',
      path: '/session',
      summary: 'Sign out here',
      needs: 'person',
      answer: Type.Null(),
      status: 204,
      async handle({ principal }) {
        if (principal.credentialId) await accounts.signOut(principal.credentialId);
        return { body: undefined, headers: { 'Set-Cookie': sessionCookie(exposurePolicy, null) } };
      },
    },
    {
      id: 'makeFirstAccount',
      method: 'post',
      path: '/accounts/first',
      summary: 'Make the first account, after which everybody has to sign in',
      needs: 'anyone',
      body: firstAccount,
      answer: Type.Null(),
      status: 204,
      handle: async ({ body, from }) =>
        signedIn(await accounts.makeFirst(body as FirstAccount, exposurePolicy.isReachable, from.program)),
    },
    {
      id: 'lookAtInvitation',
      method: 'post',
      path: '/invitations/look',
      summary: 'Whom an invitation is for',
      needs: 'anyone',
      body: invitationLook,
      answer: invitedPerson,
      handle: async ({ body }) => ({ body: await accounts.look((body as { secret: string }).secret) }),
    },
    {
      id: 'acceptInvitation',
      method: 'post',
      path: '/invitations/accept',
      summary: 'Take up an invitation with a password of one’s own, and be signed in',
      needs: 'anyone',
      body: invitationAccept,
      answer: Type.Null(),
      status: 204,
      handle: async ({ body, from }) => signedIn(await accounts.accept(body as InvitationAccept, from.program)),
    },
    {
      id: 'listMembers',
      method: 'get',
      path: '/members',
      summary: 'People of this workspace; ?all=yes everybody with an account, for whoever looks after the installation',
      needs: 'administrator',
      answer: Type.Array(member),
      handle: async ({ principal, query }) => ({
        body: await members(installation, here(principal).id, {
          everybody: principal.isInstallationAdmin && query.all === 'yes',
        }),
      }),
    },
    {
      id: 'inviteMember',
      method: 'post',
      path: '/members',
      summary: 'Invite somebody into this workspace',
      needs: 'people',
      body: newMember,
      answer: invitation,
      status: 201,
      async handle({ principal, body }) {
        refuseWithoutAccounts(principal);
        return { body: await accounts.add(here(principal), body as NewMember, principal) };
      },
    },
    {
      id: 'changeMember',
      method: 'put',
      path: '/members/:accountId',
      summary: 'Another role here, none at all, or a closed account',
      needs: 'people',
      body: memberChange,
      answer: member,
      handle: async ({ principal, params, body }) => ({
        body: await accounts.change(here(principal), params.accountId!, body as MemberChange, principal),
      }),
    },
    {
      id: 'inviteAgain',
      method: 'post',
      path: '/members/:accountId/invitation',
      summary: 'A new way in for somebody who has lost theirs',
      needs: 'people',
      answer: invitation,
      status: 201,
      handle: async ({ principal, params }) => ({
        body: await accounts.inviteAgain(here(principal), params.accountId!, principal),
      }),
    },
    {
      id: 'changeOwnAccount',
      method: 'put',
      path: '/account',
      summary: 'One’s own name or password',
      needs: 'person',
      body: ownAccountChange,
      answer: Type.Null(),
      status: 204,
      async handle({ principal, body, from }) {
        await accounts.changeOwn(ownId(principal), principal.credentialId, body as OwnAccountChange, from.address);
        return { body: undefined };
      },
    },
    {
      id: 'listCredentials',
      method: 'get',
      path: '/account/credentials',
      summary: 'Where one is signed in, and one’s tokens',
      needs: 'person',
      answer: Type.Array(credential),
      handle: async ({ principal }) => ({
        body: principal.accountId ? await credentialsOf(installation, principal.accountId, principal.credentialId) : [],
      }),
    },
    {
      id: 'makeToken',
      method: 'post',
      path: '/account/tokens',
      summary: 'A token for the command line or another program, for this workspace; its secret is shown once',
      needs: 'person',
      body: tokenRequest,
      answer: newToken,
      status: 201,
      async handle({ principal, body }) {
        here(principal);
        return {
          body: await accounts.newToken({ ...principal, accountId: ownId(principal) }, body as TokenRequest),
        };
      },
    },
    {
      id: 'endCredential',
      method: 'delete',
      path: '/account/credentials/:id',
      summary: 'End a session or a token of one’s own',
      needs: 'person',
      answer: Type.Null(),
      status: 204,
      async handle({ principal, params }) {
        await accounts.removeCredential(ownId(principal), params.id!);
        return { body: undefined };
      },
    },
    {
      id: 'makeWorkspace',
      method: 'post',
      path: '/workspaces',
      summary: 'Make another workspace, apart from all others',
      needs: 'installation',
      body: newWorkspace,
      answer: workspace,
      status: 201,
      handle: async ({ principal, body }) => ({ body: await workspaces.make(body as NewWorkspace, principal) }),
    },
    {
      id: 'listAccountEvents',
      method: 'get',
      path: '/account-events',
      summary: 'Account log and workspaces, newest first',
      needs: 'installation',
      answer: Type.Array(accountEvent),
      handle: async () => ({ body: await accountEvents(installation, MOST_EVENTS) }),
    },
  ];
}

/** @throws HttpProblem 404: the address names none that is theirs */
function here({ workspace: row }: Principal): WorkspaceRow {
  if (!row) throw noWorkspace();
  return row;
}

/** @throws HttpProblem 409: nobody has an account yet */
function ownId(principal: Principal): string {
  refuseWithoutAccounts(principal);
  return principal.accountId!;
}

function refuseWithoutAccounts({ accountId }: Principal): void {
  if (accountId === undefined)
    throw new HttpProblem(
      409,
      'no-accounts',
      'There are no accounts yet',
      'Make the first account, your own: from then on everybody signs in.',
    );
}
