import { SHORTEST_PASSWORD, type Session } from '@anvilstone/schema';
import { useState } from 'react';
import { refusedAt } from '../../sync/api/problem.ts';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/fields.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { useChangeOwnAccountMutation, useSignOutMutation } from '../../sync/api/accessApi.ts';
import { PasswordField } from './PasswordField.tsx';
import { ROLE_WORDS } from './roleWords.ts';

export function You({ session }: { session: Session }) {
  const [name, setName] = useState(session.name ?? '');
  const [now, setNow] = useState('');
  const [next, setNext] = useState('');
  const [change, { error, isLoading }] = useChangeOwnAccountMutation();
  const [signOut] = useSignOutMutation();
  const [isChanged, setChanged] = useState(false);
  const refused = refusedAt(error);
  const [wrongNow, wrongNext] = [refused('/password/now'), refused('/password/next')];
  const changePassword = async () => {
    await change({ password: { now, next } }).unwrap();
    setNow('');
    setNext('');
    setChanged(true);
  };
  return (
    <Panel
      title="You"
      aside={
        <Button
          look="quiet"
          onClick={() =>
            void signOut()
              .unwrap()
              // What was read goes with it.
              .finally(() => location.reload())
          }
        >
          Sign out
        </Button>
      }
    >
      <p className="mb-3">
        <strong>{session.name}</strong>
        {session.role ? `, ${session.role}: ${ROLE_WORDS[session.role]}.` : ', of no role in this workspace.'}
        {session.isInstallationAdmin && ' You administer the whole installation.'}
      </p>
      <div className="mb-4 flex items-end gap-2">
        <div className="grow">
          <TextField label="Name, as others see it" value={name} maxLength={120} onChange={setName} />
        </div>
        <Button disabled={!name.trim() || name === session.name} onClick={() => void change({ name })}>
          Change the name
        </Button>
      </div>
      <div className="grid grid-cols-2 gap-3">
        <PasswordField label="Password now" value={now} onChange={setNow} error={wrongNow} />
        <PasswordField
          isNew
          label="New password"
          value={next}
          onChange={setNext}
          error={wrongNext}
          hint={`At least ${SHORTEST_PASSWORD} characters. Elsewhere you are signed out, and your tokens end.`}
        />
      </div>
      {error !== undefined && (wrongNow ?? wrongNext) === undefined && <ProblemNotice error={error} />}
      <div className="mt-2 flex items-center gap-2">
        <Button
          disabled={isLoading || !now || next.length < SHORTEST_PASSWORD}
          onClick={() => void changePassword().catch(() => undefined)}
        >
          Change the password
        </Button>
        {isChanged && !error && <span className="text-sm text-pass">✓ Changed</span>}
      </div>
    </Panel>
  );
}
