import type { Session } from '@anvilstone/schema';
import { useState } from 'react';
import { addressOfWorkspace } from '../../sync/address/place.ts';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/fields.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { useMakeWorkspaceMutation } from '../../sync/api/accessApi.ts';

/** Workspaces that are open to one, and making another. Each has an address of its own, so that two tabs never mix them up. */
export function Workspaces({ session }: { session: Session }) {
  return (
    <Panel title="Workspaces">
      <ul className="text-sm">
        {session.workspaces.map(({ slug, title, role }) => (
          <li key={slug} className="flex items-center gap-3 border-b border-line py-1 last:border-0">
            <span className="grow">
              {slug === session.workspace?.slug ? (
                <strong>{title}</strong>
              ) : (
                <a className="underline underline-offset-2" href={addressOfWorkspace(slug)}>
                  {title}
                </a>
              )}
            </span>
            <span className="text-quiet">{slug === session.workspace?.slug ? 'this one' : role}</span>
          </li>
        ))}
      </ul>
      {session.isInstallationAdmin && <NewWorkspaceForm />}
    </Panel>
  );
}

function NewWorkspaceForm() {
  const [title, setTitle] = useState('');
  const [make, { error, isLoading }] = useMakeWorkspaceMutation();
  const slug = title
    .toLowerCase()
    .replaceAll(/[^a-z0-9]+/g, '-')
    .replaceAll(/^-+|-+$/g, '')
    .slice(0, 40);
  return (
    <div className="mt-3 border-t border-line pt-3">
      <p className="mb-2 text-xs text-quiet">
        Another workspace has parts, grades, people’s roles and backups of its own; nothing of one is seen in another.
      </p>
      <div className="flex items-end gap-2">
        <div className="grow">
          <TextField label="A new workspace’s name" value={title} maxLength={80} onChange={setTitle} />
        </div>
        <Button
          disabled={isLoading || slug.length < 2}
          onClick={() =>
            void make({ slug, title })
              .unwrap()
              .then(() => setTitle(''))
              .catch(() => undefined)
          }
        >
          Create workspace
        </Button>
      </div>
      {slug.length > 1 && <p className="mt-1 text-xs text-quiet">Its pages begin with /w/{slug}/</p>}
      {error !== undefined && <ProblemNotice error={error} />}
    </div>
  );
}
