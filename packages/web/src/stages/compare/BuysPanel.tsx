import { findCheck } from '@anvilstone/core/checks';
import type { Buy, Comparison, Finalist, ReserveChange } from '@anvilstone/core/decisions';
import { formatReserve, inSentence } from '@anvilstone/core/foundations';
import { useAppSelector } from '../../sync/store/store.ts';
import { amount } from '../../ui/amount.ts';
import { Panel } from '../../ui/Panel.tsx';

/** Step by step up the prices: what more money gives in reserve, and what it takes. */
export function BuysPanel({ comparison, wide }: { comparison: Comparison; wide: boolean }) {
  const { finalists, buys } = comparison;
  const byId = new Map(finalists.map((finalist) => [finalist.gradeId, finalist]));
  const unpriced = finalists.filter(({ entry }) => entry.costUsd === null);
  return (
    <Panel title="What the more expensive one adds" className={wide ? 'col-span-2 narrow:col-span-1' : ''}>
      <ol
        className={wide ? 'grid grid-cols-2 narrow:grid-cols-1 gap-x-8 gap-y-3 text-sm' : 'flex flex-col gap-3 text-sm'}
      >
        {buys.map((buy) => (
          <li key={buy.dearerId}>
            <Step buy={buy} dearer={byId.get(buy.dearerId)!} cheaper={byId.get(buy.cheaperId)!} />
          </li>
        ))}
      </ol>
      {unpriced.length > 0 && (
        <p className="mt-2 text-sm text-unknown">
          Excluded, cost unknown: {unpriced.map(({ name }) => name).join(', ')}.
        </p>
      )}
      <p className="mt-2 text-xs text-quiet">Changes below 5 % are not listed.</p>
    </Panel>
  );
}

function Step({ buy, dearer, cheaper }: { buy: Buy; dearer: Finalist; cheaper: Finalist }) {
  const units = useAppSelector((state) => state.settings.units);
  const { gains, losses, moreUsd, morePercent, smallestReserve, massG, becomesPass } = buy;
  const governing = dearer.entry.governingCheckId;
  return (
    <>
      <p>
        <strong>
          {cheaper.letter} → {dearer.letter} {dearer.name}
        </strong>
        : {moreUsd < 0.005 ? 'costs the same' : `${moreUsd.toFixed(2)} USD more (+${morePercent.toFixed(0)} %)`}
        {becomesPass && ', and passes where the cheaper one fails'}
        {massG !== null && Math.abs(massG) >= 0.5 && (
          <>
            ; {amount(Math.abs(massG), 'g', units)} {massG > 0 ? 'heavier' : 'lighter'}
          </>
        )}
        .
      </p>
      {smallestReserve.from !== null && smallestReserve.to !== null && (
        <p>
          Minimum reserve {formatReserve(smallestReserve.from)} → {formatReserve(smallestReserve.to)}
          {governing && <span className="text-quiet"> ({findCheck(governing)?.title} then governs)</span>}
        </p>
      )}
      <Changes word="Gains" sign="▲" changes={gains} />
      <Changes word="Loses" sign="▼" changes={losses} />
      {gains.length === 0 && losses.length === 0 && (
        <p className="text-quiet">No reserve factor changes by 5 % or more.</p>
      )}
    </>
  );
}

function Changes({ word, sign, changes }: { word: string; sign: string; changes: readonly ReserveChange[] }) {
  if (changes.length === 0) return null;
  return (
    <p>
      <span aria-hidden="true">{sign}</span> {word}:{' '}
      {changes
        .map(({ title, from, to }) => `${inSentence(title)} ${formatReserve(from)} → ${formatReserve(to)}`)
        .join(', ')}
    </p>
  );
}
