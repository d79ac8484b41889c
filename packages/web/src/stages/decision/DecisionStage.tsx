import { useState } from 'react';
import { useDecisionsQuery } from '../../sync/api/api.ts';
import { useAppSelector } from '../../sync/store/store.ts';
import { useWholeAddress } from '../../sync/address/useAddress.ts';
import { usePartContext } from '../parts/partContext.ts';
import { Loading } from '../../ui/Loading.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { ChoiceForm } from './ChoiceForm.tsx';
import { DecisionRecord } from './DecisionRecord.tsx';

/** What was chosen, on what grounds: the frozen records of this part, and the form for the next one. */
export function DecisionStage() {
  const { partId } = usePartContext();
  const { data: decisions, error } = useDecisionsQuery(partId);
  const [search, write] = useWholeAddress();
  const show = (record?: string) => write(new URLSearchParams(record === undefined ? {} : { record }));
  const revision = useAppSelector((state) => state.draft.revision);
  const wanted = search.get('record');
  const choosing = search.get('grade') !== null;
  const [fresh, setFresh] = useState(false);
  if (error !== undefined) return <ProblemNotice error={error} />;
  if (!decisions) return <Loading what="the decisions" />;
  const shown = decisions.find((one) => one.id === wanted) ?? (choosing || fresh ? undefined : decisions[0]);
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_17rem] narrow:grid-cols-1 gap-4 print:block">
      {shown ? (
        <DecisionRecord id={shown.id} others={decisions} />
      ) : (
        <ChoiceForm
          onFrozen={(id) => {
            setFresh(false);
            show(id);
          }}
        />
      )}
      <div className="no-print">
        <Panel title="Records of this part">
          {decisions.length === 0 && (
            <p className="text-quiet">None yet. A frozen record keeps the brief, the evidence and the results.</p>
          )}
          <ul className="flex flex-col gap-2">
            {decisions.map((one) => (
              <li key={one.id}>
                <button
                  type="button"
                  aria-current={one.id === shown?.id}
                  className={`w-full rounded border px-2 py-1 text-left ${one.id === shown?.id ? 'border-ink bg-sunken' : 'border-line hover:bg-sunken'}`}
                  onClick={() => show(one.id)}
                >
                  <span className="font-semibold">No. {one.number}</span> {one.gradeName}, {one.builtAs}
                  <span className="block text-xs text-quiet">
                    {one.decidedAt.slice(0, 10)}, {one.decidedBy}
                    {one.partRevision !== revision && ' · brief changed since'}
                    {one.signedBy === null ? ' · not signed' : ` · signed by ${one.signedBy}`}
                  </span>
                </button>
              </li>
            ))}
          </ul>
          {shown && (
            <button
              type="button"
              className="mt-3 text-ember underline"
              onClick={() => {
                setFresh(true);
                show();
              }}
            >
              New decision
            </button>
          )}
        </Panel>
      </div>
    </div>
  );
}
