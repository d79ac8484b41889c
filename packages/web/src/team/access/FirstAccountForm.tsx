import { SHORTEST_PASSWORD, type Session } from '@anvilstone/schema';
import { useState } from 'react';
import { refusedAt } from '../../sync/api/problem.ts';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/fields.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { useMakeFirstAccountMutation } from '../../sync/api/accessApi.ts';
import { Door, NotEncrypted } from './Door.tsx';
import { PasswordField } from './PasswordField.tsx';

/** The first account on a server that others can reach: whoever makes it proves that they stand at the machine. */
export function FirstAccountForm({ session }: { session: Session }) {
  return (
    <Door title="The first account">
      <p className="text-sm text-quiet">
        This server can be reached from other computers, so everybody signs in. The first account administers the whole
        installation.
      </p>
      <NotEncrypted isEncrypted={session.isEncrypted} />
      <FirstAccountFields needsSetupCode={session.needsSetupCode} />
    </Door>
  );
}

export function FirstAccountFields({ needsSetupCode }: { needsSetupCode: boolean }) {
  const [name, setName] = useState('');
  const [signIn, setSignIn] = useState('');
  const [password, setPassword] = useState('');
  const [setupCode, setSetupCode] = useState('');
  const [make, { error, isLoading }] = useMakeFirstAccountMutation();
  const wrong = refusedAt(error);
  const isShort = password.length > 0 && password.length < SHORTEST_PASSWORD;
  return (
    <>
      {needsSetupCode && (
        <TextField
          label="Code printed by the server"
          value={setupCode}
          error={wrong('/setupCode')}
          onChange={setSetupCode}
        />
      )}
      <TextField label="Your name" value={name} maxLength={120} onChange={setName} />
      <TextField label="Sign-in name" value={signIn} maxLength={120} error={wrong('/signIn')} onChange={setSignIn} />
      <PasswordField
        isNew
        label="Password"
        value={password}
        onChange={setPassword}
        hint={`At least ${SHORTEST_PASSWORD} characters; some words that do not belong together are good.`}
        error={isShort ? `${SHORTEST_PASSWORD - password.length} more characters are needed` : wrong('/password')}
      />
      {error !== undefined && <ProblemNotice error={error} />}
      <Button
        look="primary"
        disabled={isLoading || !name.trim() || signIn.length < 3 || password.length < SHORTEST_PASSWORD}
        onClick={() => void make({ name, signIn, password, ...(needsSetupCode ? { setupCode } : {}) })}
      >
        Create account
      </Button>
    </>
  );
}
