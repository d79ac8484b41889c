import { findCheck } from '@anvilstone/core/checks';
import { formatReserve, inSentence } from '@anvilstone/core/foundations';
import type { ChoiceStatus, FieldChange, DecisionDrift } from '@anvilstone/schema';
import { Loading } from '../../ui/Loading.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { useDriftQuery } from './decisionApi.ts';
import { useSay } from '../../ui/useSay.ts';

/** What a frozen decision would be today, and because of what; it never touches the record itself. */
export function DriftPanel({ id }: { id: string }) {
  const { currentData: drift, error } = useDriftQuery(id);
  if (error !== undefined) return <ProblemNotice error={error} />;
  if (!drift) return <Loading what="today’s result" />;
  const moving = drift.causes.filter(({ matters }) => matters);
  const still = drift.causes.filter(({ matters }) => !matters);
  if (drift.causes.length === 0)
    return (
      <p className="mt-2 text-sm text-pass">
        Nothing it is based on has changed: the decision would be the same today.
      </p>
    );
  if (moving.length === 0)
    return (
      <details className="mt-2 text-sm">
        <summary className="text-pass">
          The decision would be the same today, although{' '}
          {still.length === 1 ? 'one thing has' : `${still.length} things have`} changed since.
        </summary>
        <Causes causes={still} from={drift.frozen} />
      </details>
    );
  return (
    <section
      aria-label="Would now differ"
      className="no-print mt-3 rounded border border-unknown bg-unknown-ground px-3 py-2"
    >
      <h3 className="font-semibold text-unknown">Would now differ, because …</h3>
      <Causes causes={moving} from={drift.frozen} />
      <p className="mt-1.5 text-sm">
        <span className="font-semibold">All together:</span> {standingWords(drift.now)}. It was:{' '}
        {standingWords(drift.frozen)}.
      </p>
      {still.length > 0 && (
        <details className="mt-1 text-sm">
          <summary>Also changed, without effect on the choice ({still.length})</summary>
          <Causes causes={still} from={drift.frozen} />
        </details>
      )}
    </section>
  );
}

function Causes({ causes, from }: { causes: DecisionDrift['causes']; from: ChoiceStatus }) {
  return (
    <ul className="mt-1 flex flex-col gap-1">
      {causes.map(({ id, title, changes, alone, matters }) => (
        <li key={id}>
          <details>
            <summary>
              <span className="font-semibold">{title}</span>
              {matters ? `: ${movedWords(from, alone)}` : ''}
              <span className="text-xs text-quiet">
                {' '}
                · {changes.length === 1 ? '1 field' : `${changes.length} fields`}
              </span>
            </summary>
            <Changes changes={changes} />
          </details>
        </li>
      ))}
    </ul>
  );
}

export function Changes({ changes }: { changes: readonly FieldChange[] }) {
  const say = useSay();
  return (
    <table className="mt-1 mb-2 w-full text-sm">
      <thead>
        <tr className="text-left text-xs text-quiet">
          <th className="font-normal">Of</th>
          <th className="font-normal">Field</th>
          <th className="font-normal">Before</th>
          <th className="font-normal">After</th>
        </tr>
      </thead>
      <tbody>
        {changes.map(({ area, field, before, after }, i) => (
          <tr key={i} className="border-t border-line align-top">
            <td className="py-0.5 pr-3 text-quiet">{area}</td>
            <td className="py-0.5 pr-3">{field}</td>
            <td className="py-0.5 pr-3">{say(before ?? 'not there')}</td>
            <td className="py-0.5">{say(after ?? 'not there')}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const VERDICT = {
  pass: 'passes',
  fail: 'fails',
  unknown: 'cannot be judged',
  gone: 'is no longer in the library',
} as const;

function standingWords({ status, reserve, governingCheckId, leaderName }: ChoiceStatus): string {
  const number = reserve === null ? '' : ` with ${formatReserve(reserve)}`;
  const check = governingCheckId === null ? '' : ` (${inSentence(findCheck(governingCheckId)?.title)})`;
  return `the chosen grade ${VERDICT[status]}${number}${check}, ${leaderName === null ? 'none passes' : `${leaderName} comes first`}`;
}

function movedWords(from: ChoiceStatus, to: ChoiceStatus): string {
  const parts: string[] = [];
  if (from.status !== to.status) parts.push(`the chosen grade ${VERDICT[to.status]} by now`);
  if (from.reserve !== to.reserve && to.reserve !== null)
    parts.push(
      `minimum reserve ${from.reserve === null ? 'unknown' : formatReserve(from.reserve)} then, ${formatReserve(to.reserve)} with it`,
    );
  if (from.leaderId !== to.leaderId)
    parts.push(`${to.leaderName ?? 'nobody'} comes first in place of ${from.leaderName ?? 'nobody'}`);
  return parts.join('; ');
}
