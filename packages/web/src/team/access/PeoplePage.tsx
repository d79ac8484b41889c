import { Loading } from '../../ui/Loading.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { PageHead } from '../../ui/PageHead.tsx';
import { useSessionQuery } from '../../sync/api/accessApi.ts';
import { FirstAccountFields } from './FirstAccountForm.tsx';
import { AccountLog } from './AccountLog.tsx';
import { Members } from './Members.tsx';
import { Tokens } from './Tokens.tsx';
import { Workspaces } from './Workspaces.tsx';
import { You } from './You.tsx';

/** Who is let in, to what, and with which keys. */
export function PeoplePage() {
  const { data: session } = useSessionQuery();
  if (!session) return <Loading what="the people" />;
  const isOpen = session.state === 'open';
  return (
    <main className="p-5">
      <PageHead
        title="People"
        says={
          isOpen
            ? 'No accounts: anyone at this computer has full access, and nobody else can reach the server.'
            : 'Accounts, roles and access tokens.'
        }
      />
      <div className="grid grid-cols-2 narrow:grid-cols-1 items-start gap-4">
        {isOpen ? (
          <Panel title="Set up accounts">
            <p className="mb-3 text-sm text-quiet">
              With the first account, yours, everybody signs in, and every change bears a name. It administers the whole
              installation and invites the others. This cannot be undone.
            </p>
            <div className="flex flex-col gap-3">
              <FirstAccountFields needsSetupCode={session.needsSetupCode} />
            </div>
          </Panel>
        ) : (
          <div className="flex flex-col gap-4">
            <You session={session} />
            <Tokens session={session} />
          </div>
        )}
        <div className="flex flex-col gap-4">
          {!isOpen && session.role === 'administrator' && <Members session={session} />}
          <Workspaces session={session} />
          {!isOpen && session.isInstallationAdmin && <AccountLog />}
        </div>
      </div>
    </main>
  );
}
