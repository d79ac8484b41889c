import { findCheck } from '@anvilstone/core/checks';
import {
  findRankingMethod,
  type AtValue,
  type RankingPreferences,
  type Sensitivity,
  type Turn,
} from '@anvilstone/core/evaluation';
import { formatQuantity, formatReserve, type UnitSystem, inSentence } from '@anvilstone/core/foundations';
import { useAppSelector } from '../../sync/store/store.ts';
import { useMemo } from 'react';
import { usePartContext } from '../parts/partContext.ts';
import { duration } from '../../ui/amount.ts';
import { Panel } from '../../ui/Panel.tsx';
import { Progress } from '../../ui/Progress.tsx';
import { MeasurementsList } from './MeasurementsList.tsx';
import { ReserveSpan } from './ReserveSpan.tsx';
import { useSensitivity } from './useSensitivity.ts';

/** What would change the answer: how much each input decides, at which value another grade wins, and what to measure. */
export function SensitivityPanel({ preferences: asked }: { preferences: RankingPreferences }) {
  const { brief, library } = usePartContext();
  // Sizing every grade anew at each value would take minutes: what leads as drawn is varied instead.
  const preferences = useMemo(
    () => (findRankingMethod(asked.schoolId).needsSizes ? { ...asked, schoolId: 'cheapest-that-passes' } : asked),
    [asked],
  );
  const { leaderId, found, of, done, failure } = useSensitivity(brief, library, preferences);
  const units = useAppSelector((state) => state.settings.units);
  const nameOf = (id: string) => library.grades.find((grade) => grade.id === id)?.name ?? id;
  const spans = found.flatMap(({ low, high }) => [low.reserve, high.reserve]).filter((one) => one !== null);
  const range = { least: Math.min(1, ...spans), most: Math.max(1, ...spans) };
  return (
    <Panel
      title="Sensitivity of the choice"
      aside={
        done ? (
          <span className="text-xs text-quiet">
            ranked by: {inSentence(findRankingMethod(preferences.schoolId).title)}
          </span>
        ) : (
          <span className="text-xs">
            <Progress share={found.length / Math.max(1, of)} label={`${found.length} of ${of} varied`} />
          </span>
        )
      }
    >
      {failure && (
        <p role="alert" className="text-fail">
          {failure}
        </p>
      )}
      {leaderId === null && <p className="text-quiet">No grade passes, so the choice cannot change.</p>}
      {leaderId && (
        <>
          <p className="mb-2 text-sm text-quiet">
            Each input alone is moved down and up by one coefficient of variation (loads 10 %, time ÷ 2 and × 2,
            temperatures 5 K, size 5 %, price 15 %, the grade’s own values by their evidence); shown is the smallest
            reserve of {nameOf(leaderId)}, most decisive first, and the value at which another grade wins.
          </p>
          <table className="w-full text-sm">
            <thead>
              <tr className="border-b border-line text-left text-xs text-quiet">
                <th scope="col" className="py-1.5 font-normal">
                  Input
                </th>
                <th scope="col" className="px-2 text-right font-normal">
                  Now
                </th>
                <th scope="col" className="px-2 font-normal">
                  Minimum reserve, down … up
                </th>
                <th scope="col" className="px-2 font-normal">
                  Other wins below
                </th>
                <th scope="col" className="px-2 font-normal">
                  Other wins above
                </th>
              </tr>
            </thead>
            <tbody>
              {found.map((one) => (
                <tr key={one.id} className="border-b border-line align-top last:border-0">
                  <th scope="row" className="py-1.5 text-left font-normal">
                    {one.title}
                  </th>
                  <td className="px-2 py-1.5 text-right whitespace-nowrap">{valueText(one, one.now, units)}</td>
                  <td className="px-2 py-1.5">
                    <ReserveSpan low={one.low.reserve} high={one.high.reserve} range={range} />
                    <span className="block text-xs text-quiet">{spanWords(one)}</span>
                  </td>
                  <TurnCell turn={one.below} of={one} units={units} nameOf={nameOf} />
                  <TurnCell turn={one.above} of={one} units={units} nameOf={nameOf} />
                </tr>
              ))}
            </tbody>
          </table>
        </>
      )}
      <MeasurementsList preferences={preferences} />
    </Panel>
  );
}

function valueText({ dimension, id }: Sensitivity, value: number, units: UnitSystem): string {
  if (dimension === 'time') return duration(value);
  const text = formatQuantity(value, dimension, units, 3);
  return id === 'grade heat' && value > 0 ? `+${text}` : text;
}

const reserveText = ({ reserve, status }: AtValue) => (reserve === null ? status : formatReserve(reserve));

function spanWords({ low, high }: Sensitivity): string {
  const numbers = `${reserveText(low)} … ${reserveText(high)}`;
  const governing = [...new Set([low, high].map((one) => one.governingCheckId))].flatMap((id) =>
    id === null ? [] : [inSentence(findCheck(id)?.title ?? id)],
  );
  return `${numbers}, ${governing.join(' or ')}`;
}

function TurnCell({
  turn,
  of,
  units,
  nameOf,
}: {
  turn: Turn | null;
  of: Sensitivity;
  units: UnitSystem;
  nameOf: (id: string) => string;
}) {
  if (!turn) return <td className="px-2 py-1.5 text-quiet">none within range</td>;
  return (
    <td className="px-2 py-1.5">
      <strong className="font-semibold whitespace-nowrap">{valueText(of, turn.value, units)}</strong>
      <span className="block text-xs text-quiet">
        {turn.winnerId === null ? 'then none passes' : nameOf(turn.winnerId)}
      </span>
    </td>
  );
}
