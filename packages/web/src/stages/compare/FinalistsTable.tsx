import { findCheck } from '@anvilstone/core/checks';
import { heatLimitWords, type CheckRow, type Comparison, type Finalist } from '@anvilstone/core/decisions';
import { formatReserve } from '@anvilstone/core/foundations';
import { builtAs } from '@anvilstone/core/shapes';
import { useMemo, type ReactNode } from 'react';
import { Link, useSearchParams } from 'react-router';
import { useAppSelector } from '../../sync/store/store.ts';
import { usePartContext } from '../parts/partContext.ts';
import { decisionAddress } from '../decision/decisionAddress.ts';
import { differenceText } from '../../library/grades/propertyText.ts';
import { percent, percentRange } from '../shortlist/confidence/percent.ts';
import { useChances } from '../shortlist/confidence/useChances.ts';
import { amount, duration } from '../../ui/amount.ts';
import { demandSentence } from '../../ui/demandWords.ts';
import { Evidence, Reserve } from '../../ui/Reserve.tsx';
import { FinalistsHead } from './FinalistsHead.tsx';
import { useSay } from '../../ui/useSay.ts';
import type { ChooseFinalists } from './useFinalists.ts';

/** What it comes to, and every check, finalist beside finalist; each reserve leads to its working. */
export function FinalistsTable({ comparison, onChoose }: { comparison: Comparison; onChoose: ChooseFinalists }) {
  const { finalists, checks } = comparison;
  return (
    <section aria-label="Side by side" className="overflow-x-auto rounded-md border border-line bg-surface">
      <table className="w-full table-fixed text-sm">
        <FinalistsHead finalists={finalists} first="For this part" onChoose={onChoose} />
        <Summary finalists={finalists} />
        <tbody>
          <tr className="border-t border-line bg-sunken text-xs">
            <th scope="colgroup" colSpan={finalists.length + 1} className="px-3 py-1 text-left font-semibold">
              Checks: reserve factor, and against the baseline
            </th>
          </tr>
          {checks.map((row) => (
            <CheckLine key={row.checkId} row={row} finalists={finalists} />
          ))}
        </tbody>
      </table>
    </section>
  );
}

function Summary({ finalists }: { finalists: readonly Finalist[] }) {
  const { brief, library, partId } = usePartContext();
  const [search] = useSearchParams();
  const units = useAppSelector((state) => state.settings.units);
  const wanted = useMemo(
    () => finalists.map(({ gradeId, entry }) => ({ gradeId, orientation: entry.orientation })),
    [finalists],
  );
  const chances = useChances(brief, library, wanted);
  const say = useSay();
  const base = finalists[0]!.entry;
  const against = (value: number | null, of: number | null) =>
    value === null || of === null || of === 0 ? null : differenceText(100 * (value / of - 1));
  return (
    <tbody>
      <Line title="Verdict" finalists={finalists}>
        {({ entry }) => (
          <>
            <Reserve reserve={entry.minimumReserve} status={entry.status} />{' '}
            <span className="text-quiet">
              {entry.governingCheckId && `${findCheck(entry.governingCheckId)?.title} governs`}
            </span>
          </>
        )}
      </Line>
      <Line title="Probability of compliance" finalists={finalists}>
        {({ gradeId, entry }) => {
          const key = `${gradeId} ${entry.orientation}`;
          const chance = chances.get(key);
          if (!chance) return <span className="text-quiet">{chances.has(key) ? 'unknown' : '…'}</span>;
          return <span title={`${percentRange(chance.low, chance.high)} (95 %)`}>{percent(chance.all)}</span>;
        }}
      </Line>
      <Line title="Printed, on" finalists={finalists}>
        {({ entry, machineName }) => (
          <>
            {builtAs(brief.part, entry.orientation)}
            <span className="text-quiet">{machineName ? `, ${machineName}` : ', no machine'}</span>
          </>
        )}
      </Line>
      <Line title="Cost of one good part" finalists={finalists}>
        {({ entry, priceIsFamilyEstimate }, i) => (
          <WithDifference
            text={entry.costUsd === null ? 'unknown' : amount(entry.costUsd, 'USD', units)}
            difference={i === 0 ? null : against(entry.costUsd, base.costUsd)}
            note={priceIsFamilyEstimate ? 'price typical of the family' : undefined}
          />
        )}
      </Line>
      <Line title="Mass" finalists={finalists}>
        {({ entry }, i) => (
          <WithDifference
            text={entry.massG === null ? 'unknown' : amount(entry.massG, 'g', units)}
            difference={i === 0 ? null : against(entry.massG, base.massG)}
          />
        )}
      </Line>
      <Line title="Print time" finalists={finalists}>
        {({ entry }, i) => (
          <WithDifference
            text={entry.printTimeH ? duration(entry.printTimeH) : 'unknown'}
            difference={i === 0 ? null : against(entry.printTimeH ?? null, base.printTimeH ?? null)}
          />
        )}
      </Line>
      <Line title="Limit under load" finalists={finalists}>
        {({ entry }) => heatLimitWords(entry, units)}
      </Line>
      <Line title="Failure mode" finalists={finalists}>
        {({ failureManner, warns }) => (
          <span className={warns === false ? 'text-fail' : ''}>{say(failureManner ?? 'unknown')}</span>
        )}
      </Line>
      <Line title="Printing" finalists={finalists}>
        {({ printing }) =>
          printing === null ? (
            'unknown'
          ) : (
            <>
              <strong className="font-semibold">{printing.difficulty}</strong>
              {printing.because.length > 0 && (
                <span className="text-quiet">: {printing.because.map(say).join(', ')}</span>
              )}
              <span className="block text-xs text-quiet">
                nozzle {amount(printing.nozzleC.low, '°C', units)} to {amount(printing.nozzleC.high, '°C', units)}, dry{' '}
                {duration(printing.dryingH)} at {amount(printing.dryingC, '°C', units)}
              </span>
              {printing.findings.map((text) => (
                <span key={say(text)} className="block text-xs text-unknown">
                  {say(text)}
                </span>
              ))}
            </>
          )
        }
      </Line>
      <tr className="border-t border-line print:hidden">
        <th scope="row" className="px-3 py-1.5 text-left font-normal text-quiet">
          Decide
        </th>
        {finalists.map(({ gradeId, name, entry }) => (
          <td key={gradeId} className="px-3 py-1.5">
            <Link
              to={decisionAddress(partId, gradeId, entry.orientation, search)}
              aria-label={`Choose ${name}`}
              className="font-semibold underline underline-offset-2"
            >
              Choose
            </Link>
          </td>
        ))}
      </tr>
    </tbody>
  );
}

