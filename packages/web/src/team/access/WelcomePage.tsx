import { SHORTEST_PASSWORD } from '@anvilstone/schema';
import { useState } from 'react';
import { PREFIX } from '../../sync/address/place.ts';
import { Button } from '../../ui/Button.tsx';
import { refusedAt } from '../../sync/api/problem.ts';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { useAcceptInvitationMutation, useLookAtInvitationQuery, useSessionQuery } from '../../sync/api/accessApi.ts';
import { Door, NotEncrypted } from './Door.tsx';
import { PasswordField } from './PasswordField.tsx';

/** Where an invitation leads. Its secret stands after the #, which browsers send to nobody and servers write in no log. */
export function WelcomePage() {
  const [secret] = useState(() => location.hash.slice(1));
  const { data: person, error } = useLookAtInvitationQuery(secret);
  const { data: session } = useSessionQuery();
  const [password, setPassword] = useState('');
  const [accept, { error: refused, isLoading }] = useAcceptInvitationMutation();
  const isShort = password.length > 0 && password.length < SHORTEST_PASSWORD;
  const enter = async () => {
    await accept({ secret, password }).unwrap();
    location.replace(`${PREFIX}/parts`);
  };
  return (
    <div className="fixed inset-0 z-50 overflow-auto bg-ground">
      <Door
        title={person ? `Welcome, ${person.name}` : 'An invitation'}
        onSubmit={() => void enter().catch(() => undefined)}
      >
        {error !== undefined && <ProblemNotice error={error} />}
        {person && (
          <>
            <p className="text-quiet">
              You sign in as <strong>{person.signIn}</strong>. Choose a password of your own; nobody else gets to know
              it.
            </p>
            <NotEncrypted isEncrypted={session?.isEncrypted ?? true} />
            <PasswordField
              isNew
              label="Password"
              value={password}
              onChange={setPassword}
              hint={`At least ${SHORTEST_PASSWORD} characters.`}
              error={
                isShort
                  ? `${SHORTEST_PASSWORD - password.length} more characters are needed`
                  : refusedAt(refused)('/password')
              }
            />
            {refused !== undefined && <ProblemNotice error={refused} />}
            <Button type="submit" look="primary" disabled={isLoading || password.length < SHORTEST_PASSWORD}>
              Sign in
            </Button>
          </>
        )}
      </Door>
    </div>
  );
}
