import { findCheck, freeSize, type AtEqualMass, type Sized } from '@anvilstone/core';
import type { ReactNode } from 'react';
import { useAppSelector } from '../app/store.ts';
import { useEdit } from '../brief/editBrief.ts';
import { useBench } from '../parts/bench.ts';
import { amount, duration } from '../ui/amount.ts';
import { Button } from '../ui/Button.tsx';
import { Reserve } from '../ui/Reserve.tsx';

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

/** A grade at the size at which it weighs as much as the others. */
export function EqualMassRow({ row, drawnMm }: { row: EqualMassRowData; drawnMm: number }) {
  const { entry } = row;
  return (
    <GradeAtSize row={row} drawnMm={drawnMm} before="">
      <CostTimeHeight row={row} />
      <Cell>
        <Reserve reserve={entry.minimumReserve} status={entry.status} />
      </Cell>
      <td className="px-3 py-1.5">{titleOf(entry.governingCheckId)}</td>
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
  row: SizedRow | EqualMassRowData;
  drawnMm: number;
  before: string;
  children: ReactNode;
}) {
  const { brief, library } = useBench();
  const edit = useEdit();
  const units = useAppSelector((state) => state.settings.units);
  const { gradeId, entry, sizeMm } = row;
  const name = library.grades.find(({ id }) => id === gradeId)?.name ?? gradeId;
  const percent = Math.round(100 * (sizeMm / drawnMm - 1));
  return (
    <tr className="border-t border-line">
      <th scope="row" className="px-3 py-1.5 text-left font-semibold">
        {name}
        <span className="block text-xs font-normal text-quiet">{entry.orientation}</span>
      </th>
      <Cell>
        {before}
        {amount(sizeMm, 'mm', units)}
        <span className="block text-xs text-quiet">
          {percent === 0 ? 'as drawn' : `${percent > 0 ? '+' : '−'}${Math.abs(percent)} %`}
        </span>
      </Cell>
      {children}
      <td className="px-3 py-1.5 text-right">
        <Button
          look="quiet"
          title="Writes it into the brief; undo takes it back"
          aria-label={`Take the size of ${name}`}
          onClick={() => {
            // A little more than just enough, in steps that can be drawn.
            const drawn = Math.ceil(sizeMm * 10) / 10;
            edit({ ...brief, part: freeSize(brief.part)!.with(drawn) }, 'sized');
          }}
        >
          Take this size
        </Button>
      </td>
    </tr>
  );
}