function Line({
  title,
  finalists,
  children,
}: {
  title: string;
  finalists: readonly Finalist[];
  children: (finalist: Finalist, index: number) => ReactNode;
}) {
  return (
    <tr className="border-t border-line align-top">
      <th scope="row" className="px-3 py-1.5 text-left font-normal text-quiet">
        {title}
      </th>
      {finalists.map((finalist, i) => (
        <td key={finalist.gradeId} className="px-3 py-1.5">
          {children(finalist, i)}
        </td>
      ))}
    </tr>
  );
}

function WithDifference({
  text,
  difference,
  note,
}: {
  text: string;
  difference: string | null;
  note?: string | undefined;
}) {
  return (
    <>
      {text} {difference !== null && <span className="text-xs text-quiet">{difference}</span>}
      {note && <span className="block text-xs text-quiet">{note}</span>}
    </>
  );
}

function CheckLine({ row, finalists }: { row: CheckRow; finalists: readonly Finalist[] }) {
  const { partId } = usePartContext();
  const say = useSay();
  const units = useAppSelector((state) => state.settings.units);
  return (
    <tr className="border-t border-line align-top">
      <th scope="row" title={row.asks} className="px-3 py-1.5 text-left font-normal">
        {row.title}
      </th>
      {row.results.map((check, i) => {
        const { gradeId, name, entry } = finalists[i]!;
        const governs = entry.governingCheckId === row.checkId;
        const difference = row.percents[i] ?? null;
        const said = check.reserve === null ? check.status : `reserve ${formatReserve(check.reserve)}`;
        return (
          <td key={gradeId} className={`px-3 py-1.5 ${governs ? 'bg-ember-ground' : ''}`}>
            <Link
              to={`/parts/${partId}/shortlist?grade=${gradeId}&check=${row.checkId}&built=${entry.orientation}`}
              aria-label={`${name}, ${row.title}: ${said}${governs ? ', governs' : ''}. Show working`}
              className="inline-flex items-center gap-1.5 hover:underline"
            >
              <Reserve reserve={check.reserve} status={check.status} evidence={check.evidence} />
              <Evidence evidence={check.evidence} />
            </Link>
            {i > 0 && difference !== null && (
              <span className="ml-1.5 text-xs text-quiet">{differenceText(difference)}</span>
            )}
            <span className="block text-xs text-quiet">
              {demandSentence(check, units) || say(check.reason ?? check.gaps[0] ?? '')}
            </span>
          </td>
        );
      })}
    </tr>
  );
}
