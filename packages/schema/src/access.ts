import { Type, type Static } from '@sinclair/typebox';
import { record, vocabulary } from './common.ts';

/** What somebody may do in a workspace; each may do what those before it may. */
export const ROLES = ['viewer', 'engineer', 'approver', 'administrator'] as const;
export const role = vocabulary(ROLES, 'What somebody may do in a workspace, each more than the one before');
export type Role = Static<typeof role>;

/** Shortest password: NIST SP 800-63B asks for 8 with further checks, 15 alone; ours is tried against a limit of attempts. */
export const SHORTEST_PASSWORD = 12;
const LONGEST_PASSWORD = 200;

const signIn = Type.String({ minLength: 3, maxLength: 120, pattern: '^\\S+$', description: 'What one signs in with' });
const personName = Type.String({ minLength: 1, maxLength: 120, pattern: '\\S', description: 'As others see it' });
const password = Type.String({ minLength: SHORTEST_PASSWORD, maxLength: LONGEST_PASSWORD });
/** A password that is tried: one that is too short is simply wrong. */
const tried = Type.String({ maxLength: LONGEST_PASSWORD });
const secret = Type.String({ minLength: 10, maxLength: 100 });
const slug = Type.String({
  minLength: 2,
  maxLength: 40,
  pattern: '^[a-z0-9][a-z0-9-]*$',
  description: 'Stands in the address of every page of it',
});
const workspaceTitle = Type.String({ minLength: 1, maxLength: 80, pattern: '\\S' });
const uuid = Type.String({ format: 'uuid' });
const instant = Type.String({ format: 'date-time' });
const orNull = <T extends Parameters<typeof Type.Union>[0][number]>(type: T) => Type.Union([type, Type.Null()]);

export const workspace = record(
  { slug, title: workspaceTitle, role: orNull(role) },
  'A workspace and what one may do there',
);
export type Workspace = Static<typeof workspace>;

export const session = record(
  {
    state: vocabulary(
      ['open', 'signed-in', 'sign-in', 'first-account'],
      'open: no accounts are made, and this computer may do everything; first-account: the first one has to be made',
    ),
    name: orNull(Type.String()),
    accountId: orNull(uuid),
    role: orNull(role),
    isInstallationAdmin: Type.Boolean({ description: 'May make accounts and workspaces' }),
    workspace: orNull(workspace),
    workspaces: Type.Array(workspace),
    needsSetupCode: Type.Boolean({ description: 'The first account wants the code that the server has printed' }),
    isEncrypted: Type.Boolean({ description: 'Nobody on the way can read what is sent' }),
  },
  'Who one is here',
);
export type Session = Static<typeof session>;

export const signInRequest = record({ signIn: Type.String({ maxLength: 120 }), password: tried }, 'Signing in');
export type SignInRequest = Static<typeof signInRequest>;

export const firstAccount = record(
  { signIn, name: personName, password, setupCode: Type.Optional(Type.String({ maxLength: 100 })) },
  'The first account: it may do everything',
);
export type FirstAccount = Static<typeof firstAccount>;

export const member = record(
  {
    id: uuid,
    signIn: Type.String(),
    name: Type.String(),
    role: orNull(role),
    isInstallationAdmin: Type.Boolean(),
    hasPassword: Type.Boolean({ description: 'False: the invitation has not been taken up' }),
    isClosed: Type.Boolean(),
    lastSeenAt: orNull(instant),
  },
  'Somebody with an account; role null: not of this workspace',
);
export type Member = Static<typeof member>;

export const newMember = record({ signIn, name: personName, role }, 'Somebody to invite into this workspace');
export type NewMember = Static<typeof newMember>;

export const memberChange = record(
  {
    role: Type.Optional(orNull(role)),
    isInstallationAdmin: Type.Optional(Type.Boolean()),
    isClosed: Type.Optional(Type.Boolean()),
  },
  'role null: out of this workspace',
);
export type MemberChange = Static<typeof memberChange>;

export const invitation = record(
  { member, secret: orNull(secret), expiresAt: orNull(instant) },
  'A way in for somebody who has no password yet; secret null: they have one. It is shown once',
);
export type Invitation = Static<typeof invitation>;

export const invitationLook = record({ secret }, 'An invitation to look at');
export const invitedPerson = record({ signIn: Type.String(), name: Type.String() }, 'Who is invited');
export const invitationAccept = record({ secret, password }, 'An invitation taken up');
export type InvitationAccept = Static<typeof invitationAccept>;

export const ownAccountChange = record(
  {
    name: Type.Optional(personName),
    password: Type.Optional(record({ now: tried, next: password }, 'The one that is, and the one to be')),
  },
  'What one changes of oneself',
);
export type OwnAccountChange = Static<typeof ownAccountChange>;

export const tokenRequest = record(
  {
    title: Type.String({ minLength: 1, maxLength: 120, pattern: '\\S', description: 'Purpose' }),
    mostRole: role,
    days: Type.Integer({ minimum: 1, maximum: 366 }),
  },
  'A personal access token for the command line or another program; it works in this workspace only',
);
export type TokenRequest = Static<typeof tokenRequest>;

export const credential = record(
  {
    id: uuid,
    kind: vocabulary(['session', 'token'], 'Signed in somewhere, or a token'),
    title: Type.String(),
    mostRole: orNull(role),
    workspace: orNull(Type.String()),
    isThis: Type.Boolean({ description: 'The one this was asked with' }),
    createdAt: instant,
    usedAt: instant,
    expiresAt: instant,
  },
  'Something that lets one in',
);
export type Credential = Static<typeof credential>;
export const newToken = record({ credential, secret }, 'A new token; the secret is shown once');
export type NewToken = Static<typeof newToken>;

export const newWorkspace = record({ slug, title: workspaceTitle }, 'A workspace to make');
export type NewWorkspace = Static<typeof newWorkspace>;

export const accountEvent = record(
  { at: instant, who: Type.String(), what: Type.String(), about: Type.String() },
  'Something that was done with accounts and workspaces',
);
export type AccountEvent = Static<typeof accountEvent>;
