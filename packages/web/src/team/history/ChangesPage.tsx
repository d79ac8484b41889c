import type { RecordedChange } from '@anvilstone/schema';
import { useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/fields.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { PageHead } from '../../ui/PageHead.tsx';
import { ChangeList } from './ChangeList.tsx';
import { useChangesQuery, type ChangesAsked } from './historyApi.ts';
import { KIND_WORDS } from './kindWords.ts';

const EVERY = 'everything';

/** Who changed what and when, over the whole workshop. */
export function ChangesPage() {
  const [kind, setKind] = useState(EVERY);
  const [who, setWho] = useState<string>();
  const asked: ChangesAsked = { ...(kind === EVERY ? {} : { kind }), ...(who === undefined ? {} : { who }) };
  return (
    <main className="p-5">
      <PageHead
        title="Changes"
        says="Who changed what, and when. Earlier versions can be restored; grades and company rules keep their history on their own pages."
      />
      <div className="mb-3 flex items-end gap-3">
        <div className="w-52">
          <Choice
            label="Of"
            value={kind}
            options={[
              { value: EVERY, label: 'everything' },
              ...Object.entries(KIND_WORDS).map(([value, label]) => ({ value, label: label.toLowerCase() })),
            ]}
            onChange={setKind}
          />
        </div>
        {who !== undefined && (
          <Button look="quiet" onClick={() => setWho(undefined)}>
            By {who} only ×
          </Button>
        )}
      </div>
      <Page key={JSON.stringify(asked)} asked={asked} onWho={setWho} isFirst />
    </main>
  );
}

/** One page of them and, when asked for, the next below it. */
function Page({ asked, onWho, isFirst }: { asked: ChangesAsked; onWho: (who: string) => void; isFirst?: boolean }) {
  const { currentData: changes, error, refetch } = useChangesQuery(asked);
  const [more, setMore] = useState(false);
  if (error !== undefined) return <ProblemNotice error={error} />;
  if (!changes) return <p className="text-quiet">Reading …</p>;
  const last = changes.at(-1);
  if (!last) return <p className="text-quiet">{isFirst ? 'None yet.' : 'No more changes.'}</p>;
  return (
    <>
      {isFirst && <People changes={changes} onWho={onWho} />}
      <ChangeList named changes={changes} onPutBack={() => void refetch()} />
      {more ? (
        <Page asked={{ ...asked, before: last.id }} onWho={onWho} />
      ) : (
        changes.length >= PAGE && (
          <Button look="quiet" onClick={() => setMore(true)}>
            Earlier
          </Button>
        )
      )}
    </>
  );
}
const PAGE = 50;

function People({ changes, onWho }: { changes: readonly RecordedChange[]; onWho: (who: string) => void }) {
  const names = [...new Set(changes.map(({ who }) => who))];
  if (names.length < 2) return null;
  return (
    <p className="mb-2 flex flex-wrap items-center gap-1 text-sm text-quiet">
      Only by
      {names.map((name) => (
        <Button key={name} look="quiet" onClick={() => onWho(name)}>
          {name}
        </Button>
      ))}
    </p>
  );
}
