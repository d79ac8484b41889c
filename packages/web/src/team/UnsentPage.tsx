import { useState } from 'react';
import { Link } from 'react-router';
import { useSessionQuery } from '../sync/api/accessApi.ts';
import { PREFIX } from '../sync/address/place.ts';
import { issueTexts } from '../sync/api/problem.ts';
import { Button } from '../ui/Button.tsx';
import { Panel } from '../ui/Panel.tsx';
import { moment } from '../ui/when.ts';
import { PageHead } from '../ui/PageHead.tsx';
import { isOf } from '../sync/outbox/queueRequest.ts';
import { drop, keep, type Kept } from '../sync/outbox/outbox.ts';
import { useKept } from '../sync/outbox/useOutbox.ts';

/** What was saved while the server was away, and what it would not have when it was back. */
export function UnsentPage() {
  const kept = useKept();
  return (
    <main className="max-w-4xl p-5">
      <PageHead
        title="Unsent changes"
        says="Changes saved while the server was unreachable are stored in this browser and sent in order. Changes refused by the server stay here until you correct or discard them."
      />
      <Panel title={kept.length === 0 ? 'Nothing' : `${kept.length} stored`}>
        {kept.length === 0 && <p className="text-quiet">All changes are sent.</p>}
        <ul>
          {kept.map((one) => (
            <KeptRow key={one.id} one={one} />
          ))}
        </ul>
      </Panel>
    </main>
  );
}

function KeptRow({ one }: { one: Kept }) {
  const who = useSessionQuery().data?.accountId ?? null;
  const [nowMs] = useState(() => Date.now());
  const [isSure, setSure] = useState(false);
  const isElsewhere = one.prefix !== PREFIX;
  return (
    <li className="border-b border-line py-2 last:border-0">
      <div className="flex items-center gap-2">
        <div className="grow">
          <p className="font-semibold">{one.what}</p>
          <p className="text-sm text-quiet">
            {one.kind === 'brief' ? 'Brief, edited' : 'Saved'} {moment(one.atMs, nowMs)}
            {isElsewhere && ' in another workspace'}
            {!isOf(one, who) && ' by someone else, who has to sign in'}
            {!one.refused && isOf(one, who) && !isElsewhere && ' · waiting for the server'}
          </p>
        </div>
        {!isElsewhere && (
          <Link className="text-sm underline underline-offset-2" to={one.place}>
            Open
          </Link>
        )}
        {one.refused && <Button onClick={() => keep({ ...one, refused: null })}>Send again</Button>}
        <Button onClick={() => (isSure ? drop(one.id) : setSure(true))}>
          {isSure ? 'Discard: it is lost' : 'Discard'}
        </Button>
      </div>
      {one.refused && (
        <div className="mt-1 text-sm text-fail">
          <p>
            {one.refused.title}: {one.refused.detail}
          </p>
          {issueTexts(one.refused).map((text) => (
            <p key={text}>{text}</p>
          ))}
        </div>
      )}
      <details className="mt-1 text-sm">
        <summary className="cursor-pointer text-quiet">What it holds</summary>
        <pre className="max-h-72 overflow-auto rounded bg-sunken p-2 text-xs">
          {JSON.stringify(one.kind === 'brief' ? one.brief : one.body, null, 2)}
        </pre>
      </details>
    </li>
  );
}
