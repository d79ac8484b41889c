import { findCheck } from '@anvilstone/core/checks';
import { footWarnings, type WaysUp, type WayUp } from '@anvilstone/core/evaluation';
import { formatQuantity } from '@anvilstone/core/foundations';
import type { Brief, BuildOrientation } from '@anvilstone/schema';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { useAppSelector } from '../../sync/store/store.ts';
import { useEdit } from '../brief/editBrief.ts';
import { usePartContext } from '../parts/partContext.ts';
import { amount, duration } from '../../ui/amount.ts';
import { Button } from '../../ui/Button.tsx';
import { Evidence, Reserve } from '../../ui/Reserve.tsx';

/** Checks down, build orientations across; what governs each way is framed. */
export function WaysTable({ found, gradeId }: { found: WaysUp; gradeId: string }) {
  const { partId, brief } = usePartContext();
  const units = useAppSelector((state) => state.settings.units);
  const { ways, recommendedId } = found;
  const length = (mm: number) => formatQuantity(mm, 'length', units, 3);
  const facts: [title: string, of: (way: WayUp) => ReactNode][] = [
    ['Mass', ({ entry }) => (entry.massG === null ? 'unknown' : amount(entry.massG, 'g', units))],
    ['Cost', ({ entry }) => (entry.costUsd === null ? 'unknown' : amount(entry.costUsd, 'USD', units))],
    ['Print time', ({ entry }) => (entry.printTimeH ? duration(entry.printTimeH) : 'unknown')],
    ['Height in the print', ({ box }) => length(box.heightMm)],
    ['Footprint', ({ box }) => `${length(box.longMm)} × ${length(box.shortMm)}`],
    [
      'Support',
      ({ supports }) =>
        supports.heldMm2 === 0
          ? 'none'
          : `under ${formatQuantity(supports.heldMm2, 'area', units, 3)}, ${formatQuantity(supports.beneathMm3, 'volume', units, 3)} of room`,
    ],
    ['Notes', (way) => footWarnings(way.box, way.supports).join('; ') || '–'],
  ];
  return (
    <table
      className="w-full table-fixed rounded border border-line bg-surface text-sm"
      aria-label="Checks by build orientation"
    >
      <thead>
        <tr className="border-b border-line align-bottom">
          <th scope="col" className="w-44 px-3 py-2 text-left text-xs font-normal text-quiet">
            Check
          </th>
          {ways.map((way) => (
            <th key={way.id} scope="col" className="px-2 py-2 text-left">
              <span className="block">{way.title}</span>
              <span className={`block text-xs font-normal ${way.id === recommendedId ? 'text-ember' : 'text-quiet'}`}>
                {way.id === recommendedId
                  ? 'recommended'
                  : way.id === 'tilted'
                    ? 'selected'
                    : way.allowed
                      ? ''
                      : 'excluded by the brief'}
                &nbsp;
              </span>
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {found.checkIds.map((checkId) => (
          <tr key={checkId} className="border-b border-line">
            <th scope="row" className="px-3 py-1 text-left font-normal">
              {findCheck(checkId)?.title}
            </th>
            {ways.map((way) => (
              <CheckCell key={way.id} way={way} checkId={checkId} gradeId={gradeId} partId={partId} />
            ))}
          </tr>
        ))}
        {facts.map(([title, of]) => (
          <tr key={title} className="border-b border-line">
            <th scope="row" className="px-3 py-1 text-left font-normal text-quiet">
              {title}
            </th>
            {ways.map((way) => (
              <td key={way.id} className="px-2 py-1">
                {of(way)}
              </td>
            ))}
          </tr>
        ))}
        <tr className="print:hidden">
          <th scope="row" className="px-3 py-2 text-left font-normal text-quiet">
            Into the brief
          </th>
          {ways.map((way) => (
            <td key={way.id} className="px-2 py-2">
              {way.id !== 'tilted' && <OnlyThisWay brief={brief} orientation={way.id} name={way.name} />}
            </td>
          ))}
        </tr>
      </tbody>
    </table>
  );
}

function CheckCell({
  way,
  checkId,
  gradeId,
  partId,
}: {
  way: WayUp;
  checkId: string;
  gradeId: string;
  partId: string;
}) {
  const result = way.entry.checks.find((one) => one.checkId === checkId);
  if (!result) return <td className="px-2 py-1 text-quiet">–</td>;
  const governs = way.entry.governingCheckId === checkId;
  const shown = (
    <span className={`inline-flex items-center gap-1.5 rounded-sm px-1 ${governs ? 'ring-2 ring-ember' : ''}`}>
      <Reserve reserve={result.reserve} status={result.status} evidence={result.evidence} />
      <Evidence evidence={result.evidence} />
    </span>
  );
  // A tilt has no working of its own in the shortlist.
  if (way.id === 'tilted' || !way.allowed) return <td className="px-2 py-1">{shown}</td>;
  const search = new URLSearchParams({ grade: gradeId, check: checkId, built: way.id });
  return (
    <td className="px-2 py-1">
      <Link
        to={`/parts/${partId}/shortlist?${search.toString()}`}
        aria-label={`${findCheck(checkId)?.title}, ${way.name}: show working`}
        className="hover:underline"
      >
        {shown}
      </Link>
    </td>
  );
}

/** Writes the build orientation into the brief, or takes it out again. */
function OnlyThisWay({ brief, orientation, name }: { brief: Brief; orientation: BuildOrientation; name: string }) {
  const edit = useEdit();
  const { orientations, ...asks } = brief.asks;
  const only = orientations?.length === 1 && orientations[0] === orientation;
  return only ? (
    <Button look="quiet" onClick={() => edit({ ...brief, asks }, 'orientations')}>
      Allow any
    </Button>
  ) : (
    <Button
      aria-label={`Use only ${name}`}
      onClick={() => edit({ ...brief, asks: { ...asks, orientations: [orientation] } }, 'orientations')}
    >
      Use this only
    </Button>
  );
}
