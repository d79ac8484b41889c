import type {
  Credential,
  FirstAccount,
  AccountEvent,
  Invitation,
  InvitationAccept,
  Member,
  MemberChange,
  NewMember,
  NewToken,
  NewWorkspace,
  OwnAccountChange,
  Session,
  SignInRequest,
  TokenRequest,
  Workspace,
} from '@anvilstone/schema';
import { api } from './api.ts';

const post = (url: string, body?: object) => ({ url, method: 'POST', ...(body ? { body } : {}) });

export const {
  useSessionQuery,
  useSignInMutation,
  useSignOutMutation,
  useMakeFirstAccountMutation,
  useMembersQuery,
  useInviteMutation,
  useInviteAgainMutation,
  useChangeMemberMutation,
  useLookAtInvitationQuery,
  useAcceptInvitationMutation,
  useChangeOwnAccountMutation,
  useCredentialsQuery,
  useMakeTokenMutation,
  useEndCredentialMutation,
  useMakeWorkspaceMutation,
  useAccountEventsQuery,
} = api.injectEndpoints({
  endpoints: (build) => ({
    session: build.query<Session, void>({ query: () => 'session', providesTags: ['Session'] }),
    signIn: build.mutation<void, SignInRequest>({
      query: (body) => post('session', body),
      invalidatesTags: ['Session'],
    }),
    signOut: build.mutation<void, void>({ query: () => ({ url: 'session', method: 'DELETE' }) }),
    makeFirstAccount: build.mutation<void, FirstAccount>({
      query: (body) => post('accounts/first', body),
      invalidatesTags: ['Session', 'Member', 'Credential'],
    }),
    members: build.query<Member[], boolean>({
      query: (everybody) => (everybody ? 'members?all=yes' : 'members'),
      providesTags: ['Member'],
    }),
    invite: build.mutation<Invitation, NewMember>({
      query: (body) => post('members', body),
      invalidatesTags: ['Member'],
    }),
    inviteAgain: build.mutation<Invitation, string>({
      query: (id) => post(`members/${id}/invitation`),
      invalidatesTags: ['Member'],
    }),
    changeMember: build.mutation<Member, MemberChange & { id: string }>({
      query: ({ id, ...body }) => ({ url: `members/${id}`, method: 'PUT', body }),
      invalidatesTags: ['Member', 'Session'],
    }),
    lookAtInvitation: build.query<{ signIn: string; name: string }, string>({
      query: (secret) => post('invitations/look', { secret }),
    }),
    acceptInvitation: build.mutation<void, InvitationAccept>({
      query: (body) => post('invitations/accept', body),
      invalidatesTags: ['Session'],
    }),
    changeOwnAccount: build.mutation<void, OwnAccountChange>({
      query: (body) => ({ url: 'account', method: 'PUT', body }),
      invalidatesTags: ['Session', 'Member', 'Credential'],
    }),
    credentials: build.query<Credential[], void>({ query: () => 'account/credentials', providesTags: ['Credential'] }),
    makeToken: build.mutation<NewToken, TokenRequest>({
      query: (body) => post('account/tokens', body),
      invalidatesTags: ['Credential'],
    }),
    endCredential: build.mutation<void, string>({
      query: (id) => ({ url: `account/credentials/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Credential'],
    }),
    makeWorkspace: build.mutation<Workspace, NewWorkspace>({
      query: (body) => post('workspaces', body),
      invalidatesTags: ['Session'],
    }),
    accountEvents: build.query<AccountEvent[], void>({ query: () => 'account-events', providesTags: ['Member'] }),
  }),
});
