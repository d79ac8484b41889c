import type { Outcome, RankedArm } from '@anvilstone/core/evidence';
import { definitionOf, formatNumber as f, fromCanonical } from '@anvilstone/core/foundations';
import { scaleLinear } from 'd3';
import { acrossOf, AxisFrame, ticksAt } from '../../../charts/AxisFrame.tsx';
import { useAppSelector } from '../../../sync/store/store.ts';

const ROW = 34;
const SIZE = { width: 620, left: 150, right: 16, bottom: 36, top: 6 };

/** Every reading as a dot, the mean with its 95 % interval, and where it was expected. Readings that do not count are hollow. */
export function RankingChart({
  ranked,
  outcome,
  nameOf,
}: {
  ranked: readonly RankedArm[];
  outcome: Outcome;
  nameOf: (armId: string) => string;
}) {
  const units = useAppSelector((state) => state.settings.units);
  const unit = definitionOf(outcome.dimension)[units];
  const show = (value: number) => (unit === '' ? value : fromCanonical(value, unit, outcome.dimension));
  const numbers = ranked.flatMap(({ result }) => [
    ...result.replicates.flatMap(({ value }) => (value === undefined ? [] : [show(value)])),
    ...(result.calibration ? [show(result.calibration.predicted)] : []),
    ...(result.claim !== 'none' && result.summary?.meanInterval
      ? [show(result.summary.meanInterval.low), show(result.summary.meanInterval.high)]
      : []),
  ]);
  const [least, most] = [Math.min(...numbers), Math.max(...numbers)];
  const margin = (most - least || Math.abs(most) || 1) * 0.08;
  const x = scaleLinear([least - margin, most + margin], acrossOf({ ...SIZE, height: 0 }));
  const height = SIZE.top + ranked.length * ROW + SIZE.bottom;
  return (
    <svg
      viewBox={`0 0 ${SIZE.width} ${height}`}
      className="w-full"
      role="img"
      aria-label={`${outcome.title} of each arm; the lists beside and below have the numbers`}
    >
      <AxisFrame box={{ ...SIZE, height }} x={ticksAt(x.ticks(7), x, (tick) => f(tick))} y={[]} upright />
      <text x={SIZE.width - SIZE.right} y={height - 4} textAnchor="end" className="fill-quiet text-[11px]">
        {unit}; bar: mean and its 95 % interval; ring: expected; hollow: does not count
      </text>
      {ranked.map(({ result, mayBeFirst }, row) => {
        const y = SIZE.top + row * ROW + ROW / 2;
        const { summary, calibration, claim } = result;
        return (
          <g key={result.arm.id}>
            <text x={0} y={y + 4} className={`text-[12px] ${mayBeFirst ? 'fill-ink font-semibold' : 'fill-quiet'}`}>
              {shortened(nameOf(result.arm.id))}
            </text>
            {summary?.meanInterval && claim !== 'none' && (
              <rect
                x={x(show(summary.meanInterval.low))}
                y={y - 6}
                width={Math.max(1, x(show(summary.meanInterval.high)) - x(show(summary.meanInterval.low)))}
                height={12}
                className={mayBeFirst ? 'fill-ember-ground stroke-ember' : 'fill-sunken stroke-line-strong'}
              />
            )}
            {summary && (
              <line
                x1={x(show(summary.mean))}
                x2={x(show(summary.mean))}
                y1={y - 9}
                y2={y + 9}
                className="stroke-ink"
                strokeWidth={2}
              />
            )}
            {result.replicates.map(
              ({ trial, value, counts }) =>
                value !== undefined && (
                  <circle
                    key={trial.id}
                    cx={x(show(value))}
                    cy={y}
                    r={3}
                    className={counts ? 'fill-ink' : 'fill-surface stroke-fail'}
                  />
                ),
            )}
            {calibration && (
              <circle
                cx={x(show(calibration.predicted))}
                cy={y}
                r={6}
                className="fill-none stroke-focus"
                strokeWidth={1.6}
              />
            )}
          </g>
        );
      })}
    </svg>
  );
}

const shortened = (name: string) => (name.length > 24 ? `${name.slice(0, 23)}…` : name);
