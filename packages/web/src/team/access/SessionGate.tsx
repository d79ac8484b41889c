import { lazy, Suspense, useState, type ReactNode } from 'react';
import { useSessionQuery } from '../../sync/api/accessApi.ts';

const FirstAccountForm = lazy(async () => ({ default: (await import('./FirstAccountForm.tsx')).FirstAccountForm }));
const SignInForm = lazy(async () => ({ default: (await import('./SignInForm.tsx')).SignInForm }));

/**
 * Nobody sees a page before the server knows who they are. Whoever was in and is not any more signs in over the page they have open, which
 * stays as it is behind: nothing that was typed goes. A server that does not answer locks nobody out of what is on this computer.
 */
export function SessionGate({ children }: { children: ReactNode }) {
  const { data: session, isLoading, error } = useSessionQuery();
  const [wasIn, setWasIn] = useState(false);
  const isIn = session?.state === 'open' || session?.state === 'signed-in';
  if (isIn && !wasIn) setWasIn(true);
  // Its own door: whoever is invited has nothing to sign in with yet.
  const isInvited = location.pathname.endsWith('/welcome') && location.hash.length > 1;
  if (isLoading) return null;
  const isOut = session !== undefined && !isIn && !isInvited;
  return (
    <>
      {(wasIn || isInvited || (error !== undefined && !session)) && children}
      {isOut && (
        <div className="fixed inset-0 z-50 overflow-auto bg-ground">
          <Suspense>
            {session.state === 'first-account' ? (
              <FirstAccountForm session={session} />
            ) : (
              <SignInForm session={session} isBack={wasIn} />
            )}
          </Suspense>
        </div>
      )}
    </>
  );
}
