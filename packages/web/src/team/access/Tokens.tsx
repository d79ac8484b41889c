import { ROLES, type NewToken, type Role, type Session } from '@anvilstone/schema';
import { useState } from 'react';
import { hereAddress } from '../../sync/address/place.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice, TextField } from '../../ui/fields.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { moment } from '../../ui/when.ts';
import { useCredentialsQuery, useEndCredentialMutation, useMakeTokenMutation } from '../../sync/api/accessApi.ts';
import { ShownOnce } from './ShownOnce.tsx';

const DAYS = [30, 90, 366] as const;

/** Where one is signed in, and the tokens for the command line and other programs. */
export function Tokens({ session }: { session: Session }) {
  const { data: credentials, error } = useCredentialsQuery();
  const [end] = useEndCredentialMutation();
  const [make, making] = useMakeTokenMutation();
  const [title, setTitle] = useState('');
  const [mostRole, setMostRole] = useState<Role>('viewer');
  const [days, setDays] = useState<number>(90);
  const [made, setMade] = useState<NewToken>();
  const [nowMs] = useState(() => Date.now());
  const within = ROLES.slice(0, ROLES.indexOf(session.role ?? 'viewer') + 1);
  const submit = async () => {
    setMade(await make({ title, mostRole, days }).unwrap());
    setTitle('');
  };
  return (
    <Panel title="Sessions and access tokens">
      {error !== undefined && <ProblemNotice error={error} />}
      <ul className="mb-3 text-sm">
        {credentials?.map((one) => (
          <li key={one.id} className="flex items-center gap-3 border-b border-line py-1 last:border-0">
            <span className="w-16 shrink-0 text-quiet">{one.kind === 'token' ? 'Token' : 'Signed in'}</span>
            <span className="min-w-0 grow truncate" title={one.title}>
              {one.kind === 'token'
                ? `${one.title} · at most ${one.mostRole} · ${one.workspace}`
                : programWords(one.title)}
            </span>
            <span className="shrink-0 text-quiet">used {moment(Date.parse(one.usedAt), nowMs)}</span>
            {one.isThis ? (
              <span className="w-14 shrink-0 text-right text-quiet">this one</span>
            ) : (
              <Button look="quiet" aria-label={`End ${one.title || 'this session'}`} onClick={() => void end(one.id)}>
                End
              </Button>
            )}
          </li>
        ))}
      </ul>
      <h3 className="text-sm font-semibold">A token for the command line or another program</h3>
      <p className="mb-2 text-xs text-quiet">
        It works in this workspace only, within the role you give it, and cannot change accounts.
      </p>
      <div className="grid grid-cols-[2fr_1fr_1fr] gap-2">
        <TextField label="Purpose" value={title} maxLength={120} onChange={setTitle} />
        <Choice
          label="At most"
          value={mostRole}
          options={within.map((role) => ({ value: role, label: role }))}
          onChange={setMostRole}
        />
        <Choice
          label="Good for"
          value={String(days)}
          options={DAYS.map((one) => ({ value: String(one), label: one === 366 ? 'a year' : `${one} days` }))}
          onChange={(value) => setDays(Number(value))}
        />
      </div>
      <div className="mt-2">
        <Button disabled={!title.trim() || making.isLoading} onClick={() => void submit().catch(() => undefined)}>
          Create token
        </Button>
      </div>
      {making.error !== undefined && <ProblemNotice error={making.error} />}
      {made && (
        <>
          <ShownOnce what={`The token “${made.credential.title}”`} text={made.secret} />
          <ShownOnce
            what="The calendar subscription address, with that token in it,"
            text={`${hereAddress()}/api/v1/service/inspections.ics?key=${made.secret}`}
          />
        </>
      )}
    </Panel>
  );
}

/** The longest part of what a browser says of itself that tells it from others. */
function programWords(program: string): string {
  const found = /(Firefox|Edg|Chrome|Safari|curl|node)[/ ]?(\d+)?/.exec(program);
  const system = /Windows|Android|iPhone|Mac OS X|Linux/.exec(program)?.[0] ?? '';
  return found
    ? `${found[1] === 'Edg' ? 'Edge' : found[1]} ${system}`.trim()
    : program.slice(0, 40) || 'unnamed program';
}
