import { findCheck } from '@anvilstone/core/checks';
import { heatLimitLabel, rejectionReasons } from '@anvilstone/core/decisions';
import { MERIT_CRITERIA, type Chance, type Merit } from '@anvilstone/core/evaluation';
import { formatReserve } from '@anvilstone/core/foundations';
import type { CheckResult, Grade, GradeEvaluation } from '@anvilstone/schema';
import { memo } from 'react';
import { useAppSelector } from '../../../sync/store/store.ts';
import { amount } from '../../../ui/amount.ts';
import { Evidence, Reserve, statusWords } from '../../../ui/Reserve.tsx';
import { useSay } from '../../../ui/useSay.ts';
import { percent, percentRange } from '../confidence/percent.ts';

/** Every row is as high as the tallest, so that thousands can be scrolled without measuring one. */
export const ROW_PX = 64;

/** Scrolling touches no row that stays: thousands of cells would else be made anew at each frame. */
export const MatrixRow = memo(function MatrixRow({
  index,
  gradeId,
  place,
  was,
  merit,
  evaluation,
  chance,
  chanceIsOut,
  cells,
  grade,
  machine,
  built,
  isOpen,
  isPinned,
  isDecided = false,
  onOpen,
  onPin,
}: {
  index: number;
  gradeId: string;
  place: number;
  /** Place in the ranking method before; undefined: none to compare with. */
  was: number | undefined;
  merit: Merit | undefined;
  evaluation: GradeEvaluation | undefined;
  /** Undefined: not known, or not worked out yet. */
  chance: Chance | undefined;
  chanceIsOut: boolean;
  cells: number;
  grade: Grade | undefined;
  machine: string | undefined;
  /** What its orientation is called; undefined: not worked out yet. */
  built: string | undefined;
  isOpen: boolean;
  isPinned: boolean;
  isDecided?: boolean;
  onOpen: (gradeId: string, checkId?: string) => void;
  onPin: (gradeId: string) => void;
}) {
  const units = useAppSelector((state) => state.settings.units);
  const best = evaluation?.best;
  const say = useSay();
  const why = !best || best.status === 'pass' ? [] : rejectionReasons(best).map(say);
  const name = grade?.name ?? gradeId;
  return (
    <tr
      aria-rowindex={index + 2}
      style={{ height: ROW_PX }}
      className={`[&>*]:border-b [&>*]:border-line ${isOpen ? 'bg-ember-ground' : 'hover:bg-sunken'}`}
    >
      <td className="px-1 text-center text-quiet">
        {place > 0 ? place : ''}
        <Moved place={place} was={was} />
        <button
          type="button"
          aria-pressed={isPinned}
          aria-label={isPinned ? `Unpin ${name}` : `Pin ${name} to the top`}
          title={isPinned ? 'Unpin' : 'Pin to the top'}
          className={`block w-full print:hidden ${isPinned ? 'text-ember' : 'text-quiet hover:text-ink'}`}
          onClick={() => onPin(gradeId)}
        >
          <svg
            viewBox="0 0 14 14"
            aria-hidden="true"
            className="mx-auto size-3.5 fill-none stroke-current stroke-[1.4]"
          >
            <path d="M4 1.5h6M5 1.5v4L3 8h8L9 5.5v-4M7 8v4.5" className={isPinned ? 'fill-current' : ''} />
          </svg>
        </button>
      </td>
      <th
        scope="row"
        className={`sticky left-0 z-10 max-w-56 print:static px-2 text-left font-normal ${isOpen ? 'bg-ember-ground' : 'bg-surface'}`}
      >
        <button
          type="button"
          className="block max-w-full truncate text-left font-semibold hover:underline"
          onClick={() => onOpen(gradeId)}
        >
          {name}
        </button>
        <span className="block truncate text-xs text-quiet">
          {isDecided && <strong className="text-ink">decided · </strong>}
          {best ? `${built}${machine ? `, ${machine}` : ''}` : '…'}
          {merit && best?.status === 'pass' && (
            <span title={meritWords(merit)}> · merit {Math.round(100 * merit.total)}</span>
          )}
        </span>
        {why.length > 0 && (
          <span
            className={`block truncate text-xs ${best!.status === 'unknown' ? 'text-unknown' : 'text-fail'}`}
            title={why.join('\n')}
          >
            {why[0]}
            {why.length > 1 ? ` (+${why.length - 1})` : ''}
          </span>
        )}
      </th>
      {best ? (
        <>
          <td className="px-2 text-right text-xs whitespace-nowrap text-quiet">
            <span className="text-sm text-ink">
              {best.costUsd === null ? 'cost unknown' : amount(best.costUsd, 'USD', units)}
            </span>
            <span className="block">{best.massG === null ? 'mass unknown' : amount(best.massG, 'g', units)}</span>
            <span className="block">{heatLimitLabel(best, units)}</span>
          </td>
          <ChanceCell chance={chance} isOut={chanceIsOut} />
          {best.checks.map((check) => (
            <Cell
              key={check.checkId}
              check={check}
              governs={check.checkId === best.governingCheckId}
              onOpen={() => onOpen(gradeId, check.checkId)}
            />
          ))}
        </>
      ) : (
        <td colSpan={cells + 2} className="px-2 text-xs text-quiet">
          Calculating …
        </td>
      )}
    </tr>
  );
});

/** Where it stood in the ranking method before, when that is another place. */
function Moved({ place, was }: { place: number; was: number | undefined }) {
  if (was === undefined || was === place) return null;
  const better = place > 0 && (was === 0 || place < was);
  return (
    <span
      className="block text-[0.6875rem] leading-tight whitespace-nowrap"
      title={was === 0 ? 'not ranked before' : `was ${was}`}
    >
      <span aria-hidden="true">{better ? '▲' : '▼'}</span>
      <span className="sr-only">was </span>
      {was === 0 ? '–' : was}
    </span>
  );
}

const meritWords = ({ scores }: Merit) =>
  MERIT_CRITERIA.map(({ id, title }) => `${title} ${Math.round(100 * scores[id])}`).join(', ');

const upperFirst = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** In how many draws of scattering properties and loads every check is met. */
function ChanceCell({ chance, isOut }: { chance: Chance | undefined; isOut: boolean }) {
  if (!chance) return <td className="px-1.5 text-right text-xs text-quiet">{isOut ? '…' : 'unknown'}</td>;
  return (
    <td
      className="px-1.5 text-right whitespace-nowrap"
      title={`${upperFirst(percentRange(chance.low, chance.high))} (95 %), ${chance.draws} draws`}
    >
      {percent(chance.all)}
    </td>
  );
}

function Cell({ check, governs, onOpen }: { check: CheckResult; governs: boolean; onOpen: () => void }) {
  const say = useSay();
  const why = check.reason ?? check.gaps[0];
  const said =
    check.reserve === null
      ? statusWords(check.status, check.evidence)
      : `reserve ${formatReserve(check.reserve)}, ${statusWords(check.status, check.evidence)}`;
  const title = findCheck(check.checkId)?.title ?? check.checkId;
  return (
    <td className="px-0.5 py-1">
      <button
        type="button"
        aria-label={`${title}: ${said}${governs ? ', governs' : ''}. Show working`}
        title={why && say(why)}
        className={`inline-flex items-center gap-1 rounded border px-1 py-1 ${governs ? 'border-ember bg-ember-ground font-semibold' : 'border-transparent hover:border-line-strong'}`}
        onClick={onOpen}
      >
        <Reserve reserve={check.reserve} status={check.status} evidence={check.evidence} />
        <Evidence evidence={check.evidence} />
      </button>
    </td>
  );
}
