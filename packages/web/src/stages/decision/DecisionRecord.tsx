import { digestOf, recordDocument } from '@anvilstone/core/decisions';
import { builtAs } from '@anvilstone/core/shapes';
import type { Decision, DecisionSummary, SignOff } from '@anvilstone/schema';
import { useMemo, useState } from 'react';
import { useDecisionQuery, useRecomputationQuery } from '../../sync/api/api.ts';
import { useAppSelector } from '../../sync/store/store.ts';
import { API } from '../../sync/address/place.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/fields.tsx';
import { Loading } from '../../ui/Loading.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { useDifferencesQuery, useSignOffsQuery } from './decisionApi.ts';
import { Changes, DriftPanel } from './DriftPanel.tsx';
import { RecordBlocks } from './RecordBlocks.tsx';
import { SignOffForm } from './SignOffForm.tsx';

/** A frozen decision, as it is printed, with what became of it since. */
export function DecisionRecord({ id, others }: { id: string; others: readonly DecisionSummary[] }) {
  const { currentData: decision, error } = useDecisionQuery(id);
  const { currentData: signOffs } = useSignOffsQuery(id);
  if (error !== undefined) return <ProblemNotice error={error} />;
  if (!decision || !signOffs) return <Loading what="the record" />;
  return <LoadedRecord decision={decision} signOffs={signOffs} others={others} />;
}

function LoadedRecord({
  decision,
  signOffs,
  others,
}: {
  decision: Decision;
  signOffs: readonly SignOff[];
  others: readonly DecisionSummary[];
}) {
  const units = useAppSelector((state) => state.settings.units);
  const digest = useMemo(() => digestOf(decision), [decision]);
  const grade = decision.grades.find(({ id }) => id === decision.gradeId);
  const { line, blocks } = useMemo(
    () => recordDocument(decision, signOffs, units, digest),
    [decision, signOffs, units, digest],
  );
  const newer = others.find(({ supersedes }) => supersedes === decision.number);
  return (
    <article
      aria-label={`Decision ${decision.number}`}
      className="rounded-md border border-line bg-surface p-5 print:border-0 print:p-0"
    >
      <header className="flex items-start gap-4 border-b border-line pb-3">
        <div className="min-w-0 grow">
          <p className="text-xs text-quiet">
            Decision no. {decision.number} · {line}
          </p>
          <h2 className="text-xl">
            {grade?.name ?? decision.gradeId}, built {builtAs(decision.brief.part, decision.orientation)}
          </h2>
        </div>
        <Exports id={decision.id} />
      </header>
      {newer && (
        <p className="mt-3 rounded border border-unknown bg-unknown-ground px-3 py-1.5 text-unknown">
          Decision {newer.number} supersedes it: {newer.gradeName}, {newer.builtAs}.
        </p>
      )}
      <Recomputed id={decision.id} />
      <DriftPanel id={decision.id} />
      <div className="mt-2">
        <RecordBlocks blocks={blocks} />
      </div>
      <SignOffForm decision={decision} digest={digest} />
      <Differences decision={decision} others={others} />
    </article>
  );
}

function Exports({ id }: { id: string }) {
  return (
    <div className="no-print flex gap-1.5">
      {['pdf', 'html', 'json', 'csv'].map((kind) => (
        <a
          key={kind}
          className="rounded border border-line-strong px-2.5 py-1 text-sm font-medium hover:bg-sunken"
          href={`${API}/decisions/${id}/export.${kind}`}
          download
        >
          {kind.toUpperCase()}
        </a>
      ))}
      <Button onClick={() => globalThis.print()}>Print</Button>
    </div>
  );
}

function Recomputed({ id }: { id: string }) {
  const { currentData: check } = useRecomputationQuery(id);
  if (!check) return null;
  return check.agrees ? (
    <p className="mt-3 text-sm text-pass">Recomputed from its own inputs: every number agrees.</p>
  ) : (
    <details className="mt-3 rounded border border-fail bg-fail-ground px-3 py-1.5 text-fail">
      <summary>
        Recomputed with engine {check.currentEngineVersion}, {check.differences.length} numbers differ
      </summary>
      <ul className="list-disc pl-5 text-sm">
        {check.differences.slice(0, 50).map((text) => (
          <li key={text}>{text}</li>
        ))}
      </ul>
    </details>
  );
}

/** Against an earlier record of the same part, field by field. */
function Differences({ decision, others }: { decision: Decision; others: readonly DecisionSummary[] }) {
  const earlier = others.filter(({ number }) => number < decision.number);
  const [wanted, setWanted] = useState<string>();
  const earlierId = earlier.some(({ id }) => id === wanted) ? wanted! : earlier[0]?.id;
  const { currentData: changes, error } = useDifferencesQuery(
    { id: decision.id, earlierId: earlierId! },
    { skip: earlierId === undefined },
  );
  if (earlierId === undefined) return null;
  return (
    <section aria-label="Differences" className="no-print mt-5">
      <div className="flex items-end gap-3">
        <h3 className="grow text-base">Differences from an earlier record</h3>
        <div className="w-80">
          <Choice
            label="Earlier record"
            value={earlierId}
            options={earlier.map(({ id, number, gradeName, builtAs: name }) => ({
              value: id,
              label: `No. ${number}, ${gradeName} ${name}`,
            }))}
            onChange={setWanted}
          />
        </div>
      </div>
      {error !== undefined && <ProblemNotice error={error} />}
      {changes && (changes.length === 0 ? <p className="text-quiet">Nothing.</p> : <Changes changes={changes} />)}
    </section>
  );
}
