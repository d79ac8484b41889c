import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { useAllDecisionsQuery, useReceivedQuery } from '../decisionApi.ts';
import { controlLook, Field } from '../../../ui/fields.tsx';
import { Loading } from '../../../ui/Loading.tsx';
import { Panel } from '../../../ui/Panel.tsx';
import { ProblemNotice } from '../../../ui/ProblemNotice.tsx';
import { PageHead } from '../../../ui/PageHead.tsx';
import { CheckAllPanel } from './CheckAllPanel.tsx';
import { CheckFilePanel } from './CheckFilePanel.tsx';

/** Every frozen decision of the workshop, and those that came from elsewhere. */
export function RecordsPage() {
  const { data: decisions, error } = useAllDecisionsQuery();
  const [find, setFind] = useState('');
  const shown = useMemo(() => {
    const words = find.toLowerCase().split(/\s+/).filter(Boolean);
    return decisions?.filter((one) => {
      const text = `${one.number} ${one.title} ${one.gradeName} ${one.decidedBy} ${one.reasons}`.toLowerCase();
      return words.every((word) => text.includes(word));
    });
  }, [decisions, find]);
  return (
    <main className="p-5">
      <PageHead title="Records" says="Frozen, numbered decisions with their reasons, recomputed on request.">
        <div className="w-64">
          <Field label="Search part, grade, person and reason">
            {(ids) => (
              <input {...ids} className={controlLook} value={find} onChange={(event) => setFind(event.target.value)} />
            )}
          </Field>
        </div>
      </PageHead>
      <div className="grid grid-cols-[minmax(0,1fr)_24rem] narrow:grid-cols-1 items-start gap-4">
        <Panel title="Decisions of this workspace">
          {error !== undefined && <ProblemNotice error={error} />}
          {!shown && error === undefined && <Loading what="the decisions" />}
          {shown?.length === 0 && (
            <p className="text-quiet">
              {find === '' ? 'None yet: a part’s Decision stage freezes the first one.' : 'No match.'}
            </p>
          )}
          {shown && shown.length > 0 && (
            <table className="w-full">
              <thead>
                <tr className="text-left text-xs text-quiet">
                  {['No.', 'Part', 'Chosen', 'Decided', 'Signed'].map((title) => (
                    <th key={title} className="pr-3 pb-1 font-normal">
                      {title}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {shown.map((one) => (
                  <tr key={one.id} className="border-t border-line align-top">
                    <td className="py-1.5 pr-3">{one.number}</td>
                    <td className="py-1.5 pr-3">
                      <Link
                        className="font-semibold underline underline-offset-2"
                        to={`/parts/${one.partId}/decision?record=${one.id}`}
                      >
                        {one.title}
                      </Link>
                      {decisions!.some((other) => other.partId === one.partId && other.supersedes === one.number) && (
                        <span className="block text-xs text-quiet">superseded</span>
                      )}
                    </td>
                    <td className="py-1.5 pr-3">
                      {one.gradeName}, {one.builtAs}
                    </td>
                    <td className="py-1.5 pr-3">
                      {one.decidedAt.slice(0, 10)}
                      <span className="block text-xs text-quiet">{one.decidedBy}</span>
                    </td>
                    <td className="py-1.5">{one.signedBy ?? <span className="text-quiet">not signed</span>}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
        </Panel>
        <div className="flex flex-col gap-4">
          <CheckAllPanel />
          <CheckFilePanel />
          <ReceivedPanel />
        </div>
      </div>
    </main>
  );
}

function ReceivedPanel() {
  const { data: received } = useReceivedQuery();
  return (
    <Panel title="Saved from other installations">
      {received?.length === 0 && <p className="text-quiet">None. A record verified above can be saved here.</p>}
      <ul className="flex flex-col gap-2">
        {received?.map((one) => (
          <li key={one.id} className="rounded border border-line px-3 py-1.5">
            <p className="font-semibold">
              <Link className="underline underline-offset-2" to={`/records/received/${one.id}`}>
                No. {one.number} there: {one.title}
              </Link>
            </p>
            <p className="text-sm">
              {one.gradeName}, {one.decidedAt.slice(0, 10)}, {one.decidedBy}
            </p>
            <p className="text-xs text-quiet">
              Key {one.fingerprint} · kept {one.receivedAt.slice(0, 10)} by {one.receivedBy}
              {one.verdict === 'differs' && ' · different result here'}
            </p>
          </li>
        ))}
      </ul>
    </Panel>
  );
}
