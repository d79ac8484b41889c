import { documentChanges } from '@anvilstone/core/decisions';
import type { RecordedChange } from '@anvilstone/schema';
import { useState } from 'react';
import { Link } from 'react-router';
import { Button } from '../../ui/Button.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { moment } from '../../ui/when.ts';
import { useChangeQuery, usePutBackMutation } from './historyApi.ts';
import { addressOf, KIND_WORDS } from './kindWords.ts';
import { useSay } from '../../ui/useSay.ts';

/** Changes, newest first; each opens to what it changed. `named`: of many records, so that each says which. */
export function ChangeList({
  changes,
  named,
  onPutBack,
}: {
  changes: readonly RecordedChange[];
  named: boolean;
  onPutBack?: () => void;
}) {
  const [open, setOpen] = useState<string>();
  const [nowMs] = useState(() => Date.now());
  return (
    <ul className="text-sm">
      {changes.map((change) => (
        <li key={change.id} className="border-b border-line last:border-0">
          <button
            type="button"
            aria-expanded={open === change.id}
            className="flex w-full items-baseline gap-3 py-1.5 text-left hover:bg-sunken"
            onClick={() => setOpen(open === change.id ? undefined : change.id)}
          >
            <span className="w-32 shrink-0 text-quiet">{moment(Date.parse(change.at), nowMs)}</span>
            <span className="min-w-0 grow truncate">
              <strong>{change.who}</strong> {change.action}
              {named && (
                <>
                  {' '}
                  {(KIND_WORDS[change.kind] ?? change.kind).toLowerCase()} {change.title ? `“${change.title}”` : ''}
                </>
              )}
            </span>
            <span className="shrink-0 text-quiet">{change.revision === null ? '' : `revision ${change.revision}`}</span>
          </button>
          {open === change.id && <Detail change={change} named={named} {...(onPutBack ? { onPutBack } : {})} />}
        </li>
      ))}
    </ul>
  );
}

const MOST_FIELDS = 40;

function Detail({ change, named, onPutBack }: { change: RecordedChange; named: boolean; onPutBack?: () => void }) {
  const { currentData: detail, error } = useChangeQuery(change.id);
  const [putBack, putting] = usePutBackMutation();
  const say = useSay();
  if (error !== undefined) return <ProblemNotice error={error} />;
  if (!detail) return <p className="py-1 text-quiet">Reading …</p>;
  const area = KIND_WORDS[change.kind] ?? change.kind;
  const fields =
    detail.before !== null && detail.after !== null ? documentChanges(area, detail.before, detail.after) : [];
  const address = addressOf(change.kind, change.record);
  return (
    <div className="mb-2 rounded bg-sunken p-3">
      {fields.length > 0 ? (
        <table className="w-full text-left">
          <thead className="text-xs text-quiet">
            <tr>
              <th className="font-normal">Field</th>
              <th className="font-normal">Before</th>
              <th className="font-normal">After</th>
            </tr>
          </thead>
          <tbody>
            {fields.slice(0, MOST_FIELDS).map((field, i) => (
              <tr key={i} className="border-t border-line align-top">
                <td className="py-0.5 pr-3">{field.field}</td>
                <td className="py-0.5 pr-3 break-words">{say(field.before ?? 'not given')}</td>
                <td className="py-0.5 break-words">{say(field.after ?? 'not given')}</td>
              </tr>
            ))}
          </tbody>
        </table>
      ) : (
        <p className="text-quiet">{nothingToCompare(change)}</p>
      )}
      {fields.length > MOST_FIELDS && <p className="text-quiet">and {fields.length - MOST_FIELDS} more</p>}
      {putting.error !== undefined && <ProblemNotice error={putting.error} />}
      <div className="mt-2 flex items-center gap-2">
        {detail.canBePutBack && (
          <Button
            disabled={putting.isLoading}
            onClick={() =>
              void putBack(change.id)
                .unwrap()
                .then(() => onPutBack?.())
                .catch(() => undefined)
            }
          >
            Restore previous version
          </Button>
        )}
        {named && address && change.action !== 'removed' && (
          <Link to={address} className="underline underline-offset-2">
            Open
          </Link>
        )}
      </div>
    </div>
  );
}

const nothingToCompare = ({ action, kind }: RecordedChange): string =>
  action === 'added'
    ? 'Created.'
    : action === 'removed'
      ? 'Deleted.'
      : `Of ${(KIND_WORDS[kind] ?? kind).toLowerCase()}, only that it changed is noted.`;
