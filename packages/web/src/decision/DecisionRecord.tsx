import { askSentences, findCheck, loadSentence, rank } from '@anvilstone/core';
import type { Decision, EvaluationEntry } from '@anvilstone/schema';
import type { ReactNode } from 'react';
import { useDecisionQuery, useRecomputationQuery } from '../app/api.ts';
import { useAppSelector } from '../app/store.ts';
import { Button } from '../ui/Button.tsx';
import { Cautions } from '../ui/Cautions.tsx';
import { amount } from '../ui/amount.ts';
import { Loading } from '../ui/Loading.tsx';
import { ProblemNotice } from '../ui/ProblemNotice.tsx';
import { Evidence, Reserve } from '../ui/Reserve.tsx';

/** A frozen decision, as it is printed. */
export function DecisionRecord({ id, outdated }: { id: string; outdated: boolean }) {
  const { currentData: decision, error } = useDecisionQuery(id);
  if (error !== undefined) return <ProblemNotice error={error} />;
  if (!decision) return <Loading what="the record" />;
  const grade = decision.grades.find((one) => one.id === decision.gradeId);
  const entry = decision.result.grades
    .find((one) => one.gradeId === decision.gradeId)
    ?.entries.find((one) => one.orientation === decision.orientation);
  return (
    <article
      aria-label={`Decision ${decision.number}`}
      className="rounded-md border border-line bg-surface p-5 print:border-0 print:p-0"
    >
      <header className="flex items-start gap-4 border-b border-line pb-3">
        <div className="min-w-0 grow">
          <p className="text-xs text-quiet">
            Decision no. {decision.number} · {decision.decidedAt.slice(0, 10)} · {decision.decidedBy} · brief revision{' '}
            {decision.partRevision}
          </p>
          <h2 className="text-xl">
            {grade?.name}, built {decision.orientation}
          </h2>
          {grade?.sampleData && <p className="text-sm font-semibold text-unknown">Sample data, not for design</p>}
        </div>
        <Exports id={id} />
      </header>
      {outdated && (
        <p className="no-print mt-3 rounded border border-unknown bg-unknown-ground px-3 py-1.5 text-unknown">
          The brief has changed since. This record stays as it was; decide anew for the new brief.
        </p>
      )}
      <Recomputed id={id} />
      <Part title="Why">{decision.reasons}</Part>
      <Part title="Still unproven">{decision.openRisks || 'None stated.'}</Part>
      {decision.brief.failureCouldHurt === 'yes' && (
        <p className="mt-3 rounded border border-fail px-3 py-1.5 font-semibold text-fail">
          A failure of this part could hurt someone: proof-test every part before use and have a responsible engineer
          sign.
        </p>
      )}
      <div className="mt-4">
        <Cautions
          place="decision"
          brief={decision.brief}
          grade={grade}
          rules={decision.rules}
          agents={decision.agents}
        />
      </div>
      {entry && <ChosenChecks entry={entry} />}
      <Asked decision={decision} />
      <Candidates decision={decision} />
      <p className="mt-4 border-t border-line pt-2 text-xs text-quiet">
        This record is a calculation aid. It does not approve the part: proof tests, local codes and a responsible
        engineer’s sign-off decide. Engine {decision.engineVersion}.
      </p>
    </article>
  );
}

function Exports({ id }: { id: string }) {
  return (
    <div className="no-print flex gap-1.5">
      {['pdf', 'json', 'csv'].map((kind) => (
        <a
          key={kind}
          className="rounded border border-line-strong px-2.5 py-1 text-sm font-medium hover:bg-sunken"
          href={`/api/v1/decisions/${id}/export.${kind}`}
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
    <p className="mt-3 text-sm text-pass">Computed again just now from its own inputs: every number agrees.</p>
  ) : (
    <details className="mt-3 rounded border border-fail bg-fail-ground px-3 py-1.5 text-fail">
      <summary>
        Computed again with engine {check.currentEngineVersion}, {check.differences.length} numbers differ
      </summary>
      <ul className="list-disc pl-5 text-sm">
        {check.differences.slice(0, 50).map((text) => (
          <li key={text}>{text}</li>
        ))}
      </ul>
    </details>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="mt-4">
      <h3 className="text-sm">{title}</h3>
      <div className="mt-0.5 max-w-3xl whitespace-pre-line">{children}</div>
    </section>
  );
}

const cell = 'border-t border-line py-1 pr-3 text-left font-normal';

function ChosenChecks({ entry }: { entry: EvaluationEntry }) {
  const units = useAppSelector((state) => state.settings.units);
  return (
    <Part title="Checks of the chosen grade">
      <table className="w-full text-sm whitespace-normal">
        <thead>
          <tr className="text-xs text-quiet">
            {['Check', 'Demand', 'Capacity', 'Reserve', 'Evidence', 'Remark'].map((title) => (
              <th key={title} className="pr-3 text-left font-normal">
                {title}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {entry.checks.map((check) => (
            <tr key={check.checkId} className={check.checkId === entry.governingCheckId ? 'bg-ember-ground' : ''}>
              <th scope="row" className={cell}>
                {findCheck(check.checkId)?.title ?? check.checkId}
                {check.checkId === entry.governingCheckId && <span className="ml-1 text-xs text-ember">governs</span>}
              </th>
              <td className={cell}>{check.demand === null ? '' : amount(check.demand, check.unit, units)}</td>
              <td className={cell}>{check.capacity === null ? '' : amount(check.capacity, check.unit, units)}</td>
              <td className={cell}>
                <Reserve reserve={check.reserve} status={check.status} />
              </td>
              <td className={cell}>
                <Evidence evidence={check.evidence} />
              </td>
              <td className={`${cell} text-xs text-quiet`}>
                {[check.reason, ...check.gaps].filter(Boolean).join('; ')}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </Part>
  );
}

function Asked({ decision }: { decision: Decision }) {
  const { brief } = decision;
  const units = useAppSelector((state) => state.settings.units);
  return (
    <Part title="What it had to do">
      {brief.purpose && <p>{brief.purpose}</p>}
      <ul className="mt-1 list-disc pl-5">
        {brief.loadCases.map((load) => (
          <li key={load.id}>{loadSentence(load, units)}</li>
        ))}
        {askSentences(brief, units, (id) => decision.machines.find((one) => one.id === id)?.name ?? id).map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
    </Part>
  );
}

function Candidates({ decision }: { decision: Decision }) {
  const names = new Map(decision.grades.map((grade) => [grade.id, grade.name]));
  const ranked = rank(decision.result.grades, 'cheapest-that-passes');
  return (
    <Part title="Alternatives, cheapest that passes first">
      <table className="w-full text-sm">
        <tbody>
          {ranked.map(({ gradeId, best }) => (
            <tr key={gradeId} className={gradeId === decision.gradeId ? 'font-semibold' : ''}>
              <td className={cell}>{names.get(gradeId)}</td>
              <td className={cell}>{best.orientation}</td>
              <td className={cell}>
                <Reserve reserve={best.minimumReserve} status={best.status} />
              </td>
              <td className={cell}>{best.governingCheckId ? findCheck(best.governingCheckId)?.title : ''}</td>
              <td className={`${cell} text-right`}>
                {best.costUsd === null ? 'unknown' : `${best.costUsd.toFixed(2)} USD`}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </Part>
  );
}
