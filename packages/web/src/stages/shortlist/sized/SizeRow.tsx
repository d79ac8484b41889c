import { findCheck } from '@anvilstone/core/checks';
import type { AtEqualMass, Sized } from '@anvilstone/core/evaluation';
import { freeSize, builtAs } from '@anvilstone/core/shapes';
import type { ReactNode } from 'react';
import { useAppSelector } from '../../../sync/store/store.ts';
import { useEdit } from '../../brief/editBrief.ts';
import { usePartContext } from '../../parts/partContext.ts';
import { amount, duration } from '../../../ui/amount.ts';
import { Button } from '../../../ui/Button.tsx';
import { Reserve } from '../../../ui/Reserve.tsx';

export type SizedRow = Extract<Sized, { ok: true }>;
export type EqualMassRowData = Extract<AtEqualMass, { ok: true }>;

/** A grade at the smallest size that passes. */
export function SizeRow({ row, drawnMm }: { row: SizedRow; drawnMm: number }) {
  const units = useAppSelector((state) => state.settings.units);
  const { entry, atSmallest } = row;
  return (
    <GradeAtSize row={row} drawnMm={drawnMm} before={atSmallest ? 'at most ' : ''}>
      <Cell>{entry.massG === null ? 'unknown' : amount(entry.massG, 'g', units)}</Cell>
      <CostTimeHeight row={row} />
      <td className="px-3 py-1.5">{atSmallest ? 'nothing yet' : titleOf(entry.governingCheckId)}</td>
    </GradeAtSize>
  );
}

/** A grade at the size, or with the infill, at which it weighs as much as the others. */
export function EqualMassRow({ row, drawnMm }: { row: EqualMassRowData; drawnMm: number }) {
  const rest = (
    <>
      <CostTimeHeight row={row} />
      <Cell>
        <Reserve reserve={row.entry.minimumReserve} status={row.entry.status} />
      </Cell>
      <td className="px-3 py-1.5">{titleOf(row.entry.governingCheckId)}</td>
    </>
  );
  return 'infillShare' in row ? (
    <GradeAtInfill row={row}>{rest}</GradeAtInfill>
  ) : (
    <GradeAtSize row={row} drawnMm={drawnMm} before="">
      {rest}
    </GradeAtSize>
  );
}

const titleOf = (checkId: string | null) => (checkId === null ? '' : (findCheck(checkId)?.title ?? checkId));

function Cell({ children }: { children: ReactNode }) {
  return <td className="px-3 py-1.5 whitespace-nowrap">{children}</td>;
}

function CostTimeHeight({ row }: { row: SizedRow | EqualMassRowData }) {
  const units = useAppSelector((state) => state.settings.units);
  const { entry, heightMm } = row;
  return (
    <>
      <Cell>{entry.costUsd === null ? 'unknown' : amount(entry.costUsd, 'USD', units)}</Cell>
      <Cell>{entry.printTimeH ? duration(entry.printTimeH) : 'unknown'}</Cell>
      <Cell>{amount(heightMm, 'mm', units)}</Cell>
    </>
  );
}

function GradeAtSize({
  row,
  drawnMm,
  before,
  children,
}: {
  row: SizedRow | Extract<EqualMassRowData, { sizeMm: number }>;
  drawnMm: number;
  before: string;
  children: ReactNode;
}) {
  const { brief } = usePartContext();
  const edit = useEdit();
  const units = useAppSelector((state) => state.settings.units);
  const percent = Math.round(100 * (row.sizeMm / drawnMm - 1));
  return (
    <GradeRow
      row={row}
      value={`${before}${amount(row.sizeMm, 'mm', units)}`}
      note={percent === 0 ? 'as drawn' : `${percent > 0 ? '+' : '−'}${Math.abs(percent)} %`}
      what="size"
      onTake={() => {
        // A little more than just enough, in steps that can be drawn.
        const drawn = Math.ceil(row.sizeMm * 10) / 10;
        edit({ ...brief, part: freeSize(brief.part)!.with(drawn) }, 'sized');
      }}
    >
      {children}
    </GradeRow>
  );
}

function GradeAtInfill({
  row,
  children,
}: {
  row: Extract<EqualMassRowData, { infillShare: number }>;
  children: ReactNode;
}) {
  const { brief } = usePartContext();
  const edit = useEdit();
  const infillShare = Math.round(row.infillShare * 1000) / 1000;
  return (
    <GradeRow
      row={row}
      value={`${(100 * row.infillShare).toFixed(1)} %`}
      note={`${brief.filled!.walls} walls`}
      what="infill"
      onTake={() => edit({ ...brief, filled: { ...brief.filled!, infillShare } }, 'sized')}
    >
      {children}
    </GradeRow>
  );
}

function GradeRow({
  row,
  value,
  note,
  what,
  onTake,
  children,
}: {
  row: { gradeId: string; entry: SizedRow['entry'] };
  value: string;
  note: string;
  what: 'size' | 'infill';
  onTake: () => void;
  children: ReactNode;
}) {
  const { brief, library } = usePartContext();
  const name = library.grades.find(({ id }) => id === row.gradeId)?.name ?? row.gradeId;
  return (
    <tr className="border-t border-line">
      <th scope="row" className="px-3 py-1.5 text-left font-semibold">
        {name}
        <span className="block text-xs font-normal text-quiet">{builtAs(brief.part, row.entry.orientation)}</span>
      </th>
      <Cell>
        {value}
        <span className="block text-xs text-quiet">{note}</span>
      </Cell>
      {children}
      <td className="px-3 py-1.5 text-right">
        <Button
          look="quiet"
          title="Applies it to the brief; undo reverts it"
          aria-label={`Apply the ${what} of ${name}`}
          onClick={onTake}
        >
          Apply this {what}
        </Button>
      </td>
    </tr>
  );
}
