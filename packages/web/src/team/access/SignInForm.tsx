import type { Session } from '@anvilstone/schema';
import { useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { controlLook, Field } from '../../ui/fields.tsx';
import { useSignInMutation } from '../../sync/api/accessApi.ts';
import { Door, NotEncrypted } from './Door.tsx';
import { PasswordField } from './PasswordField.tsx';

export function SignInForm({ session, isBack }: { session: Session; isBack: boolean }) {
  const [signIn, setSignIn] = useState('');
  const [password, setPassword] = useState('');
  const [enter, { error, isLoading }] = useSignInMutation();
  return (
    <Door title={isBack ? 'Sign in again' : 'Sign in'} onSubmit={() => void enter({ signIn, password })}>
      {isBack && <p className="text-sm text-quiet">Your session has ended. What you have open stays as it is.</p>}
      <NotEncrypted isEncrypted={session.isEncrypted} />
      <Field label="Sign-in name">
        {(ids) => (
          <input
            {...ids}
            autoFocus
            autoComplete="username"
            className={controlLook}
            value={signIn}
            maxLength={120}
            onChange={(event) => setSignIn(event.target.value)}
          />
        )}
      </Field>
      <PasswordField label="Password" value={password} onChange={setPassword} />
      {error !== undefined && <ProblemNotice error={error} />}
      <Button type="submit" look="primary" disabled={isLoading || !signIn || !password}>
        {isLoading ? 'Looking …' : 'Sign in'}
      </Button>
      <p className="text-xs text-quiet">Lost your password? An administrator can send you a new invitation.</p>
    </Door>
  );
}
