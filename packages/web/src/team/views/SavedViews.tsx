import type { SavedView } from '@anvilstone/schema';
import { Popover } from 'radix-ui';
import { useState, type FormEvent } from 'react';
import { Link, useSearchParams } from 'react-router';
import { Button } from '../../ui/Button.tsx';
import { buttonLook } from '../../ui/buttonLook.ts';
import { controlLook, Field } from '../../ui/fields.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { useRemoveViewMutation, useSaveViewMutation, useViewsQuery } from './viewsApi.ts';

/** Not part of a view: what is looked into for a moment. */
const PASSING = ['grade', 'check', 'built', 'was'];

/** What is set on a stage, kept under a name with the part, for everyone who works on it. */
export function SavedViews({ partId, stage }: { partId: string; stage: SavedView['stage'] }) {
  const [search] = useSearchParams();
  const { data = [], error } = useViewsQuery(partId);
  const [save, saving] = useSaveViewMutation();
  const [remove, removing] = useRemoveViewMutation();
  const [name, setName] = useState('');
  const views = data.filter((view) => view.stage === stage);
  const kept = new URLSearchParams(search);
  for (const key of PASSING) kept.delete(key);
  const now = kept.toString();
  const current = views.find((view) => view.search === now);
  const replaces = views.some((view) => view.name === name.trim());
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (name.trim() === '') return;
    void save({ partId, stage, name: name.trim(), search: now })
      .unwrap()
      .then(() => setName(''))
      .catch(() => undefined);
  };
  const problem = error ?? saving.error ?? removing.error;
  return (
    <Popover.Root>
      <Popover.Trigger className={buttonLook('plain', 'max-w-40 shrink-0 truncate print:hidden')}>
        {current ? current.name : views.length > 0 ? `Views (${views.length})` : 'Save view'}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={6}
          className="z-40 w-80 rounded-md border border-line-strong bg-surface p-3 shadow-2xl"
        >
          <h2 className="text-sm">Kept views</h2>
          {views.length === 0 && (
            <p className="text-sm text-quiet">
              None yet. What is ranked, sorted, grouped, found and pinned here can be kept under a name.
            </p>
          )}
          <ul className="my-2">
            {views.map((view) => (
              <li key={view.name} className="flex items-center gap-2 text-sm">
                <Popover.Close asChild>
                  <Link
                    to={{ search: view.search }}
                    aria-current={view === current ? 'true' : undefined}
                    className={`min-w-0 grow truncate py-1 hover:underline ${view === current ? 'font-semibold' : ''}`}
                  >
                    {view.name}
                  </Link>
                </Popover.Close>
                <Button
                  look="quiet"
                  aria-label={`Forget the view ${view.name}`}
                  onClick={() => void remove({ partId, stage, name: view.name })}
                >
                  Forget
                </Button>
              </li>
            ))}
          </ul>
          <form onSubmit={submit} className="flex items-end gap-2 border-t border-line pt-2">
            <div className="grow">
              <Field label="Keep what is set now as">
                {(ids) => (
                  <input
                    {...ids}
                    className={controlLook}
                    maxLength={120}
                    value={name}
                    onChange={(event) => setName(event.target.value)}
                  />
                )}
              </Field>
            </div>
            <button type="submit" className={buttonLook('primary')} disabled={name.trim() === '' || saving.isLoading}>
              {replaces ? 'Replace' : 'Keep'}
            </button>
          </form>
          {problem && <ProblemNotice error={problem} />}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
