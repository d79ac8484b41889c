import { ROLES, type Invitation, type Member, type Role, type Session } from '@anvilstone/schema';
import { useState } from 'react';
import { refusedAt } from '../../sync/api/problem.ts';
import { hereAddress } from '../../sync/address/place.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice, TextField } from '../../ui/fields.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { moment } from '../../ui/when.ts';
import {
  useChangeMemberMutation,
  useInviteAgainMutation,
  useInviteMutation,
  useMembersQuery,
} from '../../sync/api/accessApi.ts';
import { ROLE_WORDS } from './roleWords.ts';
import { ShownOnce } from './ShownOnce.tsx';

const NONE = 'none';
const roleOptions = [
  ...ROLES.map((role) => ({ value: role as Role | typeof NONE, label: role })),
  { value: NONE as typeof NONE, label: 'not here' },
];

/** People of this workspace: invited, given another role, let go. */
export function Members({ session }: { session: Session }) {
  const { data: members, error } = useMembersQuery(session.isInstallationAdmin);
  const [change, changing] = useChangeMemberMutation();
  const [again, inviting] = useInviteAgainMutation();
  const [invitation, setInvitation] = useState<Invitation>();
  const [nowMs] = useState(() => Date.now());
  const failure = error ?? changing.error ?? inviting.error;
  return (
    <Panel title={`People of ${session.workspace?.title ?? 'this workspace'}`}>
      {failure !== undefined && <ProblemNotice error={failure} />}
      <ul className="text-sm">
        {members?.map((member) => (
          <li key={member.id} className="border-b border-line py-2 last:border-0">
            <div className="flex items-center gap-3">
              <div className="min-w-0 grow">
                <p className="truncate font-medium">
                  {member.name} <span className="font-normal text-quiet">{member.signIn}</span>
                </p>
                <p className="text-xs text-quiet">{stateOf(member, nowMs)}</p>
              </div>
              <div className="w-36 shrink-0">
                <Choice
                  label={`Role of ${member.name}`}
                  value={member.role ?? NONE}
                  options={roleOptions}
                  onChange={(role) => void change({ id: member.id, role: role === NONE ? null : role })}
                />
              </div>
            </div>
            <div className="mt-1 flex flex-wrap gap-1">
              {!member.isClosed && (
                <Button
                  look="quiet"
                  onClick={() =>
                    void again(member.id)
                      .unwrap()
                      .then(setInvitation, () => undefined)
                  }
                >
                  {member.hasPassword ? 'Lost password' : 'New invitation'}
                </Button>
              )}
              {session.isInstallationAdmin && (
                <>
                  <Button
                    look="quiet"
                    onClick={() => void change({ id: member.id, isInstallationAdmin: !member.isInstallationAdmin })}
                  >
                    {member.isInstallationAdmin
                      ? 'Remove installation administrator'
                      : 'Make installation administrator'}
                  </Button>
                  <Button look="quiet" onClick={() => void change({ id: member.id, isClosed: !member.isClosed })}>
                    {member.isClosed ? 'Open the account again' : 'Close the account'}
                  </Button>
                </>
              )}
            </div>
          </li>
        ))}
      </ul>
      <InviteForm onInvited={setInvitation} />
      {invitation?.secret && (
        <ShownOnce
          what={`The invitation of ${invitation.member.name}, good for a week,`}
          text={`${hereAddress()}/welcome#${invitation.secret}`}
        />
      )}
      {invitation && !invitation.secret && (
        <p role="status" className="mt-3 text-sm">
          {invitation.member.name} already has an account and signs in with it.
        </p>
      )}
    </Panel>
  );
}

function stateOf(member: Member, nowMs: number): string {
  if (member.isClosed) return 'account closed: no access; their name stays on what they did';
  if (!member.hasPassword) return 'invited, not here yet';
  const seen = member.lastSeenAt ? `last here ${moment(Date.parse(member.lastSeenAt), nowMs)}` : 'not here yet';
  const what = member.role ? ROLE_WORDS[member.role] : 'not of this workspace';
  return `${what} · ${seen}${member.isInstallationAdmin ? ' · administers the installation' : ''}`;
}

function InviteForm({ onInvited }: { onInvited: (invitation: Invitation) => void }) {
  const [signIn, setSignIn] = useState('');
  const [name, setName] = useState('');
  const [role, setRole] = useState<Role>('engineer');
  const [invite, { error, isLoading }] = useInviteMutation();
  const wrong = refusedAt(error);
  const submit = async () => {
    onInvited(await invite({ signIn, name, role }).unwrap());
    setSignIn('');
    setName('');
  };
  return (
    <div className="mt-3 border-t border-line pt-3">
      <h3 className="mb-1 text-sm font-semibold">Invite a person</h3>
      <div className="grid grid-cols-[2fr_2fr_1.4fr] gap-2">
        <TextField label="Name" value={name} maxLength={120} onChange={setName} />
        <TextField label="Sign-in name" value={signIn} maxLength={120} error={wrong('/signIn')} onChange={setSignIn} />
        <Choice
          label="Role"
          value={role}
          options={ROLES.map((one) => ({ value: one, label: one }))}
          onChange={setRole}
        />
      </div>
      <p className="mt-1 text-xs text-quiet">
        {role[0]!.toUpperCase() + role.slice(1)}: {ROLE_WORDS[role]}.
      </p>
      {error !== undefined && wrong('/signIn') === undefined && <ProblemNotice error={error} />}
      <div className="mt-2">
        <Button
          disabled={isLoading || !name.trim() || signIn.length < 3}
          onClick={() => void submit().catch(() => undefined)}
        >
          Invite
        </Button>
      </div>
    </div>
  );
}
